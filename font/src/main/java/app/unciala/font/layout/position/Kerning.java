package app.unciala.font.layout.position;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.LayoutTable;
import app.unciala.font.layout.Lookup;
import app.unciala.font.layout.LookupType;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.KernTable;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/** What the pair adjustments of the {@code kern} feature in {@code GPOS}, or else the {@code kern} table, say of two glyphs. */
public final class Kerning {
    private static final Devices NO_DEVICES = Devices.keeping(null, false);

    private final List<List<ByteView>> lookups = new ArrayList<>();
    private final Map<Long, Integer> pairs = new HashMap<>();

    private Kerning() {}

    public static Kerning read(Sfnt face) {
        Kerning kerning = new Kerning();
        face.table("GPOS").map(LayoutTable::of).ifPresent(kerning::readFeature);
        if (kerning.lookups.isEmpty()) {
            KernTable.read(face).ifPresent(kerning::readTable);
        }
        return kerning;
    }

    private void readFeature(LayoutTable gpos) {
        gpos.lookupsOf(gpos.tagged("kern"::equals)).stream().forEach(lookup -> {
            List<ByteView> subtables = gpos.subtables(lookup).stream()
                    .filter(subtable -> subtable.type() == LookupType.PAIR_ADJUSTMENT)
                    .map(Lookup.Subtable::bytes)
                    .toList();
            if (!subtables.isEmpty()) {
                lookups.add(subtables);
            }
        });
    }

    private void readTable(KernTable kern) {
        for (KernTable.Subtable subtable : kern.subtables()) {
            for (int pair = 0; pair < subtable.count(); pair++) {
                pairs.merge(key(subtable.left(pair), subtable.right(pair)), subtable.value(pair), Integer::sum);
            }
        }
    }

    private static long key(int first, int second) {
        return (long) first << 16 | second;
    }

    /** How much nearer or farther the second glyph stands, in font units; each lookup adds what its first match says. */
    public int between(int first, int second) {
        int sum = pairs.getOrDefault(key(first, second), 0);
        for (List<ByteView> subtables : lookups) {
            for (ByteView subtable : subtables) {
                OptionalInt advance = subtable.u16(0) == GlyphPairs.FORMAT
                        ? listed(new GlyphPairs(subtable, new Work("GPOS")), first, second)
                        : byClass(new ClassPairs(subtable, new Work("GPOS")), first, second);
                if (advance.isPresent()) {
                    sum += advance.getAsInt();
                    break;
                }
            }
        }
        return sum;
    }

    private static OptionalInt listed(GlyphPairs table, int first, int second) {
        int index = table.coverage().index(first);
        Optional<GlyphPairs.PairSet> set = index < 0 ? Optional.empty() : table.pairs(index);
        OptionalInt pair = set.map(pairs -> pairs.find(second)).orElse(OptionalInt.empty());
        return pair.isEmpty()
                ? pair
                : OptionalInt.of(
                        set.orElseThrow().first(pair.getAsInt(), NO_DEVICES).xAdvance());
    }

    private static OptionalInt byClass(ClassPairs table, int first, int second) {
        int row = table.firstClasses().classOf(first);
        int column = table.secondClasses().classOf(second);
        boolean there = table.coverage().index(first) >= 0 && row < table.rowCount() && column < table.columnCount();
        return there ? OptionalInt.of(table.first(row, column, NO_DEVICES).xAdvance()) : OptionalInt.empty();
    }
}
