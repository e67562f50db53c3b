package app.unciala.font.cff;

import static app.unciala.font.cff.CharStringOperators.BLEND;
import static app.unciala.font.cff.CharStringOperators.CALLGSUBR;
import static app.unciala.font.cff.CharStringOperators.CALLSUBR;
import static app.unciala.font.cff.CharStringOperators.CNTRMASK;
import static app.unciala.font.cff.CharStringOperators.DIV;
import static app.unciala.font.cff.CharStringOperators.DOTSECTION;
import static app.unciala.font.cff.CharStringOperators.ENDCHAR;
import static app.unciala.font.cff.CharStringOperators.ESCAPE;
import static app.unciala.font.cff.CharStringOperators.FLEX;
import static app.unciala.font.cff.CharStringOperators.FLEX1;
import static app.unciala.font.cff.CharStringOperators.HFLEX;
import static app.unciala.font.cff.CharStringOperators.HFLEX1;
import static app.unciala.font.cff.CharStringOperators.HHCURVETO;
import static app.unciala.font.cff.CharStringOperators.HINTMASK;
import static app.unciala.font.cff.CharStringOperators.HLINETO;
import static app.unciala.font.cff.CharStringOperators.HMOVETO;
import static app.unciala.font.cff.CharStringOperators.HSTEM;
import static app.unciala.font.cff.CharStringOperators.HSTEMHM;
import static app.unciala.font.cff.CharStringOperators.HVCURVETO;
import static app.unciala.font.cff.CharStringOperators.MUL;
import static app.unciala.font.cff.CharStringOperators.RANDOM;
import static app.unciala.font.cff.CharStringOperators.RCURVELINE;
import static app.unciala.font.cff.CharStringOperators.RETURN;
import static app.unciala.font.cff.CharStringOperators.RLINECURVE;
import static app.unciala.font.cff.CharStringOperators.RLINETO;
import static app.unciala.font.cff.CharStringOperators.RMOVETO;
import static app.unciala.font.cff.CharStringOperators.RRCURVETO;
import static app.unciala.font.cff.CharStringOperators.SQRT;
import static app.unciala.font.cff.CharStringOperators.VHCURVETO;
import static app.unciala.font.cff.CharStringOperators.VLINETO;
import static app.unciala.font.cff.CharStringOperators.VMOVETO;
import static app.unciala.font.cff.CharStringOperators.VSINDEX;
import static app.unciala.font.cff.CharStringOperators.VSTEM;
import static app.unciala.font.cff.CharStringOperators.VSTEMHM;
import static app.unciala.font.cff.CharStringOperators.VVCURVETO;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.outline.GlyphPoints;
import java.util.Optional;

/**
 * Runs Type 2 (Technical Note 5177) or CFF2 charstrings, one at a time, bounded in depth, stack and steps. CFF2 adds blends,
 * and has neither widths nor {@code endchar}.
 */
final class CharStringRun {
    private static final int[] NONE = {};
    private static final int MAX_DEPTH = 10;
    private static final int MAX_STEPS = 2_000_000;

    private final CffIndex charStrings;
    private final CffIndex globalSubrs;
    private final Optional<int[]> regionCounts;
    private final CffCharset charset;
    private final Optional<double[][]> scalars;
    private final OperandStack stack = new OperandStack();
    private final CharStringRules rules = new CharStringRules();
    private CffIndex localSubrs;
    private GlyphPoints points = new GlyphPoints();
    private double x;
    private double y;
    private int hints;
    private boolean widthTaken;
    private boolean ended;
    private int steps;
    private int deltaSet;
    private int accents;
    private int[] parts = NONE;
    private boolean fractions;

    /**
     * {@code regionCounts} of the variation store are there for CFF2 only.
     *
     * @param scalars how much each region of each set of deltas counts; nothing for the default, where none does
     */
    CharStringRun(
            CffIndex charStrings,
            CffIndex globalSubrs,
            Optional<int[]> regionCounts,
            CffCharset charset,
            Optional<double[][]> scalars) {
        this.charStrings = charStrings;
        this.globalSubrs = globalSubrs;
        this.regionCounts = regionCounts;
        this.charset = charset;
        this.scalars = scalars;
        localSubrs = globalSubrs;
    }

    /** Draws a glyph into {@code points}; {@code deltaSet} is the one it blends with until it names another. */
    void run(int glyph, CffIndex localSubrs, int deltaSet, GlyphPoints points) {
        this.localSubrs = localSubrs;
        this.deltaSet = deltaSet;
        this.points = points;
        stack.size = 0;
        x = 0;
        y = 0;
        hints = 0;
        widthTaken = regionCounts.isPresent();
        ended = false;
        steps = 0;
        accents = 0;
        parts = NONE;
        fractions = false;
        rules.begin();
        execute(charStrings.get(glyph), 0);
        rules.end(ended);
        points.endContour();
        if (fractions) {
            points.markFractions();
        }
    }

    /** Why sanitizers of browsers refuse a charstring of {@code CFF }; empty where they do not. */
    String breach() {
        return rules.breach();
    }

    /** The glyphs that this one is composed of, by the deprecated form of {@code endchar}. */
    int[] parts() {
        return parts;
    }

    private void execute(ByteView code, int depth) {
        if (depth > MAX_DEPTH) {
            throw new FontException("CFF ", -1, "calls subroutines too deeply");
        }
        int at = 0;
        while (at < code.length() && !ended) {
            if (++steps > MAX_STEPS) {
                throw new FontException("CFF ", -1, "has a charstring that takes too many steps");
            }
            int b = code.u8(at++);
            if (CffNumbers.begins(b)) {
                stack.push(CffNumbers.value(code, at - 1));
                rules.operands(stack.size);
                fractions = fractions || CffNumbers.isFixed(b);
                at += CffNumbers.length(b) - 1;
                continue;
            }
            switch (b) {
                case RETURN -> {
                    return;
                }
                case CALLSUBR -> execute(subroutine(localSubrs), depth + 1);
                case CALLGSUBR -> execute(subroutine(globalSubrs), depth + 1);
                case HINTMASK, CNTRMASK -> {
                    rules.mask(stack.size, hints + stack.size / 2, widthTaken);
                    stems();
                    at += (hints + 7) >> 3;
                }
                case ESCAPE -> escape(code.u8(at++));
                default -> operator(b);
            }
        }
    }

    private ByteView subroutine(CffIndex subrs) {
        return subrs.cached(subrs.subroutine((int) stack.pop()));
    }

    private void operator(int b) {
        if (b == BLEND && regionCounts.isPresent()) {
            blend();
            return;
        }
        rules.operator(b, stack.size, widthTaken);
        switch (b) {
            case HSTEM, VSTEM, HSTEMHM, VSTEMHM -> {
                stems();
                rules.stems(hints);
            }
            case VMOVETO -> {
                takeWidth(1);
                move(0, stack.at(0));
            }
            case RMOVETO -> {
                takeWidth(2);
                move(stack.at(0), stack.at(1));
            }
            case HMOVETO -> {
                takeWidth(1);
                move(stack.at(0), 0);
            }
            case RLINETO -> lines(0, stack.size);
            case HLINETO -> alternatingLines(true);
            case VLINETO -> alternatingLines(false);
            case RRCURVETO -> curves(0, stack.size);
            case RCURVELINE -> {
                int end = Math.max(0, stack.size - 2);
                curves(0, end);
                lines(end, stack.size);
            }
            case RLINECURVE -> {
                int end = Math.max(0, stack.size - 6);
                lines(0, end);
                curves(end, stack.size);
            }
            case VVCURVETO -> verticalCurves();
            case HHCURVETO -> horizontalCurves();
            case VHCURVETO -> alternatingCurves(false);
            case HVCURVETO -> alternatingCurves(true);
            case VSINDEX -> deltaSet = (int) stack.at(0);
            case ENDCHAR -> end();
            default -> throw new FontException("CFF ", -1, "has the unknown charstring operator " + b);
        }
        stack.size = 0;
    }

    private void stems() {
        if (!widthTaken) {
            widthTaken = true;
            if (stack.size % 2 == 1) {
                stack.size--;
            }
        }
        hints += stack.size / 2;
        stack.size = 0;
    }

    /** n values, then for each of them as many deltas as there are regions, then n; the values stay, with their deltas. */
    private void blend() {
        int values = (int) stack.pop();
        int[] counts = regionCounts.orElseThrow();
        int regions = deltaSet >= 0 && deltaSet < counts.length ? counts[deltaSet] : 0;
        long deltas = (long) values * regions;
        if (values < 0 || values + deltas > stack.size) {
            throw new FontException("CFF2", -1, "blends more values than there are");
        }
        stack.size -= (int) deltas;
        if (scalars.isPresent() && deltas > 0) {
            fractions = !stack.blend(values, regions, scalars.get()[deltaSet]) || fractions;
        }
    }

    /** The width stands before the operands of whichever operator clears the stack first. */
    private void takeWidth(int operands) {
        if (!widthTaken) {
            widthTaken = true;
            if (stack.size > operands) {
                stack.dropFirst();
            }
        }
    }

    private void end() {
        takeWidth(stack.size >= 4 ? 4 : 0);
        if (stack.size >= 4) {
            compose(stack.at(0), stack.at(1), (int) stack.at(2), (int) stack.at(3));
        }
        ended = true;
    }

    /** The deprecated form of {@code endchar}: a letter, and an accent moved by (dx, dy), by their standard codes. */
    private void compose(double dx, double dy, int letter, int accent) {
        if (++accents > 1) {
            throw new FontException("CFF ", -1, "composes an accented letter out of accented letters");
        }
        parts = new int[] {charset.glyphOfStandardCode(letter), charset.glyphOfStandardCode(accent)};
        part(parts[0], 0, 0);
        part(parts[1], dx, dy);
    }

    private void part(int glyph, double atX, double atY) {
        ByteView charString = charStrings.get(glyph);
        stack.size = 0;
        hints = 0;
        widthTaken = false;
        ended = false;
        x = atX;
        y = atY;
        execute(charString, 1);
    }

    private void move(double dx, double dy) {
        x += dx;
        y += dy;
        points.endContour();
        points.add(x, y, GlyphPoints.ON);
    }

    private void line(double dx, double dy) {
        x += dx;
        y += dy;
        points.add(x, y, GlyphPoints.ON);
    }

    private void curve(double dx1, double dy1, double dx2, double dy2, double dx3, double dy3) {
        double x1 = x + dx1;
        double y1 = y + dy1;
        double x2 = x1 + dx2;
        double y2 = y1 + dy2;
        x = x2 + dx3;
        y = y2 + dy3;
        points.add(x1, y1, GlyphPoints.CUBIC);
        points.add(x2, y2, GlyphPoints.CUBIC);
        points.add(x, y, GlyphPoints.ON);
    }

    private void lines(int from, int to) {
        for (int i = from; i + 1 < to; i += 2) {
            line(stack.values[i], stack.values[i + 1]);
        }
    }

    private void alternatingLines(boolean horizontal) {
        for (int i = 0; i < stack.size; i++, horizontal = !horizontal) {
            line(horizontal ? stack.values[i] : 0, horizontal ? 0 : stack.values[i]);
        }
    }

    private void curves(int from, int to) {
        for (int i = from; i + 5 < to; i += 6) {
            curve(
                    stack.values[i],
                    stack.values[i + 1],
                    stack.values[i + 2],
                    stack.values[i + 3],
                    stack.values[i + 4],
                    stack.values[i + 5]);
        }
    }

    private void verticalCurves() {
        int i = stack.size % 4 == 1 ? 1 : 0;
        double dx = i == 1 ? stack.values[0] : 0;
        for (; i + 3 < stack.size; i += 4, dx = 0) {
            curve(dx, stack.values[i], stack.values[i + 1], stack.values[i + 2], 0, stack.values[i + 3]);
        }
    }

    private void horizontalCurves() {
        int i = stack.size % 4 == 1 ? 1 : 0;
        double dy = i == 1 ? stack.values[0] : 0;
        for (; i + 3 < stack.size; i += 4, dy = 0) {
            curve(stack.values[i], dy, stack.values[i + 1], stack.values[i + 2], stack.values[i + 3], 0);
        }
    }

    private void alternatingCurves(boolean horizontal) {
        for (int i = 0; i + 3 < stack.size; i += 4, horizontal = !horizontal) {
            double last = stack.size - i == 5 ? stack.values[i + 4] : 0;
            if (horizontal) {
                curve(stack.values[i], 0, stack.values[i + 1], stack.values[i + 2], last, stack.values[i + 3]);
            } else {
                curve(0, stack.values[i], stack.values[i + 1], stack.values[i + 2], stack.values[i + 3], last);
            }
        }
    }

    private void escape(int b) {
        fractions = fractions || b == DIV || b == RANDOM || b == MUL || b == SQRT;
        rules.escaped(b, stack.size, widthTaken);
        switch (b) {
            case DOTSECTION -> stack.size = 0;
            case HFLEX, FLEX, HFLEX1, FLEX1 -> {
                flex(b);
                stack.size = 0;
            }
            default -> stack.arithmetic(b);
        }
    }

    private void flex(int b) {
        double startX = x;
        double startY = y;
        switch (b) {
            case HFLEX -> {
                curve(stack.at(0), 0, stack.at(1), stack.at(2), stack.at(3), 0);
                curve(stack.at(4), 0, stack.at(5), startY - y, stack.at(6), 0);
            }
            case FLEX -> {
                curve(stack.at(0), stack.at(1), stack.at(2), stack.at(3), stack.at(4), stack.at(5));
                curve(stack.at(6), stack.at(7), stack.at(8), stack.at(9), stack.at(10), stack.at(11));
            }
            case HFLEX1 -> {
                curve(stack.at(0), stack.at(1), stack.at(2), stack.at(3), stack.at(4), 0);
                curve(stack.at(5), 0, stack.at(6), stack.at(7), stack.at(8), startY - (y + stack.at(7)));
            }
            default -> {
                double dx = stack.at(0) + stack.at(2) + stack.at(4) + stack.at(6) + stack.at(8);
                double dy = stack.at(1) + stack.at(3) + stack.at(5) + stack.at(7) + stack.at(9);
                boolean wide = Math.abs(dx) > Math.abs(dy);
                curve(stack.at(0), stack.at(1), stack.at(2), stack.at(3), stack.at(4), stack.at(5));
                curve(
                        stack.at(6),
                        stack.at(7),
                        stack.at(8),
                        stack.at(9),
                        wide ? stack.at(10) : startX - x - stack.at(6) - stack.at(8),
                        wide ? startY - y - stack.at(7) - stack.at(9) : stack.at(10));
            }
        }
    }
}
