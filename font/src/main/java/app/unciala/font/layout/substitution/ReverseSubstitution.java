package app.unciala.font.layout.substitution;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.Coverage;

/**
 * One glyph for one other among others, from the end of the text to its beginning (OpenType 1.9, "GSUB", lookup type 8).
 *
 * @param backtrack for each position before the glyph, the nearest first, the offset to its coverage
 * @param lookahead the same for each position after it
 * @param substitutes by coverage index
 */
public record ReverseSubstitution(ByteView table, int[] backtrack, int[] lookahead, int[] substitutes, Work work) {
    private static final int COVERAGE = 2;
    private static final int BACKTRACK_COUNT = 4;

    public static ReverseSubstitution read(ByteView table, Work work) {
        int at = BACKTRACK_COUNT;
        int[] backtrack = table.u16s(at + 2, table.u16(at));
        at += 2 + 2 * backtrack.length;
        int[] lookahead = table.u16s(at + 2, table.u16(at));
        at += 2 + 2 * lookahead.length;
        return new ReverseSubstitution(table, backtrack, lookahead, table.u16s(at + 2, table.u16(at)), work);
    }

    public Coverage coverage() {
        return Coverage.named(table, COVERAGE, work);
    }

    /** The substitute of a covered glyph, or -1 where the list is too short for it. */
    public int substitute(int coverageIndex) {
        return coverageIndex < substitutes.length ? substitutes[coverageIndex] : -1;
    }

    /** The coverage of a position before or after the glyph. */
    public Coverage coverage(int offset) {
        return Coverage.of(table, offset, work);
    }
}
