package app.unciala.font.subset.cff;

import static app.unciala.font.cff.CharStringOperators.ADD;
import static app.unciala.font.cff.CharStringOperators.AND;
import static app.unciala.font.cff.CharStringOperators.BLEND;
import static app.unciala.font.cff.CharStringOperators.CALLGSUBR;
import static app.unciala.font.cff.CharStringOperators.CALLSUBR;
import static app.unciala.font.cff.CharStringOperators.CNTRMASK;
import static app.unciala.font.cff.CharStringOperators.DIV;
import static app.unciala.font.cff.CharStringOperators.DROP;
import static app.unciala.font.cff.CharStringOperators.DUP;
import static app.unciala.font.cff.CharStringOperators.ENDCHAR;
import static app.unciala.font.cff.CharStringOperators.EQ;
import static app.unciala.font.cff.CharStringOperators.ESCAPE;
import static app.unciala.font.cff.CharStringOperators.HFLEX;
import static app.unciala.font.cff.CharStringOperators.HINTMASK;
import static app.unciala.font.cff.CharStringOperators.HSTEM;
import static app.unciala.font.cff.CharStringOperators.HSTEMHM;
import static app.unciala.font.cff.CharStringOperators.IFELSE;
import static app.unciala.font.cff.CharStringOperators.MUL;
import static app.unciala.font.cff.CharStringOperators.OR;
import static app.unciala.font.cff.CharStringOperators.PUT;
import static app.unciala.font.cff.CharStringOperators.RANDOM;
import static app.unciala.font.cff.CharStringOperators.RETURN;
import static app.unciala.font.cff.CharStringOperators.ROLL;
import static app.unciala.font.cff.CharStringOperators.SUB;
import static app.unciala.font.cff.CharStringOperators.VSINDEX;
import static app.unciala.font.cff.CharStringOperators.VSTEM;
import static app.unciala.font.cff.CharStringOperators.VSTEMHM;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.cff.CffIndex;
import app.unciala.font.cff.CffNumbers;
import java.util.Optional;

/**
 * Writes one charstring with each subroutine call replaced by the subroutine, and without hints on request. Brotli
 * finds what repeats between glyphs better than subroutines do.
 */
final class CharStringFlattener {
    private static final int MAX_DEPTH = 10;
    private static final int MAX_BYTES = 1 << 20;
    /**
     * What the operators after an escape, up to roll, add to or take from the stack; roll and put are counted the same
     * way.
     */
    private static final int[] EFFECT = new int[31];

    static {
        int[][] effects = {
            {AND, -1},
            {OR, -1},
            {ADD, -1},
            {SUB, -1},
            {DIV, -1},
            {EQ, -1},
            {DROP, -1},
            {PUT, -2},
            {IFELSE, -3},
            {RANDOM, 1},
            {MUL, -1},
            {DUP, 1},
            {ROLL, -2}
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
            if (CffNumbers.begins(b)) {
                int length = CffNumbers.length(b);
                number(code, at, length);
                at += length;
                continue;
            }
            at++;
            switch (b) {
                case RETURN -> {
                    return;
                }
                case CALLSUBR -> run(called(localSubrs), depth + 1);
                case CALLGSUBR -> run(called(globalSubrs), depth + 1);
                case HSTEM, VSTEM, HSTEMHM, VSTEMHM -> stems(b);
                case HINTMASK, CNTRMASK -> {
                    stemsBeforeMask();
                    int bytes = (hints + 7) >> 3;
                    if (hinting || !plain) {
                        out.u8(b).bytes(code.slice(at, bytes));
                    }
                    at += bytes;
                    operandsDone();
                }
                case ESCAPE -> escape(code.u8(at++));
                case BLEND -> blend();
                case VSINDEX -> {
                    deltaSet = last;
                    operator(b);
                }
                default -> {
                    operator(b);
                    ended = b == ENDCHAR;
                    widthTaken = true;
                }
            }
        }
    }

    private void number(ByteView code, int at, int length) {
        lastAt = out.size();
        out.bytes(code.slice(at, length));
        last = (int) Math.floor(CffNumbers.value(code, at));
        if (operands++ == 0) {
            firstEnd = out.size();
        }
    }

    private ByteView called(CffIndex subrs) {
        int wanted = subrs.subroutine(last);
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
        if (b >= HFLEX) {
            out.u8(ESCAPE);
            operator(b);
            widthTaken = true;
            return;
        }
        out.u8(ESCAPE).u8(b);
        operands = Math.max(0, operands + (b < EFFECT.length ? EFFECT[b] : 0));
        plain = false;
        lastAt = -1;
    }

    private void blend() {
        int[] counts = regionCounts.orElseThrow(() -> new FontException("CFF ", -1, "blends, which only CFF2 does"));
        int regions = deltaSet >= 0 && deltaSet < counts.length ? counts[deltaSet] : 0;
        operands = Math.max(0, operands - 1 - last * regions);
        out.u8(BLEND);
        lastAt = -1;
    }
}
