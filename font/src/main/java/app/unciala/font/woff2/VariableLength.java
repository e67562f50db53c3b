package app.unciala.font.woff2;

import app.unciala.font.bytes.ByteSink;

/** The two kinds of variable-length integers of WOFF 2.0 (sections 4.1 and 4.2), as they are written. */
final class VariableLength {
    /** Of a UIntBase128: the bits of a byte that belong to the number, and the flag that another byte follows. */
    static final int BASE_128_BITS = 0x7F;

    static final int BASE_128_MORE = 0x80;
    static final int BASE_128_MOST_BYTES = 5;

    /** Of a 255UInt16: first bytes that say what follows; lower ones are the number itself. */
    static final int WORD_CODE = 253;

    static final int ONE_MORE_BYTE_2 = 254;
    static final int ONE_MORE_BYTE_1 = 255;
    /** What the byte after the two codes is counted from. */
    static final int LOWEST_1 = WORD_CODE;

    static final int LOWEST_2 = LOWEST_1 + WORD_CODE;
    private static final int LOWEST_WORD = LOWEST_2 + 256;

    private VariableLength() {}

    static void putBase128(ByteSink out, int value) {
        for (int shift = 7 * (BASE_128_MOST_BYTES - 1); shift > 0; shift -= 7) {
            if (value >>> shift != 0) {
                out.u8((value >>> shift & BASE_128_BITS) | BASE_128_MORE);
            }
        }
        out.u8(value & BASE_128_BITS);
    }

    static void put255(ByteSink out, int value) {
        if (value < LOWEST_1) {
            out.u8(value);
        } else if (value < LOWEST_2) {
            out.u8(ONE_MORE_BYTE_1).u8(value - LOWEST_1);
        } else if (value < LOWEST_WORD) {
            out.u8(ONE_MORE_BYTE_2).u8(value - LOWEST_2);
        } else {
            out.u8(WORD_CODE).u16(value);
        }
    }
}
