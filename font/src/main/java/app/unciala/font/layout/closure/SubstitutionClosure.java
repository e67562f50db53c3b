package app.unciala.font.layout.closure;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.ContextReader;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.LayoutTable;
import java.util.BitSet;
import java.util.function.Predicate;

/**
 * The glyphs that {@code GSUB} can make of some glyphs, by the features kept. Contextual lookups are followed where
 * their context can come about, and only for the glyphs that can stand at the place they act on.
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
        for (LayoutTable.Subtable subtable : gsub.subtables(index)) {
            work.spend(1 + active.cardinality());
            ByteView table = subtable.bytes();
            switch (subtable.type()) {
                case 1 -> single(table, active);
                case 2, 3 -> sequences(table, active);
                case 4 -> ligatures(table, active);
                case 5, 6 ->
                    new ContextReader(table, subtable.type() == 6, kept, work)
                            .forEach(snapshot(active), (input, records) -> apply(input, records, depth));
                case 8 -> reverse(table, active);
                default -> throw new FontException("GSUB", -1, "has a lookup of unknown type " + subtable.type());
            }
        }
    }

    /** A lookup that ran on these glyphs, with no glyph added since, has nothing more to give. */
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

    /** Where a lookup has acted before, any glyph can stand; behind one that changes the count of glyphs too. */
    private void apply(BitSet[] input, int[] records, int depth) {
        BitSet open = new BitSet();
        for (int i = 0; i < records.length; i += 2) {
            int position = records[i];
            int lookup = records[i + 1];
            if (position >= input.length || lookup >= gsub.lookupCount()) {
                continue;
            }
            lookup(lookup, open.get(position) ? snapshot(kept) : input[position], depth + 1);
            int type = gsub.subtables(lookup).stream()
                    .mapToInt(LayoutTable.Subtable::type)
                    .findFirst()
                    .orElse(1);
            if (type == 1 || type == 3) {
                open.set(position);
            } else {
                open.set(position, input.length);
            }
        }
    }

    private static BitSet snapshot(BitSet glyphs) {
        return (BitSet) glyphs.clone();
    }

    private void single(ByteView table, BitSet active) {
        int delta = table.i16(4);
        boolean listed = table.u16(0) == 2;
        coverage(table)
                .forEach(
                        snapshot(active),
                        (glyph, index) -> add(listed ? table.u16(6 + 2 * index) : glyph + delta & 0xFFFF));
    }

    private void sequences(ByteView table, BitSet active) {
        coverage(table).forEach(snapshot(active), (glyph, index) -> {
            ByteView sequence = table.from(table.u16(6 + 2 * index));
            for (int i = 0; i < sequence.u16(0); i++) {
                add(sequence.u16(2 + 2 * i));
            }
        });
    }

    private void ligatures(ByteView table, BitSet active) {
        coverage(table).forEach(snapshot(active), (glyph, index) -> {
            ByteView set = table.from(table.u16(6 + 2 * index));
            work.spend(set.u16(0));
            for (int i = 0; i < set.u16(0); i++) {
                ByteView ligature = set.from(set.u16(2 + 2 * i));
                boolean all = true;
                for (int part = 1; part < ligature.u16(2) && all; part++) {
                    all = kept.get(ligature.u16(2 + 2 * part));
                }
                if (all) {
                    add(ligature.u16(0));
                }
            }
        });
    }

    private void reverse(ByteView table, BitSet active) {
        int backtrack = table.u16(4);
        int lookahead = table.u16(6 + 2 * backtrack);
        for (int i = 0; i < backtrack + lookahead; i++) {
            int at = i < backtrack ? 6 + 2 * i : 8 + 2 * i;
            if (Coverage.of(table, table.u16(at), work).in(kept).isEmpty()) {
                return;
            }
        }
        int substitutes = 8 + 2 * backtrack + 2 * lookahead;
        coverage(table).forEach(snapshot(active), (glyph, index) -> add(table.u16(substitutes + 2 + 2 * index)));
    }

    private Coverage coverage(ByteView table) {
        return Coverage.of(table, table.u16(2), work);
    }

    private void add(int glyph) {
        if (glyph < numGlyphs) {
            kept.set(glyph);
        }
    }
}
