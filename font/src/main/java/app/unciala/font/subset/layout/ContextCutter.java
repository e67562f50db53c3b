package app.unciala.font.subset.layout;

import app.unciala.font.layout.ClassDef;
import app.unciala.font.layout.context.ContextSubtable;
import app.unciala.font.layout.context.CoverageRule;
import app.unciala.font.layout.context.SequenceRule;
import app.unciala.font.layout.packing.Block;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.function.IntUnaryOperator;
import org.jspecify.annotations.Nullable;

/** Cuts a contextual subtable, plain or chained, to the rules whose glyphs are all kept. */
final class ContextCutter {
    private final ContextSubtable table;
    private final Cut cut;
    private final IntUnaryOperator lookups;

    /** {@code lookups} gives a lookup's new number, or -1 when it is gone. */
    ContextCutter(ContextSubtable table, Cut cut, IntUnaryOperator lookups) {
        this.table = table;
        this.cut = cut;
        this.lookups = lookups;
    }

    /** The subtable, or nothing when no rule is left. */
    @Nullable
    Block cut() {
        Block block = new Block().u16(table.format().ordinal() + 1);
        return switch (table.format()) {
            case GLYPHS -> glyphRules(block);
            case CLASSES -> classRules(block);
            case COVERAGES -> coverageRule(block);
        };
    }

    private @Nullable Block glyphRules(Block block) {
        BitSet covered = new BitSet();
        List<Block> sets = new ArrayList<>();
        table.coverage().forEach(cut.glyphs(), (glyph, index) -> {
            Block set = rules(index, cut::after, cut::after, cut::after);
            if (set != null) {
                covered.set(glyph);
                sets.add(set);
            }
        });
        if (sets.isEmpty()) {
            return null;
        }
        block.link(cut.coverage(covered)).u16(sets.size());
        sets.forEach(block::link);
        return block;
    }

    private @Nullable Block classRules(Block block) {
        BitSet covered = cut.covered(table.coverage());
        ClassDef input = table.inputClasses();
        ClassDef backtrack = table.backtrackClasses();
        ClassDef lookahead = table.lookaheadClasses();
        int[] inputNumbers = cut.classNumbers(input);
        int[] backtrackNumbers = cut.classNumbers(backtrack);
        int[] lookaheadNumbers = cut.classNumbers(lookahead);
        BitSet firsts = input.classes(covered);
        Block[] sets = new Block
                [(int) Arrays.stream(inputNumbers).filter(number -> number >= 0).count()];
        boolean any = false;
        for (int of = firsts.nextSetBit(0); of >= 0; of = firsts.nextSetBit(of + 1)) {
            Block set = rules(of, in(backtrackNumbers), in(inputNumbers), in(lookaheadNumbers));
            sets[inputNumbers[of]] = set;
            any |= set != null;
        }
        if (!any) {
            return null;
        }
        block.link(cut.coverage(covered));
        if (table.isChained()) {
            block.link(classes(backtrack, backtrackNumbers));
        }
        block.link(classes(input, inputNumbers));
        if (table.isChained()) {
            block.link(classes(lookahead, lookaheadNumbers));
        }
        block.u16(sets.length);
        for (Block set : sets) {
            block.link(set);
        }
        return block;
    }

    private static IntUnaryOperator in(int[] numbers) {
        return of -> of < numbers.length ? numbers[of] : -1;
    }

    private Block classes(ClassDef classes, int[] numbers) {
        return ClassDef.write(classes.renumbered(cut.glyphs(), cut.map(), numbers));
    }

    private @Nullable Block rules(
            int set, IntUnaryOperator backtrack, IntUnaryOperator input, IntUnaryOperator lookahead) {
        List<Block> rules = new ArrayList<>();
        for (SequenceRule rule : table.rules(set)) {
            int[] backtrackLeft = renumbered(rule.backtrack(), backtrack);
            int[] inputLeft = renumbered(rule.input(), input);
            int[] lookaheadLeft = renumbered(rule.lookahead(), lookahead);
            if (backtrackLeft != null && inputLeft != null && lookaheadLeft != null) {
                SequenceRule left = new SequenceRule(backtrackLeft, inputLeft, lookaheadLeft, records(rule.records()));
                rules.add(left.write(table.isChained()));
            }
        }
        if (rules.isEmpty()) {
            return null;
        }
        Block block = new Block().u16(rules.size());
        rules.forEach(block::link);
        return block;
    }

    /** The sequence under new numbers, or nothing when a position of it is gone. */
    private static int @Nullable [] renumbered(int[] sequence, IntUnaryOperator numbers) {
        int[] renumbered = Arrays.stream(sequence).map(numbers).toArray();
        return Arrays.stream(renumbered).anyMatch(number -> number < 0) ? null : renumbered;
    }

    /** A rule whose lookups are all gone stays: it keeps later rules from matching. */
    private int[] records(int[] records) {
        int[] kept = new int[records.length];
        int size = 0;
        for (int i = 0; i < records.length; i += 2) {
            int lookup = lookups.applyAsInt(records[i + 1]);
            if (lookup >= 0) {
                kept[size++] = records[i];
                kept[size++] = lookup;
            }
        }
        return Arrays.copyOf(kept, size);
    }

    private @Nullable Block coverageRule(Block block) {
        CoverageRule rule = table.coverageRule();
        int[] records = records(rule.records());
        if (!table.isChained()) {
            block.u16(rule.input().length).u16(records.length / 2);
            return coverages(block, rule.input()) ? block.u16s(records) : null;
        }
        for (int[] sequence : new int[][] {rule.backtrack(), rule.input(), rule.lookahead()}) {
            block.u16(sequence.length);
            if (!coverages(block, sequence)) {
                return null;
            }
        }
        return block.u16(records.length / 2).u16s(records);
    }

    /** Writes a coverage for each position, and says whether something is left of each. */
    private boolean coverages(Block block, int[] offsets) {
        for (int offset : offsets) {
            Block coverage = cut.cutCoverage(table.coverage(offset));
            if (coverage == null) {
                return false;
            }
            block.link(coverage);
        }
        return true;
    }
}
