package app.unciala.font.table;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.Optional;

/** {@code post}: the italic angle in degrees, counter-clockwise from upright, and whether advances are all equal. */
public record PostTable(double italicAngle, boolean fixedPitch) {
    /** Where {@code italicAngle} stands, in bytes from the start of the table. */
    public static final int ITALIC_ANGLE = 4;

    public static Optional<PostTable> read(Sfnt face) {
        return face.table("post").filter(table -> table.length() >= 16).map(PostTable::read);
    }

    private static PostTable read(ByteView table) {
        return new PostTable(table.fixed(ITALIC_ANGLE), table.u32(12) != 0);
    }
}
