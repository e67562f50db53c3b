package app.unciala.font.file;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.eot.EotWriter;
import app.unciala.font.sfnt.CollectionWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntWriter;
import app.unciala.font.svg.SvgFontWriter;
import app.unciala.font.truetype.TrueTypeConversion;
import app.unciala.font.woff.WoffWriter;
import app.unciala.font.woff2.Compression;
import app.unciala.font.woff2.Woff2Writer;
import java.util.List;
import java.util.Map;

/** Puts a face into a container; the same face and format give the same bytes, always. */
public final class FontWriter {
    private FontWriter() {}

    /**
     * Writes one face; CFF outlines become TrueType ones in a TTF file.
     *
     * @throws FontException if the face's outlines are damaged, or can't become those that the bare format stands for
     */
    public static byte[] write(Sfnt source, FontFormat format) {
        Sfnt face = withoutEmpty(source);
        return switch (format) {
            case WOFF2 -> Woff2Writer.write(face, Compression.SMALLEST);
            case WOFF -> WoffWriter.write(face);
            case EOT -> EotWriter.write(face);
            case SVG -> SvgFontWriter.write(face);
            case TTF -> SfntWriter.write(TrueTypeConversion.of(face));
            case OTF -> {
                if (!face.hasCffOutlines()) {
                    throw new FontException(
                            "file",
                            -1,
                            "has the outlines of " + face.bareFormat().label() + ", so it cannot be written as "
                                    + format.key());
                }
                yield SfntWriter.write(face);
            }
            case COLLECTION -> throw new FontException("file", -1, "cannot be written as a collection of one");
        };
    }

    /**
     * Writes a face as WOFF 2.0 to be shown at once: up to an eighth larger than {@link #write} makes it, and many times
     * quicker.
     *
     * @throws FontException if the outlines of the face are damaged
     */
    public static byte[] writeQuickly(Sfnt face) {
        return Woff2Writer.write(withoutEmpty(face), Compression.QUICK);
    }

    /**
     * Writes faces as one collection, with tables that are equal stored once.
     *
     * @throws IllegalArgumentException if there are no faces
     */
    public static byte[] writeCollection(List<Sfnt> faces) {
        return CollectionWriter.write(
                faces.stream().map(FontWriter::withoutEmpty).toList());
    }

    /** Without tables that have no bytes, as browsers refuse those; {@code glyf}, which a font needs, has one byte then. */
    private static Sfnt withoutEmpty(Sfnt source) {
        Sfnt face = source;
        for (Map.Entry<String, ByteView> table : source.tables().entrySet()) {
            if (table.getValue().length() == 0) {
                String tag = table.getKey();
                face = tag.equals("glyf") ? face.with(tag, new byte[1]) : face.without(tag);
            }
        }
        return face;
    }
}
