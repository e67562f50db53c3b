package app.unciala.font.subset.layout;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.ClassDef;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.CoverageRule;
import app.unciala.font.layout.SequenceRule;
import app.unciala.font.layout.packing.Block;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.function.IntUnaryOperator;
import org.jspecify.annotations.Nullable;

/** Cuts contextual subtables, plain and chained, to the rules whose glyphs are all kept. */
final class ContextCutter {
    private final Cut cut;
    private final IntUnaryOperator lookups;
    private final boolean chained;

    /** {@code lookups} gives a lookup's new number, or -1 when it is gone. */
    ContextCutter(Cut cut, IntUnaryOperator lookups, boolean chained) {
        this.cut = cut;
        this.lookups = lookups;
        this.chained = chained;
    }

    /** The subtable, or nothing when no rule is left. */
    @Nullable
    Block cut(ByteView table) {
        return switch (table.u16(0)) {
            case 1 -> glyphRules(table);
            case 2 -> classRules(table);
            case 3 -> coverageRule(table);
            default -> throw new FontException(table.table(), -1, "has a context of unknown format " + table.u16(0));
        };
    }

    private @Nullable Block glyphRules(ByteView table) {
        BitSet covered = new BitSet();
        List<Block> sets = new ArrayList<>();
        Coverage.of(table, table.u16(2), cut.work()).forEach(cut.glyphs(), (glyph, index) -> {
            int offset = index < table.u16(4) ? table.u16(6 + 2 * index) : 0;
            Block set = offset == 0 ? null : rules(table.from(offset), cut::after, cut::after, cut::after);
            if (set != null) {
                covered.set(glyph);
                sets.add(set);
            }
        });
        if (sets.isEmpty()) {
            return null;
        }
        Block block = new Block().u16(1).link(cut.coverage(covered)).u16(sets.size());
        sets.forEach(block::link);
        return block;
    }

    private @Nullable Block classRules(ByteView table) {
        BitSet covered = cut.covered(table, 2);
        ClassDef inputs = ClassDef.of(table, table.u16(chained ? 6 : 4));
        ClassDef before = chained ? ClassDef.of(table, table.u16(4)) : inputs;
        ClassDef behind = chained ? ClassDef.of(table, table.u16(8)) : inputs;
        int[] inputNames = cut.classNames(inputs);
        int[] beforeNames = chained ? cut.classNames(before) : inputNames;
        int[] behindNames = chained ? cut.classNames(behind) : inputNames;
        BitSet firsts = inputs.classes(covered);
        int setsAt = chained ? 10 : 6;
        Block[] sets = new Block
                [(int) Arrays.stream(inputNames).filter(name -> name >= 0).count()];
        boolean any = false;
        for (int of = firsts.nextSetBit(0); of >= 0; of = firsts.nextSetBit(of + 1)) {
            int offset = of < table.u16(setsAt) ? table.u16(setsAt + 2 + 2 * of) : 0;
            if (offset != 0) {
                Block set = rules(table.from(offset), named(beforeNames), named(inputNames), named(behindNames));
                sets[inputNames[of]] = set;
                any |= set != null;
            }
        }
        if (!any) {
            return null;
        }
        Block block = new Block().u16(2).link(cut.coverage(covered));
        if (chained) {
            block.link(classes(before, beforeNames));
        }
        block.link(classes(inputs, inputNames));
        if (chained) {
            block.link(classes(behind, behindNames));
        }
        block.u16(sets.length);
        for (Block set : sets) {
            block.link(set);
        }
        return block;
    }

    private static IntUnaryOperator named(int[] names) {
        return of -> of < names.length ? names[of] : -1;
    }

    private Block classes(ClassDef classes, int[] names) {
        return ClassDef.write(classes.renamed(cut.glyphs(), cut.map(), names));
    }

    private @Nullable Block rules(
            ByteView set, IntUnaryOperator before, IntUnaryOperator input, IntUnaryOperator behind) {
        List<Block> rules = new ArrayList<>();
        for (int i = 0; i < set.u16(0); i++) {
            SequenceRule rule = SequenceRule.read(set.from(set.u16(2 + 2 * i)), chained);
            cut.work().spend(1 + rule.input().length);
            int[] backtrack = renamed(rule.backtrack(), before);
            int[] inputs = renamed(rule.input(), input);
            int[] lookahead = renamed(rule.lookahead(), behind);
            if (backtrack != null && inputs != null && lookahead != null) {
                rules.add(new SequenceRule(backtrack, inputs, lookahead, records(rule.records())).write(chained));
            }
        }
        if (rules.isEmpty()) {
            return null;
        }
        Block block = new Block().u16(rules.size());
        rules.forEach(block::link);
        return block;
    }

    private static int @Nullable [] renamed(int[] values, IntUnaryOperator names) {
        int[] renamed = new int[values.length];
        for (int i = 0; i < values.length; i++) {
            renamed[i] = names.applyAsInt(values[i]);
            if (renamed[i] < 0) {
                return null;
            }
        }
        return renamed;
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

    private @Nullable Block coverageRule(ByteView table) {
        CoverageRule rule = CoverageRule.read(table, chained);
        Block block = new Block().u16(3);
        int[] records = records(rule.records());
        if (!chained) {
            block.u16(rule.input().length).u16(records.length / 2);
            if (!coverages(block, table, rule.input())) {
                return null;
            }
        } else {
            for (int[] part : new int[][] {rule.backtrack(), rule.input(), rule.lookahead()}) {
                block.u16(part.length);
                if (!coverages(block, table, part)) {
                    return null;
                }
            }
            block.u16(records.length / 2);
        }
        return SequenceRule.put(block, records);
    }

    private boolean coverages(Block block, ByteView table, int[] offsets) {
        for (int offset : offsets) {
            Block coverage = cut.cutCoverage(table, offset);
            if (coverage == null) {
                return false;
            }
            block.link(coverage);
        }
        return true;
    }
}
