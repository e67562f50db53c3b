package app.unciala.font.variation;

import app.unciala.font.bytes.ByteSink;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Gathers the rows of a variation store that are still used, numbers them anew, and writes the smaller store. */
public final class VariationStoreCut {
    private final ItemVariationStore store;
    private final Map<Integer, Map<Integer, Integer>> rows = new TreeMap<>();
    private final Map<Integer, Integer> sets = new LinkedHashMap<>();

    public VariationStoreCut(ItemVariationStore store) {
        this.store = store;
    }

    /**
     * The new numbers of a row, the set's in the upper 16 bits, in the order of first use; -1 if there is no such row.
     */
    public int use(int outer, int inner) {
        if (!store.has(outer, inner)) {
            return -1;
        }
        Map<Integer, Integer> used = rows.computeIfAbsent(outer, key -> new LinkedHashMap<>());
        int set = sets.computeIfAbsent(outer, key -> sets.size());
        return set << 16 | used.computeIfAbsent(inner, key -> used.size());
    }

    public boolean isEmpty() {
        return sets.isEmpty();
    }

    /**
     * Leaves out columns that are zero in all rows, and regions without a column; each column is as narrow as its
     * values allow.
     */
    public byte[] write() {
        List<Column[]> columns = new ArrayList<>();
        BitSet usedRegions = new BitSet();
        for (int outer : sets.keySet()) {
            Column[] kept = columns(outer);
            columns.add(kept);
            for (Column column : kept) {
                usedRegions.set(column.region());
            }
        }
        ByteSink out = new ByteSink();
        int regionsAt = 8 + 4 * sets.size();
        ByteSink regions = new ByteSink().u16(store.axisCount()).u16(usedRegions.cardinality());
        usedRegions.stream().forEach(region -> regions.bytes(store.region(region)));
        out.u16(1).u32(regionsAt).u16(sets.size());
        ByteSink data = new ByteSink();
        int i = 0;
        for (int outer : sets.keySet()) {
            out.u32(regionsAt + regions.size() + data.size());
            writeSet(data, outer, columns.get(i++), usedRegions);
        }
        return out.bytes(regions).bytes(data).toArray();
    }

    /** A column of a set with the bytes its widest delta needs. */
    private record Column(int index, int region, int bytes) {}

    /** Wide columns first, as the format wants them. */
    private Column[] columns(int outer) {
        int[] regions = store.columns(outer);
        int[] bytes = new int[regions.length];
        for (int inner : rows.getOrDefault(outer, Map.of()).keySet()) {
            int[] row = store.row(outer, inner);
            for (int i = 0; i < row.length; i++) {
                int needed = row[i] == 0 ? 0 : row[i] == (byte) row[i] ? 1 : row[i] == (short) row[i] ? 2 : 4;
                bytes[i] = Math.max(bytes[i], needed);
            }
        }
        List<Column> columns = new ArrayList<>();
        for (int i = 0; i < regions.length; i++) {
            if (bytes[i] > 0) {
                columns.add(new Column(i, regions[i], bytes[i]));
            }
        }
        columns.sort((a, b) -> Integer.compare(b.bytes(), a.bytes()));
        return columns.toArray(Column[]::new);
    }

    private void writeSet(ByteSink out, int outer, Column[] columns, BitSet usedRegions) {
        boolean longWords = columns.length > 0 && columns[0].bytes() == 4;
        int narrow = longWords ? 2 : 1;
        int words = 0;
        while (words < columns.length && columns[words].bytes() > narrow) {
            words++;
        }
        Map<Integer, Integer> used = rows.getOrDefault(outer, Map.of());
        out.u16(used.size())
                .u16(words | (longWords ? ItemVariationStore.LONG_WORDS : 0))
                .u16(columns.length);
        for (Column column : columns) {
            out.u16(usedRegions.get(0, column.region()).cardinality());
        }
        for (int inner : used.keySet()) {
            int[] row = store.row(outer, inner);
            for (int i = 0; i < columns.length; i++) {
                int width = i < words ? 2 * narrow : narrow;
                int value = row[columns[i].index()];
                switch (width) {
                    case 1 -> out.u8(value);
                    case 2 -> out.u16(value);
                    default -> out.u32(value);
                }
            }
        }
    }
}
