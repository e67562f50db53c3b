package app.unciala.font.variation;

import app.unciala.font.bytes.ByteView;

/** {@code gvar} (OpenType 1.9): where the variations of each glyph are. */
public record GvarTable(ByteView table) {
    /** Where fields stand, in bytes from the start of the table. */
    public static final int AXIS_COUNT = 4;

    private static final int SHARED_TUPLE_COUNT = 6;
    /** The offset to the shared tuples, and where it ends. */
    public static final int SHARED_TUPLES_OFFSET = 8;

    private static final int GLYPH_COUNT = 12;
    private static final int FLAGS = 14;
    private static final int DATA_OFFSET = 16;
    /** Where the offsets of glyphs begin. */
    public static final int OFFSETS = 20;

    /** The flag by which offsets have 32 bits; else they have 16, and count pairs of bytes. */
    public static final int LONG_OFFSETS = 1;

    public int axisCount() {
        return table.u16(AXIS_COUNT);
    }

    public int glyphCount() {
        return table.u16(GLYPH_COUNT);
    }

    public int flags() {
        return table.u16(FLAGS);
    }

    /** The peaks that glyphs share: for each a coordinate on each axis. */
    public ByteView sharedTuples() {
        int length = table.u16(SHARED_TUPLE_COUNT) * axisCount() * 2;
        return table.slice(table.offset32(SHARED_TUPLES_OFFSET), length);
    }

    /** The variations of a glyph; without bytes for one that does not vary, or is not there. */
    public ByteView variations(int glyph) {
        if (glyph >= glyphCount()) {
            return table.slice(0, 0);
        }
        int from = offset(glyph);
        int to = offset(glyph + 1);
        return from >= to ? table.slice(0, 0) : table.slice(table.offset32(DATA_OFFSET) + from, to - from);
    }

    private int offset(int glyph) {
        return (flags() & LONG_OFFSETS) != 0 ? table.offset32(OFFSETS + 4 * glyph) : 2 * table.u16(OFFSETS + 2 * glyph);
    }
}
