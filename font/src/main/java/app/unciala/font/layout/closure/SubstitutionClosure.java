package app.unciala.font.layout.closure;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.LayoutTable;
import app.unciala.font.layout.Lookup;
import app.unciala.font.layout.LookupType;
import app.unciala.font.layout.context.ContextReader;
import app.unciala.font.layout.context.ContextSubtable;
import app.unciala.font.layout.substitution.LigatureSubstitution;
import app.unciala.font.layout.substitution.ReverseSubstitution;
import app.unciala.font.layout.substitution.SequenceSubstitution;
import app.unciala.font.layout.substitution.SingleSubstitution;
import java.util.Arrays;
import java.util.BitSet;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/**
 * The glyphs that {@code GSUB} can make of some glyphs, by the features kept. Contextual lookups are followed where
 * kept glyphs can match their context, and only for the glyphs that can stand at the position they are applied to.
 */
public final class SubstitutionClosure {
    private static final int MAX_DEPTH = 16;

    private final LayoutTable gsub;
    private final int numGlyphs;
    private final BitSet kept;
    private final Work work = new Work("GSUB");
    private final BitSet[] done;
    private final int[] doneAt;

    private SubstitutionClosure(LayoutTable gsub, BitSet kept, int numGlyphs) {
        this.gsub = gsub;
        this.kept = kept;
        this.numGlyphs = numGlyphs;
        done = new BitSet[gsub.lookupCount()];
        doneAt = new int[gsub.lookupCount()];
    }

    /** Adds to {@code kept} what the features with a wanted tag make of it. */
    public static void extend(BitSet kept, ByteView gsub, Predicate<String> features, int numGlyphs) {
        LayoutTable table = LayoutTable.of(gsub);
        SubstitutionClosure closure = new SubstitutionClosure(table, kept, numGlyphs);
        BitSet started = table.lookupsOf(table.features(features));
        int before;
        do {
            before = kept.cardinality();
            started.stream().forEach(lookup -> closure.lookup(lookup, kept, 0));
        } while (kept.cardinality() > before);
    }

    private void lookup(int index, BitSet active, int depth) {
        if (depth > MAX_DEPTH || index >= done.length || isDone(index, active)) {
            return;
        }
        for (Lookup.Subtable subtable : gsub.subtables(index)) {
            work.spend(1 + active.cardinality());
            ByteView table = subtable.bytes();
            switch (subtable.type()) {
                case SINGLE_SUBSTITUTION -> single(new SingleSubstitution(table, work), active);
                case MULTIPLE_SUBSTITUTION, ALTERNATE_SUBSTITUTION ->
                    sequences(new SequenceSubstitution(table, work), active);
                case LIGATURE_SUBSTITUTION -> ligatures(new LigatureSubstitution(table, work), active);
                case CONTEXT, CHAINED_CONTEXT ->
                    new ContextReader(ContextSubtable.read(subtable, work), kept, work)
                            .forEach(snapshot(active), (input, records) -> apply(input, records, depth));
                case REVERSE_CHAINED_SUBSTITUTION -> reverse(ReverseSubstitution.read(table, work), active);
                default -> throw new IllegalStateException("GSUB has no lookup of the type " + subtable.type());
            }
        }
    }

    /** Whether a lookup ran on these glyphs before and no glyph was added since, so that it would add nothing. */
    private boolean isDone(int index, BitSet active) {
        BitSet ran = done[index];
        int size = kept.cardinality();
        if (ran == null || doneAt[index] != size) {
            ran = new BitSet();
            done[index] = ran;
            doneAt[index] = size;
        }
        BitSet rest = snapshot(active);
        rest.andNot(ran);
        ran.or(active);
        return rest.isEmpty();
    }

    /**
     * Applies the lookups of a rule. Where one was applied before, any kept glyph can stand; and after one that can change
     * the number of glyphs, at every later position too.
     */
    private void apply(BitSet[] input, int[] records, int depth) {
        BitSet open = new BitSet();
        for (int i = 0; i < records.length; i += 2) {
            int position = records[i];
            int lookup = records[i + 1];
            if (position >= input.length || lookup >= gsub.lookupCount()) {
                continue;
            }
            lookup(lookup, open.get(position) ? snapshot(kept) : input[position], depth + 1);
            LookupType type = gsub.subtables(lookup).stream()
                    .map(Lookup.Subtable::type)
                    .findFirst()
                    .orElse(LookupType.SINGLE_SUBSTITUTION);
            if (type == LookupType.SINGLE_SUBSTITUTION || type == LookupType.ALTERNATE_SUBSTITUTION) {
                open.set(position);
            } else {
                open.set(position, input.length);
            }
        }
    }

    private static BitSet snapshot(BitSet glyphs) {
        return (BitSet) glyphs.clone();
    }

    private void single(SingleSubstitution table, BitSet active) {
        table.coverage().forEach(snapshot(active), (glyph, index) -> add(table.substitute(glyph, index)));
    }

    private void sequences(SequenceSubstitution table, BitSet active) {
        table.coverage().forEach(snapshot(active), (glyph, index) -> {
            for (int substitute : table.glyphs(index)) {
                add(substitute);
            }
        });
    }

    private void ligatures(LigatureSubstitution table, BitSet active) {
        table.coverage().forEach(snapshot(active), (glyph, index) -> {
            for (LigatureSubstitution.Ligature ligature : table.ligatures(index)) {
                if (Arrays.stream(ligature.components()).allMatch(kept::get)) {
                    add(ligature.glyph());
                }
            }
        });
    }

    private void reverse(ReverseSubstitution table, BitSet active) {
        boolean mayMatch = IntStream.concat(Arrays.stream(table.backtrack()), Arrays.stream(table.lookahead()))
                .noneMatch(offset -> table.coverage(offset).in(kept).isEmpty());
        if (mayMatch) {
            table.coverage().forEach(snapshot(active), (glyph, index) -> {
                if (table.substitute(index) >= 0) {
                    add(table.substitute(index));
                }
            });
        }
    }

    private void add(int glyph) {
        if (glyph < numGlyphs) {
            kept.set(glyph);
        }
    }
}
