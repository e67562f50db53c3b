package app.unciala.font.sfnt;

import app.unciala.font.bytes.ByteSink;

/**
 * The values for a binary search that stand before lists of entries in the table directory, in {@code cmap} format 4 and
 * in {@code kern} format 0 (OpenType 1.9, "Organization of an OpenType font").
 */
public record SearchRange(int searchRange, int entrySelector, int rangeShift) {
    /** For {@code count} entries of {@code size} bytes each. */
    public static SearchRange of(int count, int size) {
        int power = Math.max(1, Integer.highestOneBit(count));
        return new SearchRange(power * size, Integer.numberOfTrailingZeros(power), Math.max(0, count - power) * size);
    }

    public ByteSink writeTo(ByteSink out) {
        return out.u16(searchRange).u16(entrySelector).u16(rangeShift);
    }
}
