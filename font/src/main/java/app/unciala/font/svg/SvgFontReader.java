package app.unciala.font.svg;

import app.unciala.font.FontException;
import app.unciala.font.budget.Budget;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.outline.Outline;
import app.unciala.font.sfnt.Sfnt;
import java.io.StringReader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jspecify.annotations.Nullable;

/**
 * Reads SVG fonts (SVG 1.1, chapter 20) into faces with CFF outlines: one glyph for each character, with its advance,
 * and the kerning between characters. Ligatures and alternate forms are left out and said so. Entities and external
 * parts of the XML are not followed.
 */
public final class SvgFontReader {
    private static final Pattern ENCODING = Pattern.compile("<\\?xml[^>]*encoding=[\"']([A-Za-z][A-Za-z0-9._-]*)[\"']");
    private static final int MAX_GLYPHS = 65_000;
    /** As many as a collection may have. */
    private static final int MAX_FONTS = 256;

    private final List<Sfnt> faces = new ArrayList<>();
    private @Nullable SvgFace face;

    private SvgFontReader() {}

    /** Whether the beginning of a file is that of an SVG document with a font in it. */
    public static boolean recognizes(String head) {
        String text = head.stripLeading();
        return (text.startsWith("<svg") || text.startsWith("<?xml") || text.startsWith("<!DOCTYPE svg"))
                && text.contains("<svg")
                && text.contains("<font");
    }

    /**
     * Reads all fonts of a document.
     *
     * @throws FontException if it is no well-formed XML, or holds no font
     */
    public static List<Sfnt> read(ByteView file) {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        try {
            XMLStreamReader xml = factory.createXMLStreamReader(new StringReader(text(file)));
            return new SvgFontReader().run(xml);
        } catch (XMLStreamException e) {
            long at = e.getLocation() == null ? -1 : e.getLocation().getCharacterOffset();
            throw new FontException("svg", at, "is not well-formed XML");
        }
    }

    /** Characters by the encoding that the document declares; what that cannot be decoded to becomes U+FFFD. */
    private static String text(ByteView file) {
        Charset charset = StandardCharsets.UTF_8;
        if (file.length() > 1 && (file.u16(0) == 0xFEFF || file.u16(0) == 0xFFFE)) {
            charset = StandardCharsets.UTF_16;
        } else {
            String head = file.text(0, Math.min(200, file.length()), StandardCharsets.ISO_8859_1);
            Matcher declared = ENCODING.matcher(head);
            if (declared.find() && Charset.isSupported(declared.group(1))) {
                charset = Charset.forName(declared.group(1));
            }
        }
        String text = file.text(0, file.length(), charset);
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    private List<Sfnt> run(XMLStreamReader xml) throws XMLStreamException {
        while (xml.hasNext()) {
            Budget.check();
            int event = xml.next();
            if (event == XMLStreamConstants.START_ELEMENT) {
                start(xml);
            } else if (event == XMLStreamConstants.END_ELEMENT
                    && xml.getLocalName().equals("font")
                    && face != null) {
                faces.add(face.build());
                face = null;
            }
        }
        if (faces.isEmpty()) {
            throw new FontException("svg", -1, "holds no font");
        }
        return faces;
    }

    private void start(XMLStreamReader xml) {
        String name = xml.getLocalName();
        if (name.equals("font")) {
            if (faces.size() >= MAX_FONTS) {
                throw new FontException("svg", -1, "holds more than " + MAX_FONTS + " fonts");
            }
            face = new SvgFace(number(xml, "horiz-adv-x").orElse(0.0));
        }
        if (face == null) {
            return;
        }
        switch (name) {
            case "font-face" -> face.describe(attribute -> xml.getAttributeValue(null, attribute));
            case "missing-glyph" -> face.missing(outline(xml), number(xml, "horiz-adv-x"));
            case "glyph" -> glyph(xml, face);
            case "hkern" -> kern(xml, face);
            default -> {
                // Definitions and pictures are no part of the font.
            }
        }
    }

    private void glyph(XMLStreamReader xml, SvgFace into) {
        String unicode = xml.getAttributeValue(null, "unicode");
        String glyphName = xml.getAttributeValue(null, "glyph-name");
        boolean single = unicode != null && unicode.codePointCount(0, unicode.length()) == 1;
        boolean form = xml.getAttributeValue(null, "arabic-form") != null;
        if (!single || form) {
            into.leaveOut();
            return;
        }
        if (into.size() >= MAX_GLYPHS) {
            throw new FontException("svg", -1, "has more than " + MAX_GLYPHS + " glyphs");
        }
        into.add(unicode.codePointAt(0), glyphName == null ? "" : glyphName, outline(xml), number(xml, "horiz-adv-x"));
    }

    private static void kern(XMLStreamReader xml, SvgFace into) {
        double k = number(xml, "k").orElse(0.0);
        into.kern(list(xml, "u1"), list(xml, "g1"), list(xml, "u2"), list(xml, "g2"), k);
    }

    private static List<String> list(XMLStreamReader xml, String attribute) {
        String value = xml.getAttributeValue(null, attribute);
        if (value == null) {
            return List.of();
        }
        return value.equals(",") ? List.of(",") : List.of(value.split(","));
    }

    private static Outline outline(XMLStreamReader xml) {
        String data = xml.getAttributeValue(null, "d");
        return data == null ? new Outline() : SvgPath.read(data);
    }

    private static Optional<Double> number(XMLStreamReader xml, String attribute) {
        return SvgFace.number(xml.getAttributeValue(null, attribute));
    }
}
