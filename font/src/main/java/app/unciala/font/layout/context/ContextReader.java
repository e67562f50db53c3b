package app.unciala.font.layout.context;

import app.unciala.font.bytes.Work;
import app.unciala.font.layout.ClassDef;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.function.IntFunction;

/** Goes through the rules of a contextual subtable that text of some glyphs can match. */
public final class ContextReader {
    private final ContextSubtable subtable;
    private final BitSet kept;
    private final Work work;

    /** Takes, for each rule that can match, the glyphs that each input position can have and the lookups applied. */
    public interface Visitor {
        void rule(BitSet[] input, int[] records);
    }

    /** {@code kept} are all glyphs that text can have. */
    public ContextReader(ContextSubtable subtable, BitSet kept, Work work) {
        this.subtable = subtable;
        this.kept = kept;
        this.work = work;
    }

    /** {@code active} are the glyphs that the lookup may start at. */
    public void forEach(BitSet active, Visitor visitor) {
        switch (subtable.format()) {
            case GLYPHS -> glyphRules(active, visitor);
            case CLASSES -> classRules(active, visitor);
            case COVERAGES -> coverageRule(active, visitor);
        }
    }

    private void glyphRules(BitSet active, Visitor visitor) {
        IntFunction<BitSet> same = glyph -> {
            BitSet one = new BitSet();
            if (kept.get(glyph)) {
                one.set(glyph);
            }
            return one;
        };
        subtable.coverage().forEach(active, (glyph, index) -> {
            BitSet first = new BitSet();
            first.set(glyph);
            rules(index, first, same, same, same, visitor);
        });
    }

    private void classRules(BitSet active, Visitor visitor) {
        BitSet covered = subtable.coverage().in(active);
        ClassDef inputs = subtable.inputClasses();
        IntFunction<BitSet> backtrack = members(subtable.backtrackClasses());
        IntFunction<BitSet> input = members(inputs);
        IntFunction<BitSet> lookahead = members(subtable.lookaheadClasses());
        inputs.classes(covered).stream()
                .forEach(of -> rules(of, inputs.members(of, covered), backtrack, input, lookahead, visitor));
    }

    /** The kept glyphs of a class, which are looked for once. */
    private IntFunction<BitSet> members(ClassDef classes) {
        Map<Integer, BitSet> known = new HashMap<>();
        return of -> known.computeIfAbsent(of, wanted -> {
            work.spend(kept.cardinality());
            return classes.members(wanted, kept);
        });
    }

    private void rules(
            int set,
            BitSet first,
            IntFunction<BitSet> backtrack,
            IntFunction<BitSet> input,
            IntFunction<BitSet> lookahead,
            Visitor visitor) {
        for (SequenceRule rule : subtable.rules(set)) {
            BitSet[] glyphs = new BitSet[rule.input().length + 1];
            glyphs[0] = first;
            boolean matches = haveAll(rule.backtrack(), backtrack) && haveAll(rule.lookahead(), lookahead);
            for (int i = 0; i < rule.input().length && matches; i++) {
                glyphs[i + 1] = input.apply(rule.input()[i]);
                matches = !glyphs[i + 1].isEmpty();
            }
            if (matches) {
                visitor.rule(glyphs, rule.records());
            }
        }
    }

    private static boolean haveAll(int[] sequence, IntFunction<BitSet> glyphs) {
        for (int position : sequence) {
            if (glyphs.apply(position).isEmpty()) {
                return false;
            }
        }
        return true;
    }

    private void coverageRule(BitSet active, Visitor visitor) {
        CoverageRule rule = subtable.coverageRule();
        BitSet[] glyphs = new BitSet[rule.input().length];
        for (int i = 0; i < glyphs.length; i++) {
            glyphs[i] = covered(rule.input()[i], i == 0 ? active : kept);
            if (glyphs[i].isEmpty()) {
                return;
            }
        }
        IntFunction<BitSet> around = offset -> covered(offset, kept);
        if (glyphs.length > 0 && haveAll(rule.backtrack(), around) && haveAll(rule.lookahead(), around)) {
            visitor.rule(glyphs, rule.records());
        }
    }

    private BitSet covered(int offset, BitSet among) {
        work.spend(among.cardinality());
        return subtable.coverage(offset).in(among);
    }
}
