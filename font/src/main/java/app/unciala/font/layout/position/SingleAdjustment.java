package app.unciala.font.layout.position;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.Coverage;

/** Moves of single glyphs (OpenType 1.9, "GPOS", lookup type 1): one value for all, or one for each. */
public record SingleAdjustment(ByteView table, Work work) {
    public static final int SAME_FOR_ALL = 1;
    public static final int LISTED = 2;

    private static final int COVERAGE = 2;
    private static final int VALUE_FORMAT = 4;
    private static final int SAME_VALUE = 6;
    private static final int VALUES = 8;

    public Coverage coverage() {
        return Coverage.named(table, COVERAGE, work);
    }

    /** The value of a covered glyph. */
    public ValueRecord value(int coverageIndex, Devices devices) {
        int format = table.u16(VALUE_FORMAT);
        int at = table.u16(0) == LISTED ? VALUES + coverageIndex * ValueRecord.size(format) : SAME_VALUE;
        return ValueRecord.read(table, at, format, devices);
    }
}
