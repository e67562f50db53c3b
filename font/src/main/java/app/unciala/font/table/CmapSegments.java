package app.unciala.font.table;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.SearchRange;

/**
 * A {@code cmap} subtable of format 4 (OpenType 1.9): segments of code points of the Basic Multilingual Plane, whose glyphs
 * are found by a delta, or in a list by an offset that counts from where it stands itself.
 */
public record CmapSegments(ByteView table) {
    private static final int LANGUAGE = 4;
    private static final int TWICE_THE_COUNT = 6;
    private static final int SEARCH_RANGE = 8;
    private static final int END_CODES = 14;
    /** Between the end codes and the start codes. */
    private static final int PADDING = 2;

    /** The bytes of a subtable without its list. */
    static int length(int count) {
        return END_CODES + PADDING + 8 * count;
    }

    public int language() {
        return table.u16(LANGUAGE);
    }

    /** Twice the number of segments, as it stands; odd in a damaged table. */
    public int twiceTheCount() {
        return table.u16(TWICE_THE_COUNT);
    }

    public int count() {
        return twiceTheCount() / 2;
    }

    public SearchRange searchRange() {
        return new SearchRange(table.u16(SEARCH_RANGE), table.u16(SEARCH_RANGE + 2), table.u16(SEARCH_RANGE + 4));
    }

    public int end(int segment) {
        return table.u16(END_CODES + 2 * segment);
    }

    public int start(int segment) {
        return table.u16(END_CODES + 2 * count() + PADDING + 2 * segment);
    }

    public int delta(int segment) {
        return table.u16(END_CODES + 4 * count() + PADDING + 2 * segment);
    }

    /** 0 where the delta is added to the code point; else where in the list the glyph of the first code point stands. */
    public int offset(int segment) {
        return table.u16(offsetAt(segment));
    }

    private int offsetAt(int segment) {
        return END_CODES + 6 * count() + PADDING + 2 * segment;
    }

    /** Where the glyph of a code point stands in the list, for a segment with this offset; may lie past the end. */
    public int listedAt(int segment, int offset, int codePoint) {
        return offsetAt(segment) + offset + 2 * (codePoint - start(segment));
    }

    /** The glyph that a number stands for: itself by the delta, modulo 65536. */
    public int shifted(int number, int segment) {
        return number + delta(segment) & 0xFFFF;
    }
}
