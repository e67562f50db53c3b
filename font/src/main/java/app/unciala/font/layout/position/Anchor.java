package app.unciala.font.layout.position;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.packing.Block;
import org.jspecify.annotations.Nullable;

/**
 * An anchor table (OpenType 1.9, "GPOS"): a place on a glyph in font units, perhaps tied to a contour point or adjusted by
 * device tables.
 */
public final class Anchor {
    private static final int PLACE = 1;
    private static final int CONTOUR_POINT = 2;
    private static final int DEVICES = 3;

    private static final int X = 2;
    private static final int Y = 4;
    private static final int CONTOUR_POINT_LENGTH = 8;
    private static final int X_DEVICE = 6;
    private static final int Y_DEVICE = 8;

    private Anchor() {}

    /** The anchor whose offset stands at {@code at}, with what becomes of its devices; or none. */
    static @Nullable Block read(ByteView parent, int at, Devices devices) {
        int offset = parent.u16(at);
        if (offset == 0) {
            return null;
        }
        ByteView anchor = parent.from(offset);
        return switch (anchor.u16(0)) {
            case CONTOUR_POINT -> new Block().bytes(anchor.slice(0, CONTOUR_POINT_LENGTH));
            case DEVICES ->
                withDevices(
                        devices.adjust(anchor.i16(X), anchor, X_DEVICE),
                        devices.adjust(anchor.i16(Y), anchor, Y_DEVICE));
            default -> place(anchor.u16(X), anchor.u16(Y));
        };
    }

    private static Block withDevices(Devices.Adjusted x, Devices.Adjusted y) {
        if (x.device() == null && y.device() == null) {
            return place(x.value(), y.value());
        }
        return new Block()
                .u16(DEVICES)
                .u16(x.value())
                .u16(y.value())
                .link(x.device())
                .link(y.device());
    }

    private static Block place(int x, int y) {
        return new Block().u16(PLACE).u16(x).u16(y);
    }
}
