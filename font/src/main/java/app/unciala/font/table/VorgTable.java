package app.unciala.font.table;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * {@code VORG} (OpenType 1.9): how high the origin of vertical text is, in font units, for glyphs of CFF outlines.
 *
 * @param usual for all glyphs that {@code origins} does not have
 */
public record VorgTable(int usual, SortedMap<Integer, Integer> origins) {
    private static final int DEFAULT_ORIGIN = 4;
    private static final int COUNT = 6;
    private static final int RECORDS = 8;
    private static final int RECORD = 4;

    /**
     * Reads the table.
     *
     * @throws app.unciala.font.FontException if it ends too early
     */
    public static VorgTable read(ByteView vorg) {
        SortedMap<Integer, Integer> origins = new TreeMap<>();
        int count = vorg.u16(COUNT);
        for (int at = RECORDS; at < RECORDS + RECORD * count; at += RECORD) {
            origins.put(vorg.u16(at), vorg.i16(at + 2));
        }
        return new VorgTable(vorg.i16(DEFAULT_ORIGIN), origins);
    }

    public int origin(int glyph) {
        return origins.getOrDefault(glyph, usual);
    }

    public byte[] write() {
        ByteSink written = new ByteSink().u32(0x00010000).u16(usual).u16(origins.size());
        origins.forEach((glyph, origin) -> written.u16(glyph).u16(origin));
        return written.toArray();
    }
}
