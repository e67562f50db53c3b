package app.unciala.font.subset.color;

import app.unciala.font.FontException;
import app.unciala.font.color.SvgDocuments;
import app.unciala.font.color.SvgDocuments.Document;
import app.unciala.font.color.SvgDocuments.Glyphs;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.sfnt.Sfnt;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.xml.sax.SAXException;

/**
 * Cuts {@code SVG }, drawings of glyphs as SVG documents, to the glyphs of a map: the elements of glyphs that are not kept
 * go, unless others refer to them, and those of kept ones are named by their new numbers (OpenType 1.9, "SVG").
 */
public final class SvgCutter {
    private static final int MOST_BYTES = 64 << 20;
    /** Deeper elements are in no drawing; without a bound they would be too deep for the call stack. */
    private static final int MOST_DEPTH = 200;

    private final List<Drawing> drawings;

    private SvgCutter(List<Drawing> drawings) {
        this.drawings = drawings;
    }

    /** A document of the table, read. */
    private record Drawing(Document stored, org.w3c.dom.Document content) {}

    /** What cuts the table of a face; empty where it has none, or one of which a document cannot be read. */
    public static Optional<SvgCutter> of(Sfnt face) {
        if (face.table("SVG ").isEmpty()) {
            return Optional.empty();
        }
        try {
            List<Drawing> drawings = new ArrayList<>();
            int left = MOST_BYTES;
            for (Document document : SvgDocuments.read(face.require("SVG "))) {
                byte[] plain = plain(document, left);
                left -= plain.length;
                drawings.add(new Drawing(document, parsed(plain)));
            }
            return Optional.of(new SvgCutter(drawings));
        } catch (FontException | IOException | SAXException e) {
            return Optional.empty();
        }
    }

    private static byte[] plain(Document document, int most) throws IOException {
        InputStream in = new ByteArrayInputStream(document.bytes());
        try (InputStream plain = document.isCompressed() ? new GZIPInputStream(in) : in) {
            byte[] bytes = plain.readNBytes(most + 1);
            if (bytes.length > most) {
                throw new IOException("unpacks to more than is read");
            }
            return bytes;
        }
    }

    /** Documents with a DTD are refused, so that no entity is followed. */
    private static org.w3c.dom.Document parsed(byte[] document) throws IOException, SAXException {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultNSInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setAttribute("http://www.oracle.com/xml/jaxp/properties/maxElementDepth", MOST_DEPTH);
            var builder = factory.newDocumentBuilder();
            builder.setErrorHandler(null);
            return builder.parse(new ByteArrayInputStream(document));
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The face with the drawings of kept glyphs; without the table where none is left. */
    public Sfnt cut(Sfnt face, GlyphMap map) {
        List<Document> left = new ArrayList<>();
        BitSet taken = new BitSet();
        for (Drawing drawing : drawings) {
            BitSet drawn = new BitSet();
            drawing.stored().glyphs().stream()
                    .filter(glyphs -> glyphs.first() <= glyphs.last())
                    .forEach(glyphs -> drawn.set(glyphs.first(), glyphs.last() + 1));
            drawn.and(map.kept());
            drawn.andNot(taken);
            if (!drawn.isEmpty()) {
                taken.or(drawn);
                byte[] bytes = new SvgGlyphElements(drawing.content(), drawn, map).cut();
                left.add(new Document(ranges(drawn, map), drawing.stored().isCompressed() ? compressed(bytes) : bytes));
            }
        }
        return left.isEmpty() ? face.without("SVG ") : face.with("SVG ", SvgDocuments.write(left));
    }

    /** The new numbers of glyphs, which keep their order, as ranges without gaps. */
    private static List<Glyphs> ranges(BitSet glyphs, GlyphMap map) {
        BitSet now = new BitSet();
        glyphs.stream().map(map::after).forEach(now::set);
        List<Glyphs> ranges = new ArrayList<>();
        for (int first = now.nextSetBit(0); first >= 0; ) {
            int end = now.nextClearBit(first);
            ranges.add(new Glyphs(first, end - 1));
            first = now.nextSetBit(end);
        }
        return ranges;
    }

    private static byte[] compressed(byte[] bytes) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (OutputStream packed = new GZIPOutputStream(out)) {
            packed.write(bytes);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return out.toByteArray();
    }
}
