package app.unciala.font.table;

import app.unciala.font.bytes.ByteView;

/**
 * A {@code cmap} subtable of format 12 or 13 (OpenType 1.9): groups of code points, whose glyphs follow one another in
 * format 12 and are one and the same in format 13.
 */
public record CmapGroups(ByteView table) {
    static final int COUNT = 12;
    static final int GROUPS = 16;
    static final int GROUP = 12;
    private static final int END = 4;
    private static final int GLYPH = 8;

    public long count() {
        return table.u32(COUNT);
    }

    public long start(int group) {
        return table.u32(GROUPS + GROUP * group);
    }

    public long end(int group) {
        return table.u32(GROUPS + GROUP * group + END);
    }

    /** The glyph of the first code point. */
    public long glyph(int group) {
        return table.u32(GROUPS + GROUP * group + GLYPH);
    }
}
