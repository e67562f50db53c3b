package app.unciala.font.subset.layout;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.LayoutTable;
import app.unciala.font.layout.SequenceRule;
import app.unciala.font.layout.packing.Block;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** Cuts the subtables of {@code GSUB} that are not contextual (OpenType 1.9, "GSUB", lookup types 1 to 4 and 8). */
final class SubstitutionCutter {
    private final Cut cut;

    SubstitutionCutter(Cut cut) {
        this.cut = cut;
    }

    /** The subtable, or nothing when it substitutes nothing any more. */
    @Nullable
    Block cut(LayoutTable.Subtable subtable) {
        ByteView table = subtable.bytes();
        return switch (subtable.type()) {
            case 1 -> single(table);
            case 2 -> sequences(table, false);
            case 3 -> sequences(table, true);
            case 4 -> ligatures(table);
            case 8 -> reverse(table);
            default -> throw new FontException("GSUB", -1, "has a lookup of unknown type " + subtable.type());
        };
    }

    /** Format 1 where all substitutes are equally far from their glyphs, else format 2. */
    private @Nullable Block single(ByteView table) {
        boolean listed = table.u16(0) == 2;
        int delta = table.i16(4);
        BitSet covered = new BitSet();
        SortedMap<Integer, Integer> substitutes = new TreeMap<>();
        coverage(table).forEach(cut.glyphs(), (glyph, index) -> {
            int after = cut.after(listed ? table.u16(6 + 2 * index) : glyph + delta & 0xFFFF);
            if (after >= 0) {
                covered.set(glyph);
                substitutes.put(cut.after(glyph), after);
            }
        });
        if (substitutes.isEmpty()) {
            return null;
        }
        List<Integer> deltas = substitutes.entrySet().stream()
                .map(entry -> entry.getValue() - entry.getKey())
                .distinct()
                .toList();
        boolean even = deltas.size() == 1;
        Block block = new Block().u16(even ? 1 : 2).link(cut.coverage(covered));
        if (even) {
            return block.u16(deltas.get(0));
        }
        block.u16(substitutes.size());
        substitutes.values().forEach(block::u16);
        return block;
    }

    /** A multiple substitution needs all its glyphs; alternates are chosen from what is left. */
    private @Nullable Block sequences(ByteView table, boolean alternates) {
        BitSet covered = new BitSet();
        List<Block> sets = new ArrayList<>();
        coverage(table).forEach(cut.glyphs(), (glyph, index) -> {
            ByteView sequence = table.from(table.u16(6 + 2 * index));
            int count = sequence.u16(0);
            List<Integer> kept = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                int after = cut.after(sequence.u16(2 + 2 * i));
                if (after >= 0) {
                    kept.add(after);
                }
            }
            if (alternates ? !kept.isEmpty() : kept.size() == count) {
                covered.set(glyph);
                Block set = new Block().u16(kept.size());
                kept.forEach(set::u16);
                sets.add(set);
            }
        });
        return withSets(covered, sets);
    }

    private @Nullable Block ligatures(ByteView table) {
        BitSet covered = new BitSet();
        List<Block> sets = new ArrayList<>();
        coverage(table).forEach(cut.glyphs(), (glyph, index) -> {
            ByteView set = table.from(table.u16(6 + 2 * index));
            cut.work().spend(set.u16(0));
            List<Block> kept = new ArrayList<>();
            for (int i = 0; i < set.u16(0); i++) {
                Block ligature = ligature(set.from(set.u16(2 + 2 * i)));
                if (ligature != null) {
                    kept.add(ligature);
                }
            }
            if (!kept.isEmpty()) {
                covered.set(glyph);
                Block block = new Block().u16(kept.size());
                kept.forEach(block::link);
                sets.add(block);
            }
        });
        return withSets(covered, sets);
    }

    private @Nullable Block ligature(ByteView ligature) {
        int after = cut.after(ligature.u16(0));
        int count = ligature.u16(2);
        Block block = new Block().u16(Math.max(after, 0)).u16(count);
        for (int part = 1; part < count && after >= 0; part++) {
            int component = cut.after(ligature.u16(2 + 2 * part));
            block.u16(Math.max(component, 0));
            after = component < 0 ? -1 : after;
        }
        return after < 0 ? null : block;
    }

    private @Nullable Block withSets(BitSet covered, List<Block> sets) {
        if (sets.isEmpty()) {
            return null;
        }
        Block block = new Block().u16(1).link(cut.coverage(covered)).u16(sets.size());
        sets.forEach(block::link);
        return block;
    }

    private @Nullable Block reverse(ByteView table) {
        int[] backtrack = SequenceRule.numbers(table, 6, table.u16(4));
        int at = 6 + 2 * backtrack.length;
        int[] lookahead = SequenceRule.numbers(table, at + 2, table.u16(at));
        at += 4 + 2 * lookahead.length;
        int substitutesAt = at;
        BitSet covered = new BitSet();
        List<Integer> substitutes = new ArrayList<>();
        coverage(table).forEach(cut.glyphs(), (glyph, index) -> {
            int after = cut.after(table.u16(substitutesAt + 2 * index));
            if (after >= 0) {
                covered.set(glyph);
                substitutes.add(after);
            }
        });
        if (substitutes.isEmpty()) {
            return null;
        }
        Block block = new Block().u16(1).link(cut.coverage(covered));
        for (int[] around : new int[][] {backtrack, lookahead}) {
            block.u16(around.length);
            for (int offset : around) {
                Block coverage = cut.cutCoverage(table, offset);
                if (coverage == null) {
                    return null;
                }
                block.link(coverage);
            }
        }
        block.u16(substitutes.size());
        substitutes.forEach(block::u16);
        return block;
    }

    private Coverage coverage(ByteView table) {
        return Coverage.of(table, table.u16(2), cut.work());
    }
}
