package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What the pair adjustments of the {@code kern} feature in {@code GPOS}, or else the {@code kern} table, say of two glyphs. */
public final class Kerning {
    private final List<List<ByteView>> lookups = new ArrayList<>();
    private final Map<Long, Integer> pairs = new HashMap<>();

    private Kerning() {}

    public static Kerning read(Sfnt face) {
        Kerning kerning = new Kerning();
        face.table("GPOS").map(LayoutTable::of).ifPresent(kerning::readFeature);
        if (kerning.lookups.isEmpty()) {
            face.table("kern").ifPresent(kerning::readTable);
        }
        return kerning;
    }

    private void readFeature(LayoutTable gpos) {
        gpos.lookupsOf(gpos.tagged("kern")).stream().forEach(lookup -> {
            List<ByteView> subtables = gpos.subtables(lookup).stream()
                    .filter(subtable -> subtable.type() == 2)
                    .map(LayoutTable.Subtable::bytes)
                    .toList();
            if (!subtables.isEmpty()) {
                lookups.add(subtables);
            }
        });
    }

    private void readTable(ByteView kern) {
        if (kern.u16(0) != 0) {
            return;
        }
        int at = 4;
        for (int i = 0; i < kern.u16(2) && at + 14 <= kern.length() && kern.u8(at + 4) == 0; i++) {
            int count = kern.u16(at + 6);
            for (int pair = 0; pair < count; pair++) {
                int record = at + 14 + 6 * pair;
                pairs.merge((long) kern.u16(record) << 16 | kern.u16(record + 2), kern.i16(record + 4), Integer::sum);
            }
            at += 14 + 6 * count;
        }
    }

    /** How much nearer or farther the second glyph stands, in font units; each lookup adds what its first match says. */
    public int between(int first, int second) {
        int sum = pairs.getOrDefault((long) first << 16 | second, 0);
        for (List<ByteView> subtables : lookups) {
            for (ByteView subtable : subtables) {
                int index =
                        Coverage.of(subtable, subtable.u16(2), new Work("GPOS")).index(first);
                if (index >= 0) {
                    int at = subtable.u16(0) == 1 ? listed(subtable, index, second) : byClass(subtable, first, second);
                    if (at >= 0) {
                        sum += advance(subtable, at);
                        break;
                    }
                }
            }
        }
        return sum;
    }

    /** Where the value record of a pair stands, or -1 where the pair is not listed. */
    private static int listed(ByteView subtable, int index, int second) {
        if (index >= subtable.u16(8)) {
            return -1;
        }
        int set = subtable.u16(10 + 2 * index);
        int size = 2 + ValueRecord.size(subtable.u16(4)) + ValueRecord.size(subtable.u16(6));
        int low = 0;
        int high = subtable.u16(set) - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            int glyph = subtable.u16(set + 2 + size * middle);
            if (glyph == second) {
                return set + 4 + size * middle;
            }
            if (glyph < second) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return -1;
    }

    private static int byClass(ByteView subtable, int first, int second) {
        int row = ClassDef.of(subtable, subtable.u16(8)).classOf(first);
        int column = ClassDef.of(subtable, subtable.u16(10)).classOf(second);
        int columns = subtable.u16(14);
        if (row >= subtable.u16(12) || column >= columns) {
            return -1;
        }
        return 16 + (row * columns + column) * (ValueRecord.size(subtable.u16(4)) + ValueRecord.size(subtable.u16(6)));
    }

    /** The x advance of the first glyph's value record. */
    private static int advance(ByteView subtable, int at) {
        int format = subtable.u16(4);
        return (format & 4) == 0 ? 0 : subtable.i16(at + ValueRecord.size(format & 3));
    }
}
