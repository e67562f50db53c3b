package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.packing.Block;
import org.jspecify.annotations.Nullable;

/** Anchor tables: a place on a glyph in font units, perhaps tied to a contour point or adjusted by device tables. */
public final class Anchor {
    private Anchor() {}

    /** The anchor whose offset stands at {@code at}, or none. */
    public static @Nullable Block cut(ByteView parent, int at, Devices devices) {
        int offset = parent.u16(at);
        if (offset == 0) {
            return null;
        }
        ByteView anchor = parent.from(offset);
        int format = anchor.u16(0);
        if (format == 2) {
            return new Block().bytes(anchor.slice(0, 8));
        }
        if (format != 3) {
            return new Block().u16(1).u16(anchor.u16(2)).u16(anchor.u16(4));
        }
        Devices.Adjusted x = devices.adjust(anchor.i16(2), anchor, 6);
        Devices.Adjusted y = devices.adjust(anchor.i16(4), anchor, 8);
        boolean plain = x.device() == null && y.device() == null;
        Block block = new Block().u16(plain ? 1 : 3).u16(x.value()).u16(y.value());
        return plain ? block : block.link(x.device()).link(y.device());
    }
}
