package app.unciala.font.variation;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.function.IntUnaryOperator;

/** {@code HVAR} or {@code VVAR} (OpenType 1.9): how advances and side bearings vary, glyph by glyph. */
public final class MetricsVariation {
    /** The places of the maps of glyphs to deltas, in the order of the table. */
    private static final int ADVANCES = 0;

    private static final int VERTICAL_ORIGINS = 3;

    private final ByteView table;
    private final ItemVariationStore store;
    private final int mapCount;

    private MetricsVariation(ByteView table) {
        this.table = table;
        store = ItemVariationStore.read(table.from(table.offset32(4)));
        mapCount = table.table().equals("VVAR") ? 4 : 3;
    }

    public static MetricsVariation read(ByteView table) {
        return new MetricsVariation(table);
    }

    /** What the glyph's advance gains at a location, in font units, not rounded. */
    public double advanceDelta(int glyph, Location location) {
        return delta(ADVANCES, glyph, location);
    }

    /** What the origin of a glyph in vertical text gains in height at a location; nothing where only advances vary. */
    public double verticalOriginDelta(int glyph, Location location) {
        return mapCount > VERTICAL_ORIGINS ? delta(VERTICAL_ORIGINS, glyph, location) : 0;
    }

    private double delta(int map, int glyph, Location location) {
        int row = row(map, glyph);
        return row == -1 ? 0 : store.delta(row >>> 16, row & 0xFFFF, location);
    }

    /**
     * Advances of all glyphs as they are at a location, rounded to font units; without the table, as they were.
     *
     * @param tag {@code HVAR}, or {@code VVAR} for the advances of vertical text
     */
    public static int[] advancesAt(Sfnt face, String tag, Location location, int[] advances) {
        int[] varied = advances.clone();
        face.table(tag).map(MetricsVariation::read).ifPresent(variation -> {
            for (int glyph = 0; glyph < varied.length; glyph++) {
                varied[glyph] += (int) Math.round(variation.advanceDelta(glyph, location));
            }
        });
        return varied;
    }

    /** Set and row of a glyph; without a map, the advances are the rows of the first set in glyph order. */
    private int row(int map, int glyph) {
        long offset = table.u32(8 + 4 * map);
        if (offset == 0) {
            return map == ADVANCES ? glyph : -1;
        }
        ByteView bytes = table.from(table.offset32(8 + 4 * map));
        int format = bytes.u8(0);
        int entryFormat = bytes.u8(1);
        if (format > 1) {
            throw new FontException(table.table(), -1, "maps glyphs to deltas in the unknown format " + format);
        }
        long count = format == 0 ? bytes.u16(2) : bytes.u32(2);
        if (count == 0) {
            return -1;
        }
        int size = (entryFormat >> 4 & 3) + 1;
        int innerBits = (entryFormat & 15) + 1;
        int at = (format == 0 ? 4 : 6) + size * (int) Math.min(glyph, count - 1);
        long entry = 0;
        for (int i = 0; i < size; i++) {
            entry = entry << 8 | bytes.u8(at + i);
        }
        return (int) (entry >> innerBits) << 16 | (int) (entry & (1L << innerBits) - 1);
    }

    /** The table for {@code count} glyphs, of which glyph i was {@code before(i)}; maps stay maps. */
    public byte[] cut(int count, IntUnaryOperator before) {
        VariationStoreCut cut = new VariationStoreCut(store);
        int[][] rows = new int[mapCount][];
        for (int map = 0; map < mapCount; map++) {
            boolean mapped = table.u32(8 + 4 * map) != 0;
            if (mapped || map == 0) {
                rows[map] = new int[count];
                for (int glyph = 0; glyph < count; glyph++) {
                    int row = row(map, before.applyAsInt(glyph));
                    int used = row == -1 ? -1 : cut.use(row >>> 16, row & 0xFFFF);
                    rows[map][glyph] = used;
                }
            }
        }
        boolean implicit = table.u32(8) == 0 && inOrder(rows[0]);
        byte[] written = cut.write();
        ByteSink out = new ByteSink(written.length + 64).u32(0x00010000).u32(8 + 4 * mapCount);
        int at = 8 + 4 * mapCount + written.length;
        ByteSink maps = new ByteSink();
        for (int map = 0; map < mapCount; map++) {
            if (rows[map] == null || (map == 0 && implicit)) {
                out.u32(0);
            } else {
                out.u32(at + maps.size());
                maps.bytes(map(rows[map]));
            }
        }
        return out.bytes(written).bytes(maps).toArray();
    }

    private static boolean inOrder(int[] rows) {
        for (int glyph = 0; glyph < rows.length; glyph++) {
            if (rows[glyph] != glyph) {
                return false;
            }
        }
        return true;
    }

    /** DeltaSetIndexMap: entries as narrow as they go; glyphs past the last entry share it. */
    private static byte[] map(int[] rows) {
        int outer = 0;
        int inner = 0;
        for (int row : rows) {
            outer |= row >>> 16;
            inner |= row & 0xFFFF;
        }
        int innerBits = Math.max(1, 32 - Integer.numberOfLeadingZeros(inner));
        int outerBits = 32 - Integer.numberOfLeadingZeros(outer);
        int size = Math.max(1, (innerBits + outerBits + 7) / 8);
        int count = rows.length;
        while (count > 1 && rows[count - 2] == rows[count - 1]) {
            count--;
        }
        ByteSink out = new ByteSink(size * count + 4)
                .u8(0)
                .u8((size - 1) << 4 | innerBits - 1)
                .u16(count);
        for (int i = 0; i < count; i++) {
            long entry = (long) (rows[i] >>> 16) << innerBits | (rows[i] & 0xFFFF);
            for (int shift = 8 * (size - 1); shift >= 0; shift -= 8) {
                out.u8((int) (entry >> shift));
            }
        }
        return out.toArray();
    }
}
