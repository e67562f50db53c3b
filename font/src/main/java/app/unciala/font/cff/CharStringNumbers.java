package app.unciala.font.cff;

import app.unciala.font.bytes.ByteView;

/** Numbers in charstrings (Technical Note 5177, section 3.2): one to five bytes, of which the first says how many. */
public final class CharStringNumbers {
    private static final int INT16 = 28;
    private static final int FIRST = 32;
    private static final int TWO_BYTES = 247;
    private static final int TWO_BYTES_NEGATIVE = 251;
    private static final int FIXED = 255;

    private CharStringNumbers() {}

    /** Whether a byte begins a number, and not an operator. */
    public static boolean begins(int first) {
        return first >= FIRST || first == INT16;
    }

    /** Whether a number has binary places. */
    static boolean isFixed(int first) {
        return first == FIXED;
    }

    public static int length(int first) {
        return first == INT16 ? 3 : first == FIXED ? 5 : first >= TWO_BYTES ? 2 : 1;
    }

    public static double value(ByteView code, int at) {
        int first = code.u8(at);
        if (first == INT16) {
            return code.i16(at + 1);
        }
        if (first == FIXED) {
            return code.fixed(at + 1);
        }
        return first >= TWO_BYTES_NEGATIVE
                ? -(first - TWO_BYTES_NEGATIVE) * 256 - code.u8(at + 1) - 108
                : first >= TWO_BYTES ? (first - TWO_BYTES) * 256 + code.u8(at + 1) + 108 : first - 139;
    }
}
