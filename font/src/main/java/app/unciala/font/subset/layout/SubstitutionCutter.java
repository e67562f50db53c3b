package app.unciala.font.subset.layout;

import app.unciala.font.layout.Lookup;
import app.unciala.font.layout.packing.Block;
import app.unciala.font.layout.substitution.LigatureSubstitution;
import app.unciala.font.layout.substitution.LigatureSubstitution.Ligature;
import app.unciala.font.layout.substitution.ReverseSubstitution;
import app.unciala.font.layout.substitution.SequenceSubstitution;
import app.unciala.font.layout.substitution.SingleSubstitution;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** Cuts the subtables of {@code GSUB} that are not contextual (OpenType 1.9, "GSUB", lookup types 1 to 4 and 8). */
final class SubstitutionCutter {
    /** The only format of all but single substitutions. */
    private static final int FORMAT = 1;

    private final Cut cut;

    SubstitutionCutter(Cut cut) {
        this.cut = cut;
    }

    /** The subtable, or nothing when it substitutes nothing any more. */
    @Nullable
    Block cut(Lookup.Subtable subtable) {
        return switch (subtable.type()) {
            case SINGLE_SUBSTITUTION -> single(new SingleSubstitution(subtable.bytes(), cut.work()));
            case MULTIPLE_SUBSTITUTION -> sequences(new SequenceSubstitution(subtable.bytes(), cut.work()), false);
            case ALTERNATE_SUBSTITUTION -> sequences(new SequenceSubstitution(subtable.bytes(), cut.work()), true);
            case LIGATURE_SUBSTITUTION -> ligatures(new LigatureSubstitution(subtable.bytes(), cut.work()));
            case REVERSE_CHAINED_SUBSTITUTION -> reverse(ReverseSubstitution.read(subtable.bytes(), cut.work()));
            default -> throw new IllegalArgumentException(subtable.type() + " is no substitution");
        };
    }

    /** By a difference where all substitutes are equally far from their glyphs, else listed. */
    private @Nullable Block single(SingleSubstitution table) {
        BitSet covered = new BitSet();
        SortedMap<Integer, Integer> substitutes = new TreeMap<>();
        table.coverage().forEach(cut.glyphs(), (glyph, index) -> {
            int after = cut.after(table.substitute(glyph, index));
            if (after >= 0) {
                covered.set(glyph);
                substitutes.put(cut.after(glyph), after);
            }
        });
        if (substitutes.isEmpty()) {
            return null;
        }
        List<Integer> differences = substitutes.entrySet().stream()
                .map(entry -> entry.getValue() - entry.getKey())
                .distinct()
                .toList();
        Block coverage = cut.coverage(covered);
        if (differences.size() == 1) {
            return new Block()
                    .u16(SingleSubstitution.BY_DIFFERENCE)
                    .link(coverage)
                    .u16(differences.get(0));
        }
        Block block = new Block().u16(SingleSubstitution.LISTED).link(coverage).u16(substitutes.size());
        substitutes.values().forEach(block::u16);
        return block;
    }

    /** A multiple substitution needs all its glyphs; alternates are chosen from what is left. */
    private @Nullable Block sequences(SequenceSubstitution table, boolean alternates) {
        BitSet covered = new BitSet();
        List<Block> sets = new ArrayList<>();
        table.coverage().forEach(cut.glyphs(), (glyph, index) -> {
            int[] glyphs = table.glyphs(index);
            int[] kept = Arrays.stream(glyphs)
                    .map(cut::after)
                    .filter(after -> after >= 0)
                    .toArray();
            if (alternates ? kept.length > 0 : kept.length == glyphs.length) {
                covered.set(glyph);
                sets.add(new Block().u16(kept.length).u16s(kept));
            }
        });
        return withSets(covered, sets);
    }

    private @Nullable Block ligatures(LigatureSubstitution table) {
        BitSet covered = new BitSet();
        List<Block> sets = new ArrayList<>();
        table.coverage().forEach(cut.glyphs(), (glyph, index) -> {
            List<Block> kept = new ArrayList<>();
            for (Ligature ligature : table.ligatures(index)) {
                int[] components =
                        Arrays.stream(ligature.components()).map(cut::after).toArray();
                int after = cut.after(ligature.glyph());
                if (after >= 0 && Arrays.stream(components).allMatch(component -> component >= 0)) {
                    kept.add(new Block().u16(after).u16(components.length + 1).u16s(components));
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

    private @Nullable Block withSets(BitSet covered, List<Block> sets) {
        if (sets.isEmpty()) {
            return null;
        }
        Block block = new Block().u16(FORMAT).link(cut.coverage(covered)).u16(sets.size());
        sets.forEach(block::link);
        return block;
    }

    private @Nullable Block reverse(ReverseSubstitution table) {
        BitSet covered = new BitSet();
        List<Integer> substitutes = new ArrayList<>();
        table.coverage().forEach(cut.glyphs(), (glyph, index) -> {
            int after = cut.after(table.substitute(index));
            if (after >= 0) {
                covered.set(glyph);
                substitutes.add(after);
            }
        });
        if (substitutes.isEmpty()) {
            return null;
        }
        Block block = new Block().u16(FORMAT).link(cut.coverage(covered));
        for (int[] around : new int[][] {table.backtrack(), table.lookahead()}) {
            block.u16(around.length);
            for (int offset : around) {
                Block coverage = cut.cutCoverage(table.coverage(offset));
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
}
