package app.unciala.font.layout.context;

import app.unciala.font.bytes.ByteView;

/**
 * The one rule of a contextual subtable of format 3: for each position the offset to its coverage, and the sequence lookup
 * records, each a position of the input sequence followed by a lookup.
 */
public record CoverageRule(int[] backtrack, int[] input, int[] lookahead, int[] records) {
    private static final int[] NONE = {};
    /** In a plain subtable, where the two counts and the offsets stand. */
    private static final int INPUT_COUNT = 2;

    private static final int RECORD_COUNT = 4;
    private static final int INPUT = 6;
    /** In a chained one, where the count of the backtrack sequence stands, before its offsets. */
    private static final int BACKTRACK_COUNT = 2;

    static CoverageRule read(ByteView table, boolean chained) {
        if (!chained) {
            int[] input = table.u16s(INPUT, table.u16(INPUT_COUNT));
            return new CoverageRule(
                    NONE, input, NONE, table.u16s(INPUT + 2 * input.length, 2 * table.u16(RECORD_COUNT)));
        }
        int at = BACKTRACK_COUNT;
        int[] backtrack = table.u16s(at + 2, table.u16(at));
        at += 2 + 2 * backtrack.length;
        int[] input = table.u16s(at + 2, table.u16(at));
        at += 2 + 2 * input.length;
        int[] lookahead = table.u16s(at + 2, table.u16(at));
        at += 2 + 2 * lookahead.length;
        return new CoverageRule(backtrack, input, lookahead, table.u16s(at + 2, 2 * table.u16(at)));
    }
}
