package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;

/** The one rule of a contextual subtable of format 3: offsets to a coverage for each position, and lookup records. */
public record CoverageRule(int[] backtrack, int[] input, int[] lookahead, int[] records) {
    public static CoverageRule read(ByteView table, boolean chained) {
        int[] none = {};
        if (!chained) {
            int[] input = SequenceRule.numbers(table, 6, table.u16(2));
            return new CoverageRule(
                    none, input, none, SequenceRule.numbers(table, 6 + 2 * input.length, 2 * table.u16(4)));
        }
        int at = 2;
        int[] backtrack = SequenceRule.numbers(table, at + 2, table.u16(at));
        at += 2 + 2 * backtrack.length;
        int[] input = SequenceRule.numbers(table, at + 2, table.u16(at));
        at += 2 + 2 * input.length;
        int[] lookahead = SequenceRule.numbers(table, at + 2, table.u16(at));
        at += 2 + 2 * lookahead.length;
        return new CoverageRule(backtrack, input, lookahead, SequenceRule.numbers(table, at + 2, 2 * table.u16(at)));
    }
}
