package app.unciala.font.cff;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;

/**
 * Numbers in charstrings (Technical Note 5177, section 3.2) and in DICTs (Technical Note 5176, section 4): one to five
 * bytes, of which the first says how many. Both write whole numbers alike, but for those of 32 bits and those with fractions.
 */
public final class CffNumbers {
    static final int INT16 = 28;
    /** In DICTs only: an integer of 32 bits. */
    static final int INT32 = 29;
    /** In DICTs only: a decimal number in half bytes. */
    static final int REAL = 30;
    /** In charstrings only: a 16.16 fixed-point number. */
    private static final int FIXED = 255;

    /** First bytes of numbers of one byte, whose value is what they are above {@link #ZERO}. */
    static final int ONE_BYTE = 32;

    static final int ZERO = 139;
    /** First bytes of numbers of two bytes, above and below zero; the least of these is {@link #LEAST_OF_TWO_BYTES}. */
    private static final int TWO_BYTES = 247;

    private static final int TWO_BYTES_NEGATIVE = 251;
    private static final int LEAST_OF_TWO_BYTES = 108;
    private static final int MOST_OF_TWO_BYTES = 1131;

    private CffNumbers() {}

    /** Whether a byte of a charstring begins a number, and not an operator. */
    public static boolean begins(int first) {
        return first >= ONE_BYTE || first == INT16;
    }

    /** Whether a number of a charstring has binary places. */
    static boolean isFixed(int first) {
        return first == FIXED;
    }

    /** The bytes of a number that is none of those of DICTs only. */
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
        if (first >= TWO_BYTES_NEGATIVE) {
            return -(first - TWO_BYTES_NEGATIVE) * 256 - code.u8(at + 1) - LEAST_OF_TWO_BYTES;
        }
        return first >= TWO_BYTES ? (first - TWO_BYTES) * 256 + code.u8(at + 1) + LEAST_OF_TWO_BYTES : first - ZERO;
    }

    /** Writes a number of a charstring, rounded to the 1/65536 of a font unit. */
    static void write(ByteSink out, double value) {
        if (value != Math.rint(value)) {
            out.u8(FIXED).u32((int) Math.rint(value * 65536));
            return;
        }
        int whole = (int) value;
        int size = Math.abs(whole);
        if (size < LEAST_OF_TWO_BYTES) {
            out.u8(ZERO + whole);
        } else if (size <= MOST_OF_TWO_BYTES) {
            int above = size - LEAST_OF_TWO_BYTES;
            out.u8((whole > 0 ? TWO_BYTES : TWO_BYTES_NEGATIVE) + (above >> 8)).u8(above);
        } else {
            out.u8(INT16).u16(whole);
        }
    }
}
