package app.unciala.font.subset;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HmtxTable;
import app.unciala.font.table.VorgTable;
import app.unciala.font.variation.MetricsVariation;
import java.util.SortedMap;
import java.util.TreeMap;

/** Cuts advances and side bearings, their variations, and vertical origins to the glyphs that are left. */
final class MetricsCutter {
    private final GlyphMap map;

    MetricsCutter(GlyphMap map) {
        this.map = map;
    }

    Sfnt cut(Sfnt face) {
        Sfnt cut = metrics(face, "hhea", "hmtx");
        if (face.table("vhea").isPresent() && face.table("vmtx").isPresent()) {
            cut = metrics(cut, "vhea", "vmtx");
        }
        for (String tag : new String[] {"HVAR", "VVAR"}) {
            if (face.table(tag).isPresent()) {
                cut = cut.with(tag, MetricsVariation.read(face.require(tag)).cut(map.size(), map::before));
            }
        }
        if (face.table("VORG").isPresent()) {
            cut = cut.with("VORG", verticalOrigins(face.require("VORG")));
        }
        return cut;
    }

    private Sfnt metrics(Sfnt face, String header, String table) {
        HmtxTable before = HmtxTable.read(face, header, table);
        int[] advances = new int[map.size()];
        int[] bearings = new int[map.size()];
        for (int glyph = 0; glyph < map.size(); glyph++) {
            if (map.kept().get(map.before(glyph))) {
                advances[glyph] = before.advances()[map.before(glyph)];
                bearings[glyph] = before.leftSideBearings()[map.before(glyph)];
            }
        }
        return new HmtxTable(advances, bearings).replaceIn(face, header, table);
    }

    private byte[] verticalOrigins(ByteView vorg) {
        VorgTable before = VorgTable.read(vorg);
        SortedMap<Integer, Integer> origins = new TreeMap<>();
        before.origins().forEach((glyph, origin) -> {
            if (map.after(glyph) >= 0) {
                origins.put(map.after(glyph), origin);
            }
        });
        return new VorgTable(before.usual(), origins).write();
    }
}
