package app.unciala.font.layout.substitution;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.Coverage;

/** One glyph for one other (OpenType 1.9, "GSUB", lookup type 1): by a difference of their numbers, or by a list. */
public record SingleSubstitution(ByteView table, Work work) {
    public static final int BY_DIFFERENCE = 1;
    public static final int LISTED = 2;

    private static final int COVERAGE = 2;
    private static final int DIFFERENCE = 4;
    private static final int SUBSTITUTES = 6;

    public Coverage coverage() {
        return Coverage.named(table, COVERAGE, work);
    }

    /** The substitute of a covered glyph. */
    public int substitute(int glyph, int coverageIndex) {
        return table.u16(0) == LISTED
                ? table.u16(SUBSTITUTES + 2 * coverageIndex)
                : glyph + table.u16(DIFFERENCE) & 0xFFFF;
    }
}
