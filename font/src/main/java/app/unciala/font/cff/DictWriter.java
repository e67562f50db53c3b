package app.unciala.font.cff;

import app.unciala.font.bytes.ByteSink;

/** Operands and operators of a DICT (Technical Note 5176, section 4). */
public final class DictWriter {
    private static final int FIVE_BYTE_INTEGER = 29;
    private static final int ESCAPE = 12;
    /** Operators of two bytes are numbered from here on by the second of them. */
    private static final int TWO_BYTE_OPERATORS = 1200;

    private DictWriter() {}

    /** An integer in five bytes, so that the DICT is as long for any offset. */
    public static ByteSink offset(ByteSink out, int value) {
        return out.u8(FIVE_BYTE_INTEGER).u32(value);
    }

    public static ByteSink operator(ByteSink out, int operator) {
        return operator >= TWO_BYTE_OPERATORS ? out.u8(ESCAPE).u8(operator - TWO_BYTE_OPERATORS) : out.u8(operator);
    }
}
