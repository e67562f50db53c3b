package app.unciala.font.variation;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;

/**
 * An item variation store (OpenType 1.9, "Font variations common table formats"): sets of rows of deltas, each delta
 * for one region of the design space.
 */
public final class ItemVariationStore {
    private final ByteView table;
    private final ByteView regions;

    private ItemVariationStore(ByteView table) {
        this.table = table;
        if (table.u16(0) != 1) {
            throw new FontException(table.table(), -1, "has a variation store of unknown format " + table.u16(0));
        }
        regions = table.from(table.offset32(2));
    }

    public static ItemVariationStore read(ByteView table) {
        return new ItemVariationStore(table);
    }

    int axisCount() {
        return regions.u16(0);
    }

    public int regionCount() {
        return regions.u16(2);
    }

    /** The bytes of one region: start, peak and end on each axis. */
    ByteView region(int region) {
        return regions.slice(4 + 6 * axisCount() * region, 6 * axisCount());
    }

    /** The regions as they are written: for each, start, peak and end on each axis. */
    public ByteView regions() {
        return regions.slice(0, 4 + 6 * axisCount() * regionCount());
    }

    /** The peak of a region, where its deltas apply in full. */
    public Location peak(int region) {
        double[] coordinates = new double[axisCount()];
        for (int axis = 0; axis < coordinates.length; axis++) {
            coordinates[axis] = region(region).i16(6 * axis + 2) / 16384.0;
        }
        return Location.normalized(coordinates);
    }

    public int setCount() {
        return table.u16(6);
    }

    public int rowCount(int outer) {
        return set(outer).u16(0);
    }

    public boolean has(int outer, int inner) {
        return outer < setCount() && inner < rowCount(outer);
    }

    /** The region of each column of a set. */
    public int[] columns(int outer) {
        ByteView set = set(outer);
        int[] columns = new int[set.u16(4)];
        for (int i = 0; i < columns.length; i++) {
            columns[i] = set.u16(6 + 2 * i);
            if (columns[i] >= regionCount()) {
                throw new FontException(table.table(), -1, "varies over region " + columns[i] + ", which is not there");
            }
        }
        return columns;
    }

    /** The deltas of a row, by column. */
    public int[] row(int outer, int inner) {
        if (!has(outer, inner)) {
            throw new FontException(table.table(), -1, "has no deltas " + outer + "/" + inner);
        }
        ByteView set = set(outer);
        int columns = set.u16(4);
        boolean longWords = (set.u16(2) & 0x8000) != 0;
        int words = set.u16(2) & 0x7FFF;
        if (words > columns) {
            throw new FontException(table.table(), -1, "has more wide columns than columns");
        }
        int wide = longWords ? 4 : 2;
        int at = 6 + 2 * columns + inner * (words * wide + (columns - words) * wide / 2);
        int[] row = new int[columns];
        for (int i = 0; i < columns; i++) {
            boolean isWide = i < words;
            if (longWords) {
                row[i] = isWide ? set.i32(at) : set.i16(at);
            } else {
                row[i] = isWide ? set.i16(at) : (byte) set.u8(at);
            }
            at += isWide ? wide : wide / 2;
        }
        return row;
    }

    /**
     * What the row adds at a location, not rounded; nothing for the row 0xFFFF/0xFFFF, which stands for no variation.
     */
    public double delta(int outer, int inner, Location location) {
        if (!has(outer, inner)) {
            return 0;
        }
        int[] columns = columns(outer);
        int[] row = row(outer, inner);
        double delta = 0;
        for (int i = 0; i < columns.length; i++) {
            delta += row[i] * scalar(columns[i], location);
        }
        return delta;
    }

    /** The scalar of a region at a location, in [0, 1]. */
    public double scalar(int region, Location location) {
        ByteView bytes = region(region);
        double scalar = 1;
        for (int axis = 0; axis < axisCount() && scalar != 0; axis++) {
            scalar *= location.scalar(
                    axis,
                    bytes.i16(6 * axis) / 16384.0,
                    bytes.i16(6 * axis + 2) / 16384.0,
                    bytes.i16(6 * axis + 4) / 16384.0);
        }
        return scalar;
    }

    private ByteView set(int outer) {
        return table.from(table.offset32(8 + 4 * outer));
    }
}
