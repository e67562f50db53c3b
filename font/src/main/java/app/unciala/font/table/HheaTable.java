package app.unciala.font.table;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;

/** {@code hhea}: vertical metrics in font units, and how many glyphs {@code hmtx} gives an advance of their own. */
public record HheaTable(int ascender, int descender, int lineGap, int numberOfHMetrics) {
    public static HheaTable read(Sfnt face) {
        ByteView table = face.require("hhea");
        return new HheaTable(table.i16(4), table.i16(6), table.i16(8), table.u16(34));
    }
}
