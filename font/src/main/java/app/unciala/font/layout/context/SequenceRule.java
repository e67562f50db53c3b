package app.unciala.font.layout.context;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.packing.Block;

/**
 * One rule of a contextual lookup (OpenType 1.9, "Sequence context" and "Chained sequence context", formats 1 and 2):
 * the backtrack sequence, nearest glyph first; the input sequence without its first glyph; the lookahead sequence; and
 * the sequence lookup records, each a position followed by a lookup. The three sequences hold glyphs or classes.
 */
public record SequenceRule(int[] backtrack, int[] input, int[] lookahead, int[] records) {
    private static final int[] NONE = {};

    /** A plain rule counts its input sequence, the first glyph with it, and its records before both. */
    private static final int PLAIN_SEQUENCE = 4;

    static SequenceRule read(ByteView rule, boolean chained) {
        if (!chained) {
            int inputs = Math.max(0, rule.u16(0) - 1);
            return new SequenceRule(
                    NONE,
                    rule.u16s(PLAIN_SEQUENCE, inputs),
                    NONE,
                    rule.u16s(PLAIN_SEQUENCE + 2 * inputs, 2 * rule.u16(2)));
        }
        int at = 0;
        int[] backtrack = rule.u16s(at + 2, rule.u16(at));
        at += 2 + 2 * backtrack.length;
        int[] input = rule.u16s(at + 2, Math.max(0, rule.u16(at) - 1));
        at += 2 + 2 * input.length;
        int[] lookahead = rule.u16s(at + 2, rule.u16(at));
        at += 2 + 2 * lookahead.length;
        return new SequenceRule(backtrack, input, lookahead, rule.u16s(at + 2, 2 * rule.u16(at)));
    }

    public Block write(boolean chained) {
        Block block = new Block();
        if (!chained) {
            return block.u16(input.length + 1)
                    .u16(records.length / 2)
                    .u16s(input)
                    .u16s(records);
        }
        return block.u16(backtrack.length)
                .u16s(backtrack)
                .u16(input.length + 1)
                .u16s(input)
                .u16(lookahead.length)
                .u16s(lookahead)
                .u16(records.length / 2)
                .u16s(records);
    }
}
