package app.unciala.core.font;

import app.unciala.core.font.legacy.EotWriter;
import app.unciala.core.font.legacy.SvgFontWriter;
import app.unciala.core.font.sfnt.Sfnt;
import app.unciala.core.font.sfnt.SfntWriter;
import app.unciala.core.font.woff.WoffWriter;
import app.unciala.core.font.woff2.Woff2Writer;

/** Puts a face into a container; the same face and format give the same bytes, always. */
public final class FontWriter {
    private FontWriter() {}

    /**
     * Writes one face.
     *
     * @throws FontException if the face's outlines are not the ones the bare format stands for, or are damaged
     */
    public static byte[] write(Sfnt face, FontFormat format) {
        return switch (format) {
            case WOFF2 -> Woff2Writer.write(face);
            case WOFF -> WoffWriter.write(face);
            case EOT -> EotWriter.write(face);
            case SVG -> SvgFontWriter.write(face);
            case TTF, OTF -> {
                if (face.bareFormat() != format) {
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
}
