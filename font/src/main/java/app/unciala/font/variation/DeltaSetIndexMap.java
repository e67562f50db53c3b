package app.unciala.font.variation;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.util.List;

/**
 * A delta-set index map (OpenType 1.9, "Font variations common table formats"): which row of a variation store goes with a
 * glyph or another number. Rows are the number of their set in the upper 16 bits, and their own in the lower.
 */
public record DeltaSetIndexMap(ByteView table) {
    /** Stands for a row that is not there, so that nothing varies. */
    public static final int NO_ROW = -1;

    private static final int ENTRY_FORMAT = 1;
    private static final int COUNT = 2;
    /** Entries begin after a count of 16 bits in format 0, and of 32 in format 1. */
    private static final int ENTRIES = 4;

    private static final int LONG_ENTRIES = 6;

    /** Of the entry format: one less than the bits of a row's own number, and one less than the bytes of an entry. */
    private static final int INNER_BITS = 0x0F;

    private static final int SIZE_SHIFT = 4;
    private static final int SIZE = 3;

    /**
     * The row for a number; the last entry holds for all numbers past it.
     *
     * @throws FontException if the map has an unknown format
     */
    public int row(long number) {
        int format = table.u8(0);
        if (format > 1) {
            throw new FontException(table.table(), -1, "maps to deltas in the unknown format " + format);
        }
        long count = format == 0 ? table.u16(COUNT) : table.u32(COUNT);
        if (count == 0) {
            return NO_ROW;
        }
        int entryFormat = table.u8(ENTRY_FORMAT);
        int size = (entryFormat >> SIZE_SHIFT & SIZE) + 1;
        int innerBits = (entryFormat & INNER_BITS) + 1;
        long place = (format == 0 ? ENTRIES : LONG_ENTRIES) + size * Math.min(number, count - 1);
        int at = (int) Math.min(place, table.length());
        long entry = 0;
        for (int i = 0; i < size; i++) {
            entry = entry << 8 | table.u8(at + i);
        }
        return (int) (entry >> innerBits) << 16 | (int) (entry & (1L << innerBits) - 1);
    }

    /** Writes a map of rows in order, entries as narrow as they go; equal ones at the end are written once. */
    public static byte[] write(List<Integer> rows) {
        int outer = 0;
        int inner = 0;
        for (int row : rows) {
            outer |= row >>> 16;
            inner |= row & 0xFFFF;
        }
        int innerBits = Math.max(1, Integer.SIZE - Integer.numberOfLeadingZeros(inner));
        int outerBits = Integer.SIZE - Integer.numberOfLeadingZeros(outer);
        int size = Math.max(1, (innerBits + outerBits + 7) / 8);
        int count = rows.size();
        while (count > 1 && rows.get(count - 2).equals(rows.get(count - 1))) {
            count--;
        }
        boolean isLong = count > 0xFFFF;
        ByteSink out = new ByteSink(size * count + LONG_ENTRIES)
                .u8(isLong ? 1 : 0)
                .u8((size - 1) << SIZE_SHIFT | innerBits - 1);
        if (isLong) {
            out.u32(count);
        } else {
            out.u16(count);
        }
        for (int i = 0; i < count; i++) {
            long entry = (long) (rows.get(i) >>> 16) << innerBits | (rows.get(i) & 0xFFFF);
            for (int shift = 8 * (size - 1); shift >= 0; shift -= 8) {
                out.u8((int) (entry >> shift));
            }
        }
        return out.toArray();
    }
}
