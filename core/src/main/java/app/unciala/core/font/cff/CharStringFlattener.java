package app.unciala.core.font.cff;

import app.unciala.core.font.ByteSink;
import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;
import java.util.Optional;

/**
 * Writes one charstring with its subroutines put in where they are called, and without its hints if wished. Brotli
 * finds what repeats between glyphs better than subroutines do.
 */
final class CharStringFlattener {
    private static final int MAX_DEPTH = 10;
    private static final int MAX_BYTES = 1 << 20;
    /** What the operators 12 3 to 12 30 add to or take from the stack; roll and put are counted the same way. */
    private static final int[] EFFECT = new int[31];

    static {
        int[][] effects = {
            {3, -1}, {4, -1}, {10, -1}, {11, -1}, {12, -1}, {15, -1}, {18, -1}, {20, -2}, {22, -3}, {23, 1}, {24, -1},
            {27, 1}, {30, -2}
        };
        for (int[] effect : effects) {
            EFFECT[effect[0]] = effect[1];
        }
    }

    private final CffIndex globalSubrs;
    private final CffIndex localSubrs;
    private final Optional<int[]> regionCounts;
    private final boolean hinting;
    private final ByteSink out = new ByteSink(128);
    /** Where the operands of the next operator begin, where the first of them ends, and where the last begins. */
    private int operandsAt;

    private int firstEnd;
    private int lastAt;
    private int last;
    private int operands;
    private boolean plain = true;
    private int hints;
    private boolean widthTaken;
    private boolean ended;
    private int deltaSet;

    CharStringFlattener(
            CffIndex globalSubrs, CffIndex localSubrs, Optional<int[]> regionCounts, int deltaSet, boolean hinting) {
        this.globalSubrs = globalSubrs;
        this.localSubrs = localSubrs;
        this.regionCounts = regionCounts;
        this.deltaSet = deltaSet;
        this.hinting = hinting;
        widthTaken = regionCounts.isPresent();
    }

    byte[] flatten(ByteView charString) {
        run(charString, 0);
        return out.toArray();
    }

    private void run(ByteView code, int depth) {
        if (depth > MAX_DEPTH || out.size() > MAX_BYTES) {
            throw new FontException(code.table(), -1, "calls subroutines too deeply or too often");
        }
        int at = 0;
        while (at < code.length() && !ended) {
            int b = code.u8(at);
            int length = b == 28 ? 3 : b == 255 ? 5 : b >= 247 ? 2 : 1;
            if (b == 28 || b >= 32) {
                number(code, at, length);
                at += length;
                continue;
            }
            at++;
            switch (b) {
                case 11 -> {
                    return;
                }
                case 10 -> run(called(localSubrs), depth + 1);
                case 29 -> run(called(globalSubrs), depth + 1);
                case 1, 3, 18, 23 -> stems(b);
                case 19, 20 -> {
                    stemsBeforeMask();
                    int bytes = hints + 7 >> 3;
                    if (hinting || !plain) {
                        out.u8(b).bytes(code.slice(at, bytes));
                    }
                    at += bytes;
                    operandsDone();
                }
                case 12 -> escape(code.u8(at++));
                case 16 -> blend();
                case 15 -> {
                    deltaSet = last;
                    operator(b);
                }
                default -> {
                    operator(b);
                    ended = b == 14;
                    widthTaken = true;
                }
            }
        }
    }

    private void number(ByteView code, int at, int length) {
        lastAt = out.size();
        out.bytes(code.slice(at, length));
        int b = code.u8(at);
        last = b == 28
                ? code.i16(at + 1)
                : b == 255
                        ? code.i32(at + 1) >> 16
                        : b >= 251
                                ? -(b - 251) * 256 - code.u8(at + 1) - 108
                                : b >= 247 ? (b - 247) * 256 + code.u8(at + 1) + 108 : b - 139;
        if (operands++ == 0) {
            firstEnd = out.size();
        }
    }

    private ByteView called(CffIndex subrs) {
        int bias = subrs.count() < 1240 ? 107 : subrs.count() < 33900 ? 1131 : 32768;
        int wanted = last + bias;
        if (operands == 0 || lastAt < operandsAt) {
            throw new FontException(subrs.table().table(), -1, "calls a subroutine without saying which");
        }
        out.truncate(lastAt);
        operands--;
        // Two calls in a row would need the number before this one, which only a computed call can.
        lastAt = -1;
        return subrs.get(wanted);
    }

    private void operator(int b) {
        out.u8(b);
        operandsDone();
    }

    private void operandsDone() {
        operandsAt = out.size();
        operands = 0;
        plain = true;
    }

    private void stems(int b) {
        boolean width = !widthTaken && operands % 2 == 1;
        hints += operands / 2;
        widthTaken = true;
        if (hinting || !plain) {
            operator(b);
        } else {
            dropOperands(width);
        }
    }

    /** A mask may have the vertical stems before it, without their operator. */
    private void stemsBeforeMask() {
        boolean width = !widthTaken && operands % 2 == 1;
        hints += operands / 2;
        widthTaken = true;
        if (!hinting && plain) {
            dropOperands(width);
        }
    }

    /** The glyph's width stays in front of whichever operator comes next. */
    private void dropOperands(boolean width) {
        out.truncate(width ? firstEnd : operandsAt);
        if (width) {
            widthTaken = false;
        }
        operands = width ? 1 : 0;
        lastAt = operandsAt;
    }

    private void escape(int b) {
        if (b >= 34) {
            out.u8(12);
            operator(b);
            widthTaken = true;
            return;
        }
        out.u8(12).u8(b);
        operands = Math.max(0, operands + (b < EFFECT.length ? EFFECT[b] : 0));
        plain = false;
        lastAt = -1;
    }

    private void blend() {
        int[] counts = regionCounts.orElseThrow(() -> new FontException("CFF ", -1, "blends, which only CFF2 does"));
        int regions = deltaSet >= 0 && deltaSet < counts.length ? counts[deltaSet] : 0;
        operands = Math.max(0, operands - 1 - last * regions);
        out.u8(16);
        lastAt = -1;
    }
}
