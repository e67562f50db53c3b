package app.unciala.font.table;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.Optional;

/** {@code post}: the italic angle in degrees, counter-clockwise from upright, and whether advances are all equal. */
public record PostTable(double italicAngle, boolean fixedPitch) {
    /** Where fields stand, in bytes from the start of the table. */
    public static final int ITALIC_ANGLE = 4;

    public static final int UNDERLINE_POSITION = 8;
    public static final int UNDERLINE_THICKNESS = 10;
    public static final int IS_FIXED_PITCH = 12;

    /** The bytes of the fields that all versions have. */
    public static final int HEADER = 32;

    /** Versions: with the standard glyph names, with names of its own, with none. */
    public static final int STANDARD_NAMES = 0x00010000;

    public static final int OWN_NAMES = 0x00020000;
    public static final int NO_NAMES = 0x00030000;

    public static Optional<PostTable> read(Sfnt face) {
        return face.table("post")
                .filter(table -> table.length() >= IS_FIXED_PITCH + 4)
                .map(PostTable::read);
    }

    private static PostTable read(ByteView table) {
        return new PostTable(table.fixed(ITALIC_ANGLE), table.u32(IS_FIXED_PITCH) != 0);
    }
}
