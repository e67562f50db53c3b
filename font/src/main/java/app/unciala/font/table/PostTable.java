package app.unciala.font.table;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.Optional;

/** {@code post}: the italic angle in degrees, counter-clockwise from upright, and whether advances are all equal. */
public record PostTable(double italicAngle, boolean fixedPitch) {
    public static Optional<PostTable> read(Sfnt face) {
        return face.table("post").filter(table -> table.length() >= 16).map(PostTable::read);
    }

    private static PostTable read(ByteView table) {
        return new PostTable(table.fixed(4), table.u32(12) != 0);
    }
}
