package app.unciala.font.variation;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;

/**
 * An item variation store (OpenType 1.9, "Font variations common table formats"): sets of rows of deltas, each delta
 * for one region of the design space.
 */
public final class ItemVariationStore {
    private static final int FORMAT = 1;
    private static final int REGIONS_OFFSET = 2;
    private static final int SET_COUNT = 6;
    private static final int SET_OFFSETS = 8;

    /** Of the list of regions, after the counts of axes and of regions: start, peak and end on each axis. */
    private static final int REGIONS = 4;

    private static final int REGION_AXIS = 6;
    private static final int PEAK = 2;
    private static final int END = 4;

    /** Of a set: how many rows, how many of the columns are wide, how many columns, and the region of each. */
    private static final int ROW_COUNT = 0;

    private static final int WORD_COUNT = 2;
    private static final int COLUMN_COUNT = 4;
    private static final int COLUMNS = 6;
    /** The flag by which wide columns have 32 bits and the others 16, instead of 16 and 8. */
    static final int LONG_WORDS = 0x8000;

    private final ByteView table;
    private final ByteView regions;

    private ItemVariationStore(ByteView table) {
        this.table = table;
        if (table.u16(0) != FORMAT) {
            throw new FontException(table.table(), -1, "has a variation store of unknown format " + table.u16(0));
        }
        regions = table.from(table.offset32(REGIONS_OFFSET));
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
        return regions.slice(REGIONS + REGION_AXIS * axisCount() * region, REGION_AXIS * axisCount());
    }

    /** The regions as they are written: for each, start, peak and end on each axis. */
    public ByteView regions() {
        return regions.slice(0, REGIONS + REGION_AXIS * axisCount() * regionCount());
    }

    /** The peak of a region, where its deltas apply in full. */
    public Location peak(int region) {
        double[] coordinates = new double[axisCount()];
        for (int axis = 0; axis < coordinates.length; axis++) {
            coordinates[axis] = region(region).f2dot14(REGION_AXIS * axis + PEAK);
        }
        return Location.normalized(coordinates);
    }

    public int setCount() {
        return table.u16(SET_COUNT);
    }

    public int rowCount(int outer) {
        return set(outer).u16(ROW_COUNT);
    }

    public boolean has(int outer, int inner) {
        return outer < setCount() && inner < rowCount(outer);
    }

    public int columnCount(int outer) {
        return set(outer).u16(COLUMN_COUNT);
    }

    /** The region of each column of a set. */
    public int[] columns(int outer) {
        ByteView set = set(outer);
        int[] columns = new int[columnCount(outer)];
        for (int i = 0; i < columns.length; i++) {
            columns[i] = set.u16(COLUMNS + 2 * i);
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
        int columns = set.u16(COLUMN_COUNT);
        boolean longWords = (set.u16(WORD_COUNT) & LONG_WORDS) != 0;
        int words = set.u16(WORD_COUNT) & ~LONG_WORDS;
        if (words > columns) {
            throw new FontException(table.table(), -1, "has more wide columns than columns");
        }
        int wide = longWords ? 4 : 2;
        int at = COLUMNS + 2 * columns + inner * (words * wide + (columns - words) * wide / 2);
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
                    bytes.f2dot14(REGION_AXIS * axis),
                    bytes.f2dot14(REGION_AXIS * axis + PEAK),
                    bytes.f2dot14(REGION_AXIS * axis + END));
        }
        return scalar;
    }

    private ByteView set(int outer) {
        return table.from(table.offset32(SET_OFFSETS + 4 * outer));
    }
}
