package app.unciala.core.license;

import app.unciala.font.FontFormat;
import app.unciala.font.face.Slot;
import java.util.Comparator;
import java.util.List;

/**
 * A held file that a face can be delivered from.
 *
 * @param madeHere whether it was converted from another here
 */
public record SourceFile(String id, String sha256, FontFormat format, Slot slot, boolean madeHere) {
    /** The formats by how much of a font they keep. */
    private static final List<FontFormat> BY_WORTH = List.of(
            FontFormat.WOFF2,
            FontFormat.TTF,
            FontFormat.OTF,
            FontFormat.COLLECTION,
            FontFormat.WOFF,
            FontFormat.EOT,
            FontFormat.SVG);

    /** The order in which files of one face are taken: the vendor's own WOFF 2, one made here, any to make it from. */
    private static final Comparator<SourceFile> TAKEN_FIRST = Comparator.comparing(
                    (SourceFile file) -> file.format() != FontFormat.WOFF2)
            .thenComparing(SourceFile::madeHere)
            .thenComparing(file -> BY_WORTH.indexOf(file.format()))
            .thenComparing(SourceFile::id);

    /** The order in which files are taken for a format: the vendor's own in that format before all others. */
    public static Comparator<SourceFile> takenFirst(FontFormat format) {
        return Comparator.comparing((SourceFile file) -> !file.isVendorsOwn(format))
                .thenComparing(TAKEN_FIRST);
    }

    /** Whether it came in this format, so that nothing has to be converted. */
    boolean isVendorsOwn(FontFormat wanted) {
        return format == wanted && !madeHere;
    }
}
