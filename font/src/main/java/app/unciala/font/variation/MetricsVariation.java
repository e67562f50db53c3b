package app.unciala.font.variation;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;

/** {@code HVAR} or {@code VVAR} (OpenType 1.9): how advances and side bearings vary, glyph by glyph. */
public final class MetricsVariation {
    /** The places of the maps of glyphs to deltas, in the order of the table. */
    private static final int ADVANCES = 0;

    private static final int VERTICAL_ORIGINS = 3;

    private static final int STORE_OFFSET = 4;
    private static final int MAP_OFFSETS = 8;

    private final ByteView table;
    private final ItemVariationStore store;
    private final int mapCount;

    private MetricsVariation(ByteView table) {
        this.table = table;
        store = ItemVariationStore.read(table.from(table.offset32(STORE_OFFSET)));
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
        return row == DeltaSetIndexMap.NO_ROW ? 0 : store.delta(row >>> 16, row & 0xFFFF, location);
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

    /** The row of a glyph; without a map, the advances are the rows of the first set in glyph order. */
    private int row(int map, int glyph) {
        if (!hasMap(map)) {
            return map == ADVANCES ? glyph : DeltaSetIndexMap.NO_ROW;
        }
        return new DeltaSetIndexMap(table.from(table.offset32(MAP_OFFSETS + 4 * map))).row(glyph);
    }

    private boolean hasMap(int map) {
        return table.u32(MAP_OFFSETS + 4 * map) != 0;
    }

    /** The table for {@code count} glyphs, of which glyph i was {@code before(i)}; maps stay maps. */
    public byte[] cut(int count, IntUnaryOperator before) {
        VariationStoreCut cut = new VariationStoreCut(store);
        List<List<Integer>> maps = new ArrayList<>();
        for (int map = 0; map < mapCount; map++) {
            List<Integer> rows = new ArrayList<>();
            for (int glyph = 0; glyph < count && (hasMap(map) || map == ADVANCES); glyph++) {
                int row = row(map, before.applyAsInt(glyph));
                rows.add(row == DeltaSetIndexMap.NO_ROW ? row : cut.use(row >>> 16, row & 0xFFFF));
            }
            maps.add(rows);
        }
        if (!hasMap(ADVANCES) && isInOrder(maps.get(ADVANCES))) {
            maps.set(ADVANCES, List.of());
        }
        byte[] written = cut.write();
        int storeAt = MAP_OFFSETS + 4 * mapCount;
        ByteSink out = new ByteSink(written.length + 64).u32(0x00010000).u32(storeAt);
        ByteSink parts = new ByteSink().bytes(written);
        for (List<Integer> rows : maps) {
            out.u32(rows.isEmpty() ? 0 : storeAt + parts.size());
            if (!rows.isEmpty()) {
                parts.bytes(DeltaSetIndexMap.write(rows));
            }
        }
        return out.bytes(parts).toArray();
    }

    private static boolean isInOrder(List<Integer> rows) {
        return IntStream.range(0, rows.size()).allMatch(glyph -> rows.get(glyph) == glyph);
    }
}
