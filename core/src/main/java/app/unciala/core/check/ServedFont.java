package app.unciala.core.check;

import app.unciala.font.FontException;
import app.unciala.font.drawing.Likeness;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;

/**
 * What a host serves at the address where a font of a pack belongs.
 *
 * @param is whether it is another face, or only other bytes
 * @param name what it calls itself; empty for what is no font
 * @param wanted what the font of the pack calls itself
 */
public record ServedFont(Kind is, String name, String wanted) {
    /** From here on two files are taken for the same face. */
    private static final double SAME_FACE = 0.9;

    /** What was found. */
    public enum Kind {
        /** The same face, exported again, subset otherwise, or in another version. */
        OTHER_BYTES,
        /** Another weight, slope or family. */
        OTHER_FACE,
        NOT_A_FONT
    }

    /** Compares what is served with the font that belongs there. */
    public static ServedFont of(byte[] wanted, byte[] served) {
        Sfnt font = face(wanted);
        String name = name(font);
        Sfnt other;
        try {
            other = face(served);
        } catch (FontException e) {
            return new ServedFont(Kind.NOT_A_FONT, "", name);
        }
        return new ServedFont(isSame(font, other) ? Kind.OTHER_BYTES : Kind.OTHER_FACE, name(other), name);
    }

    /** By its slot, and by its outlines, as files of packs need not keep their names. */
    private static boolean isSame(Sfnt one, Sfnt other) {
        try {
            return identity(one).slot().equals(identity(other).slot()) && Likeness.of(one, other) >= SAME_FACE;
        } catch (FontException e) {
            return identity(one).family().equals(identity(other).family());
        }
    }

    private static Sfnt face(byte[] file) {
        return FontReader.read(file).faces().get(0);
    }

    private static FaceIdentity identity(Sfnt face) {
        return FaceReport.of(face).identity();
    }

    private static String name(Sfnt face) {
        FaceIdentity identity = identity(face);
        return identity.family() + " " + identity.slot().label();
    }
}
