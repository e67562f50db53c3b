package app.unciala.font.table;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;

/** {@code hhea}: vertical metrics in font units, and how many glyphs {@code hmtx} gives an advance of their own. */
public record HheaTable(int ascender, int descender, int lineGap, int numberOfHMetrics) {
    /** Where fields stand, in bytes from the start of the table; the same in {@code vhea}, where it has them. */
    public static final int ASCENDER = 4;

    public static final int DESCENDER = 6;
    public static final int LINE_GAP = 8;
    public static final int ADVANCE_WIDTH_MAX = 10;
    public static final int MIN_LEFT_SIDE_BEARING = 12;
    public static final int MIN_RIGHT_SIDE_BEARING = 14;
    public static final int X_MAX_EXTENT = 16;
    public static final int CARET_SLOPE_RISE = 18;
    public static final int CARET_SLOPE_RUN = 20;
    public static final int CARET_OFFSET = 22;
    public static final int METRIC_DATA_FORMAT = 32;
    public static final int NUMBER_OF_METRICS = 34;
    /** The bytes of the table. */
    public static final int LENGTH = 36;

    public static HheaTable read(Sfnt face) {
        ByteView table = face.require("hhea");
        return new HheaTable(
                table.i16(ASCENDER), table.i16(DESCENDER), table.i16(LINE_GAP), table.u16(NUMBER_OF_METRICS));
    }
}
