package app.unciala.font.glyf;

import app.unciala.font.bytes.ByteView;
import java.util.ArrayList;
import java.util.List;

/** A glyph put together from others; {@code end} is where its components end in bytes, before any instructions. */
public record CompositeGlyph(List<Component> components, int end, boolean hasInstructions) {
    /** Flags of a component. */
    public static final int ARGS_ARE_WORDS = 0x0001;

    public static final int ARGS_ARE_XY_VALUES = 0x0002;
    private static final int SCALE = 0x0008;
    public static final int MORE_COMPONENTS = 0x0020;
    private static final int XY_SCALE = 0x0040;
    private static final int TWO_BY_TWO = 0x0080;
    public static final int HAS_INSTRUCTIONS = 0x0100;
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

    /** Of a component record: where the glyph stands behind the flags, and where the arguments begin. */
    public static final int GLYPH = 2;

    private static final int ARGS = 4;

    /** The bytes of a component record with these flags before its transform. */
    public static int transformAt(int flags) {
        return ARGS + ((flags & ARGS_ARE_WORDS) != 0 ? 4 : 2);
    }

    /** The bytes of a component record with these flags. */
    public static int recordLength(int flags) {
        int transform = (flags & SCALE) != 0 ? 2 : (flags & XY_SCALE) != 0 ? 4 : (flags & TWO_BY_TWO) != 0 ? 8 : 0;
        return transformAt(flags) + transform;
    }

    /** Reads components from byte {@code at} of a view. */
    public static CompositeGlyph read(ByteView view, int at) {
        List<Component> components = new ArrayList<>();
        boolean instructions = false;
        int flags;
        do {
            flags = view.u16(at);
            int glyph = view.u16(at + GLYPH);
            at += ARGS;
            boolean points = (flags & ARGS_ARE_XY_VALUES) == 0;
            int dx;
            int dy;
            if ((flags & ARGS_ARE_WORDS) != 0) {
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
                a = view.f2dot14(at);
                d = a;
                at += 2;
            } else if ((flags & XY_SCALE) != 0) {
                a = view.f2dot14(at);
                d = view.f2dot14(at + 2);
                at += 4;
            } else if ((flags & TWO_BY_TWO) != 0) {
                a = view.f2dot14(at);
                b = view.f2dot14(at + 2);
                c = view.f2dot14(at + 4);
                d = view.f2dot14(at + 6);
                at += 8;
            }
            components.add(new Component(glyph, dx, dy, points, (flags & SCALED_OFFSET) != 0, a, b, c, d));
            instructions |= (flags & HAS_INSTRUCTIONS) != 0;
        } while ((flags & MORE_COMPONENTS) != 0);
        return new CompositeGlyph(List.copyOf(components), at, instructions);
    }
}
