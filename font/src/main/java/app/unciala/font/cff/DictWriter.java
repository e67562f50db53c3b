package app.unciala.font.cff;

import app.unciala.font.bytes.ByteSink;

/** Operands and operators of a DICT (Technical Note 5176, section 4). */
public final class DictWriter {
    private DictWriter() {}

    /** An integer in five bytes, so that the DICT is as long for any offset. */
    public static ByteSink offset(ByteSink out, int value) {
        return out.u8(CffNumbers.INT32).u32(value);
    }

    public static ByteSink operator(ByteSink out, int operator) {
        return operator >= DictOperators.ESCAPED
                ? out.u8(DictOperators.ESCAPE).u8(operator - DictOperators.ESCAPED)
                : out.u8(operator);
    }
}
