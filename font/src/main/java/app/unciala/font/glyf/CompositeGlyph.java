package app.unciala.font.glyf;

import app.unciala.font.bytes.ByteView;
import java.util.ArrayList;
import java.util.List;

/** A glyph put together from others; {@code end} is where its components end in bytes, before any instructions. */
public record CompositeGlyph(List<Component> components, int end, boolean hasInstructions) {
    private static final int WORDS = 0x0001;
    private static final int XY_VALUES = 0x0002;
    private static final int SCALE = 0x0008;
    private static final int MORE = 0x0020;
    private static final int XY_SCALE = 0x0040;
    private static final int TWO_BY_TWO = 0x0080;
    private static final int INSTRUCTIONS = 0x0100;
    private static final int SCALED_OFFSET = 0x0800;

    /**
     * One glyph used in another: moved by (dx, dy) font units, or, when {@code byPoints}, so that point {@code dy} of
     * it meets point {@code dx} of what stands already; and transformed by the matrix (a b c d).
     */
    public record Component(
            int glyph,
            int dx,
            int dy,
            boolean byPoints,
            boolean scaledOffset,
            double a,
            double b,
            double c,
            double d) {}

    /** The bytes of a component record with these flags. */
    public static int recordLength(int flags) {
        int transform = (flags & SCALE) != 0 ? 2 : (flags & XY_SCALE) != 0 ? 4 : (flags & TWO_BY_TWO) != 0 ? 8 : 0;
        return 4 + ((flags & WORDS) != 0 ? 4 : 2) + transform;
    }

    /** Reads components from byte {@code at} of a view. */
    public static CompositeGlyph read(ByteView view, int at) {
        List<Component> components = new ArrayList<>();
        boolean instructions = false;
        int flags;
        do {
            flags = view.u16(at);
            int glyph = view.u16(at + 2);
            at += 4;
            boolean points = (flags & XY_VALUES) == 0;
            int dx;
            int dy;
            if ((flags & WORDS) != 0) {
                dx = points ? view.u16(at) : view.i16(at);
                dy = points ? view.u16(at + 2) : view.i16(at + 2);
                at += 4;
            } else {
                dx = points ? view.u8(at) : (byte) view.u8(at);
                dy = points ? view.u8(at + 1) : (byte) view.u8(at + 1);
                at += 2;
            }
            double a = 1;
            double b = 0;
            double c = 0;
            double d = 1;
            if ((flags & SCALE) != 0) {
                a = view.i16(at) / 16384.0;
                d = a;
                at += 2;
            } else if ((flags & XY_SCALE) != 0) {
                a = view.i16(at) / 16384.0;
                d = view.i16(at + 2) / 16384.0;
                at += 4;
            } else if ((flags & TWO_BY_TWO) != 0) {
                a = view.i16(at) / 16384.0;
                b = view.i16(at + 2) / 16384.0;
                c = view.i16(at + 4) / 16384.0;
                d = view.i16(at + 6) / 16384.0;
                at += 8;
            }
            components.add(new Component(glyph, dx, dy, points, (flags & SCALED_OFFSET) != 0, a, b, c, d));
            instructions |= (flags & INSTRUCTIONS) != 0;
        } while ((flags & MORE) != 0);
        return new CompositeGlyph(List.copyOf(components), at, instructions);
    }
}
