package app.unciala.font.cff;

import static app.unciala.font.cff.CharStringOperators.FLEX;
import static app.unciala.font.cff.CharStringOperators.FLEX1;
import static app.unciala.font.cff.CharStringOperators.HFLEX;
import static app.unciala.font.cff.CharStringOperators.HFLEX1;
import static app.unciala.font.cff.CharStringOperators.HHCURVETO;
import static app.unciala.font.cff.CharStringOperators.HLINETO;
import static app.unciala.font.cff.CharStringOperators.HMOVETO;
import static app.unciala.font.cff.CharStringOperators.HSTEM;
import static app.unciala.font.cff.CharStringOperators.HSTEMHM;
import static app.unciala.font.cff.CharStringOperators.HVCURVETO;
import static app.unciala.font.cff.CharStringOperators.RANDOM;
import static app.unciala.font.cff.CharStringOperators.RCURVELINE;
import static app.unciala.font.cff.CharStringOperators.RLINECURVE;
import static app.unciala.font.cff.CharStringOperators.RLINETO;
import static app.unciala.font.cff.CharStringOperators.RMOVETO;
import static app.unciala.font.cff.CharStringOperators.RRCURVETO;
import static app.unciala.font.cff.CharStringOperators.VHCURVETO;
import static app.unciala.font.cff.CharStringOperators.VLINETO;
import static app.unciala.font.cff.CharStringOperators.VMOVETO;
import static app.unciala.font.cff.CharStringOperators.VSTEM;
import static app.unciala.font.cff.CharStringOperators.VSTEMHM;
import static app.unciala.font.cff.CharStringOperators.VVCURVETO;

import java.util.Map;
import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;

/**
 * The demands on Type 2 charstrings (Technical Note 5177, section 4 and appendix B) by which sanitizers of browsers refuse
 * a font, though what it draws can be told. Holds for {@code CFF }; those of CFF2 are others.
 */
final class CharStringRules {
    private static final int MAX_OPERANDS = 48;
    private static final int MAX_STEMS = 96;

    /** An operator that draws, and how many operands it may have. */
    private record Path(String name, IntPredicate operands) {}

    private static final Map<Integer, Path> PATHS = Map.of(
            RLINETO, new Path("rlineto", count -> count >= 2 && count % 2 == 0),
            HLINETO, new Path("hlineto", count -> count >= 1),
            VLINETO, new Path("vlineto", count -> count >= 1),
            RRCURVETO, new Path("rrcurveto", count -> count >= 6 && count % 6 == 0),
            RCURVELINE, new Path("rcurveline", count -> count >= 8 && count % 6 == 2),
            RLINECURVE, new Path("rlinecurve", count -> count >= 8 && count % 2 == 0),
            VVCURVETO, new Path("vvcurveto", CharStringRules::isFours),
            HHCURVETO, new Path("hhcurveto", CharStringRules::isFours),
            VHCURVETO, new Path("vhcurveto", CharStringRules::isFours),
            HVCURVETO, new Path("hvcurveto", CharStringRules::isFours));

    /** Those after {@code ESCAPE}. */
    private static final Map<Integer, Path> FLEXES = Map.of(
            HFLEX, new Path("hflex", count -> count == 7),
            FLEX, new Path("flex", count -> count == 13),
            HFLEX1, new Path("hflex1", count -> count == 9),
            FLEX1, new Path("flex1", count -> count == 11));

    private String breach = "";

    /** Fours, and one more for the first or the last of the curves. */
    private static boolean isFours(int count) {
        return count >= 4 && count % 4 <= 1;
    }

    /** What a charstring breaks first since it was begun; empty while it breaks nothing. */
    String breach() {
        return breach;
    }

    void begin() {
        breach = "";
    }

    void operands(int count) {
        if (count > MAX_OPERANDS) {
            broken("puts more than " + MAX_OPERANDS + " operands on the stack");
        }
    }

    /**
     * An operator is about to be carried out.
     *
     * @param moved whether anything was before that takes the width, as a first move or hint does
     */
    void operator(int b, int count, boolean moved) {
        switch (b) {
            case HSTEM, VSTEM, HSTEMHM, VSTEMHM -> {
                if (count < 2 || (moved && count % 2 == 1)) {
                    broken("gives an operator for stem hints " + count + " operands");
                }
            }
            case RMOVETO -> move("rmoveto", 2, count, moved);
            case HMOVETO -> move("hmoveto", 1, count, moved);
            case VMOVETO -> move("vmoveto", 1, count, moved);
            default -> path(PATHS.get(b), count, moved);
        }
    }

    /** An operator after {@code ESCAPE} is about to be carried out. */
    void escaped(int b, int count, boolean moved) {
        path(FLEXES.get(b), count, moved);
        if (b == RANDOM) {
            broken("draws at random");
        }
    }

    private void move(String name, int wanted, int count, boolean moved) {
        if (count != wanted && (moved || count != wanted + 1)) {
            broken("gives " + name + " " + count + " operands");
        }
    }

    private void path(@Nullable Path path, int count, boolean moved) {
        if (path == null) {
            return;
        }
        if (!path.operands().test(count)) {
            broken("gives " + path.name() + " " + count + " operands");
        } else if (!moved) {
            broken("draws before it moves to a point");
        }
    }

    /** A mask of hints, whose stems may stand before it without an operator of their own. */
    void mask(int count, int stems, boolean moved) {
        if (moved && count % 2 == 1) {
            broken("gives an operator for stem hints " + count + " operands");
        } else if (stems == 0) {
            broken("has a mask of hints without any");
        }
        stems(stems);
    }

    void stems(int stems) {
        if (stems > MAX_STEMS) {
            broken("has more than " + MAX_STEMS + " stem hints");
        }
    }

    void end(boolean ended) {
        if (!ended) {
            broken("does not end with endchar");
        }
    }

    private void broken(String how) {
        if (breach.isEmpty()) {
            breach = how;
        }
    }
}
