package app.unciala.font.layout;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import java.util.BitSet;
import java.util.function.IntFunction;

/** Goes through the rules of a contextual subtable (formats 1 to 3, plain or chained) that some glyphs can come under. */
public final class ContextReader {
    private static final BitSet NOTHING = new BitSet();

    private final ByteView table;
    private final boolean chained;
    private final BitSet kept;
    private final Work work;

    /** Takes, for each rule that can match, the glyphs that each input position can have and the lookups applied. */
    public interface Visitor {
        void rule(BitSet[] input, int[] records);
    }

    public ContextReader(ByteView table, boolean chained, BitSet kept, Work work) {
        this.table = table;
        this.chained = chained;
        this.kept = kept;
        this.work = work;
    }

    public static boolean isContext(LayoutTable.Subtable subtable, boolean substitutes) {
        return subtable.type() == (substitutes ? 5 : 7) || isChained(subtable, substitutes);
    }

    public static boolean isChained(LayoutTable.Subtable subtable, boolean substitutes) {
        return subtable.type() == (substitutes ? 6 : 8);
    }

    /** The lookups that a subtable applies, whatever the glyphs; none for one that is not contextual. */
    static int[] nested(LayoutTable.Subtable subtable, boolean substitutes) {
        BitSet nested = new BitSet();
        if (isContext(subtable, substitutes)) {
            boolean chained = isChained(subtable, substitutes);
            ContextReader reader = new ContextReader(subtable.bytes(), chained, NOTHING, new Work("layout"));
            reader.forEachRecord(records -> {
                for (int i = 1; i < records.length; i += 2) {
                    nested.set(records[i]);
                }
            });
        }
        return nested.stream().toArray();
    }

    private interface Records {
        void take(int[] records);
    }

    private void forEachRecord(Records taker) {
        if (table.u16(0) == 3) {
            taker.take(CoverageRule.read(table, chained).records());
            return;
        }
        ByteView sets = ruleSets();
        for (int i = 0; i < sets.u16(0); i++) {
            int offset = sets.u16(2 + 2 * i);
            if (offset != 0) {
                ByteView set = table.from(offset);
                for (int j = 0; j < set.u16(0); j++) {
                    work.spend(1);
                    taker.take(SequenceRule.read(set.from(set.u16(2 + 2 * j)), chained)
                            .records());
                }
            }
        }
    }

    /** The array of offsets to rule sets, beginning with its count. */
    private ByteView ruleSets() {
        return table.from(table.u16(0) == 1 ? 4 : chained ? 10 : 6);
    }

    /** {@code active} are the glyphs that the lookup may start at. */
    public void forEach(BitSet active, Visitor visitor) {
        switch (table.u16(0)) {
            case 1 -> glyphRules(active, visitor);
            case 2 -> classRules(active, visitor);
            case 3 -> coverageRule(active, visitor);
            default -> throw new FontException(table.table(), -1, "has a context of unknown format " + table.u16(0));
        }
    }

    private void glyphRules(BitSet active, Visitor visitor) {
        ByteView sets = ruleSets();
        IntFunction<BitSet> same = glyph -> {
            BitSet one = new BitSet();
            if (kept.get(glyph)) {
                one.set(glyph);
            }
            return one;
        };
        Coverage.of(table, table.u16(2), work).forEach(active, (glyph, index) -> {
            BitSet first = new BitSet();
            first.set(glyph);
            rules(sets, index, first, same, same, same, visitor);
        });
    }

    private void classRules(BitSet active, Visitor visitor) {
        BitSet covered = Coverage.of(table, table.u16(2), work).in(active);
        ClassDef inputs = ClassDef.of(table, table.u16(chained ? 6 : 4));
        ClassDef before = chained ? ClassDef.of(table, table.u16(4)) : inputs;
        ClassDef behind = chained ? ClassDef.of(table, table.u16(8)) : inputs;
        IntFunction<BitSet> inputGlyphs = memo(inputs);
        IntFunction<BitSet> beforeGlyphs = memo(before);
        IntFunction<BitSet> behindGlyphs = memo(behind);
        ByteView sets = ruleSets();
        inputs.classes(covered).stream()
                .forEach(of ->
                        rules(sets, of, inputs.members(of, covered), beforeGlyphs, inputGlyphs, behindGlyphs, visitor));
    }

    private IntFunction<BitSet> memo(ClassDef classes) {
        java.util.Map<Integer, BitSet> known = new java.util.HashMap<>();
        return of -> known.computeIfAbsent(of, wanted -> {
            work.spend(kept.cardinality());
            return classes.members(wanted, kept);
        });
    }

    private void rules(
            ByteView sets,
            int index,
            BitSet first,
            IntFunction<BitSet> before,
            IntFunction<BitSet> input,
            IntFunction<BitSet> behind,
            Visitor visitor) {
        int offset = index < sets.u16(0) ? sets.u16(2 + 2 * index) : 0;
        if (offset == 0) {
            return;
        }
        ByteView set = table.from(offset);
        for (int i = 0; i < set.u16(0); i++) {
            SequenceRule rule = SequenceRule.read(set.from(set.u16(2 + 2 * i)), chained);
            work.spend(1 + rule.input().length);
            BitSet[] glyphs = new BitSet[rule.input().length + 1];
            glyphs[0] = first;
            boolean matches = all(rule.backtrack(), before) && all(rule.lookahead(), behind);
            for (int j = 0; j < rule.input().length && matches; j++) {
                glyphs[j + 1] = input.apply(rule.input()[j]);
                matches = !glyphs[j + 1].isEmpty();
            }
            if (matches) {
                visitor.rule(glyphs, rule.records());
            }
        }
    }

    private static boolean all(int[] values, IntFunction<BitSet> glyphs) {
        for (int value : values) {
            if (glyphs.apply(value).isEmpty()) {
                return false;
            }
        }
        return true;
    }

    private void coverageRule(BitSet active, Visitor visitor) {
        CoverageRule rule = CoverageRule.read(table, chained);
        BitSet[] glyphs = new BitSet[rule.input().length];
        for (int i = 0; i < glyphs.length; i++) {
            glyphs[i] = covered(rule.input()[i], i == 0 ? active : kept);
            if (glyphs[i].isEmpty()) {
                return;
            }
        }
        for (int[] around : new int[][] {rule.backtrack(), rule.lookahead()}) {
            for (int offset : around) {
                if (covered(offset, kept).isEmpty()) {
                    return;
                }
            }
        }
        if (glyphs.length > 0) {
            visitor.rule(glyphs, rule.records());
        }
    }

    private BitSet covered(int offset, BitSet among) {
        work.spend(among.cardinality());
        return Coverage.of(table, offset, work).in(among);
    }
}
