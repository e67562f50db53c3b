package app.unciala.font.metrics;

import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HheaTable;
import app.unciala.font.table.Os2Table;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * The vertical metrics of a face in font units, in the three places that hold them. Browsers on macOS and iOS take
 * {@code hhea}; on Windows and elsewhere the typographic ones of {@code OS/2} where {@code fsSelection} bit 7 asks for
 * them, and otherwise, by system, {@code hhea} or the {@code usWin} ones.
 */
public record VerticalMetrics(HheaTable hhea, Optional<Os2Table> os2) {
    public static VerticalMetrics read(Sfnt face) {
        return new VerticalMetrics(HheaTable.read(face), Os2Table.read(face));
    }

    /** Whether lines come out equally high on every system. */
    public boolean agree() {
        if (os2.isEmpty()) {
            return true;
        }
        Os2Table table = os2.get();
        if (table.usesTypoMetrics()) {
            return hhea.ascender() == table.typoAscender()
                    && hhea.descender() == table.typoDescender()
                    && hhea.lineGap() == table.typoLineGap();
        }
        return hhea.ascender() == table.winAscent() && -hhea.descender() == table.winDescent();
    }

    /** The line's height in font units by {@code hhea}. */
    public int lineHeight() {
        return hhea.ascender() - hhea.descender() + hhea.lineGap();
    }

    /** All values by what they are called in the tables, in a fixed order. */
    public Map<String, Integer> byName() {
        Map<String, Integer> values = new LinkedHashMap<>();
        values.put("hhea ascender", hhea.ascender());
        values.put("hhea descender", hhea.descender());
        values.put("hhea lineGap", hhea.lineGap());
        os2.ifPresent(table -> {
            values.put("OS/2 sTypoAscender", table.typoAscender());
            values.put("OS/2 sTypoDescender", table.typoDescender());
            values.put("OS/2 sTypoLineGap", table.typoLineGap());
            values.put("OS/2 usWinAscent", table.winAscent());
            values.put("OS/2 usWinDescent", table.winDescent());
        });
        return values;
    }
}
