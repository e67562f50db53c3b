package app.unciala.font.table;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;

/** {@code hmtx} or {@code vmtx}: the advance and the leading side bearing of every glyph, in font units. */
public record HmtxTable(int[] advances, int[] leftSideBearings) {
    /** The bytes of an advance with its side bearing; glyphs at the end, whose advance is the last one, have a bearing only. */
    private static final int METRIC = 4;

    private static final int BEARING = 2;

    public static HmtxTable read(Sfnt face) {
        return read(
                face.require("hmtx"),
                HheaTable.read(face).numberOfHMetrics(),
                MaxpTable.read(face).numGlyphs());
    }

    /** The metrics in one direction, such as those of {@code vmtx} with {@code vhea}. */
    public static HmtxTable read(Sfnt face, String header, String table) {
        return read(
                face.require(table),
                face.require(header).u16(HheaTable.NUMBER_OF_METRICS),
                MaxpTable.read(face).numGlyphs());
    }

    /** A face with these metrics in one direction. */
    public Sfnt replaceIn(Sfnt face, String header, String table) {
        ByteSink changed = new ByteSink().bytes(face.require(header));
        changed.putU16(HheaTable.NUMBER_OF_METRICS, numberOfHMetrics());
        return face.with(table, write()).with(header, changed.toArray());
    }

    public static HmtxTable read(ByteView table, int numberOfHMetrics, int numGlyphs) {
        if (numberOfHMetrics == 0 || numberOfHMetrics > numGlyphs) {
            throw new FontException(
                    "hhea",
                    HheaTable.NUMBER_OF_METRICS,
                    "gives " + numberOfHMetrics + " advances for " + numGlyphs + " glyphs");
        }
        int[] advances = new int[numGlyphs];
        int[] bearings = new int[numGlyphs];
        for (int glyph = 0; glyph < numberOfHMetrics; glyph++) {
            advances[glyph] = table.u16(METRIC * glyph);
            bearings[glyph] = table.i16(METRIC * glyph + BEARING);
        }
        for (int glyph = numberOfHMetrics; glyph < numGlyphs; glyph++) {
            advances[glyph] = advances[numberOfHMetrics - 1];
            bearings[glyph] = table.i16(METRIC * numberOfHMetrics + BEARING * (glyph - numberOfHMetrics));
        }
        return new HmtxTable(advances, bearings);
    }

    /** How many advances have to be written: of equal ones at the end, only the first. */
    public int numberOfHMetrics() {
        int count = advances.length;
        while (count > 1 && advances[count - 2] == advances[count - 1]) {
            count--;
        }
        return count;
    }

    public byte[] write() {
        int metrics = numberOfHMetrics();
        ByteSink out = new ByteSink(METRIC * advances.length);
        for (int glyph = 0; glyph < advances.length; glyph++) {
            if (glyph < metrics) {
                out.u16(advances[glyph]);
            }
            out.u16(leftSideBearings[glyph]);
        }
        return out.toArray();
    }
}
