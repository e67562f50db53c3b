package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.packing.Block;

/**
 * One rule of a contextual lookup (OpenType 1.9, "Sequence context" and "Chained sequence context", formats 1 and 2):
 * the backtrack sequence, nearest glyph first; the input sequence without its first glyph; the lookahead sequence; and
 * the sequence lookup records, each a position followed by a lookup. The three sequences hold glyphs or classes.
 */
public record SequenceRule(int[] backtrack, int[] input, int[] lookahead, int[] records) {
    private static final int[] NONE = {};

    public static SequenceRule read(ByteView rule, boolean chained) {
        if (!chained) {
            int inputs = Math.max(0, rule.u16(0) - 1);
            return new SequenceRule(
                    NONE, numbers(rule, 4, inputs), NONE, numbers(rule, 4 + 2 * inputs, 2 * rule.u16(2)));
        }
        int at = 0;
        int[] backtrack = numbers(rule, at + 2, rule.u16(at));
        at += 2 + 2 * backtrack.length;
        int[] input = numbers(rule, at + 2, Math.max(0, rule.u16(at) - 1));
        at += 2 + 2 * input.length;
        int[] lookahead = numbers(rule, at + 2, rule.u16(at));
        at += 2 + 2 * lookahead.length;
        return new SequenceRule(backtrack, input, lookahead, numbers(rule, at + 2, 2 * rule.u16(at)));
    }

    public Block write(boolean chained) {
        Block block = new Block();
        if (!chained) {
            block.u16(input.length + 1).u16(records.length / 2);
            return put(put(block, input), records);
        }
        put(block.u16(backtrack.length), backtrack);
        put(block.u16(input.length + 1), input);
        put(block.u16(lookahead.length), lookahead);
        return put(block.u16(records.length / 2), records);
    }

    public static int[] numbers(ByteView view, int at, int count) {
        ByteView part = view.slice(at, 2 * count);
        int[] numbers = new int[count];
        for (int i = 0; i < count; i++) {
            numbers[i] = part.u16(2 * i);
        }
        return numbers;
    }

    public static Block put(Block block, int[] numbers) {
        for (int number : numbers) {
            block.u16(number);
        }
        return block;
    }
}
