package app.unciala.font.instance;

import app.unciala.font.cff.CffOutlines;
import app.unciala.font.cff.CffWriter;
import app.unciala.font.outline.Outline;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HmtxTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.VorgTable;
import app.unciala.font.variation.Location;
import app.unciala.font.variation.MetricsVariation;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * Draws the glyphs of a {@code CFF2} table at a location and writes them as a {@code CFF } table, which every browser
 * takes. Coordinates are rounded to font units. Hints are left out: they vary, too, and most would no longer fit.
 */
final class Cff2Instancer {
    private Cff2Instancer() {}

    static Sfnt instantiate(Sfnt face, Location location) {
        CffOutlines drawn = CffOutlines.read(face.require("CFF2")).at(location);
        HmtxTable metrics = HmtxTable.read(face);
        int[] advances = MetricsVariation.advancesAt(face, "HVAR", location, metrics.advances());
        int[] bearings = metrics.leftSideBearings().clone();
        List<Outline> outlines = new ArrayList<>();
        for (int glyph = 0; glyph < drawn.numGlyphs(); glyph++) {
            Outline outline = drawn.outline(glyph).rounded();
            outlines.add(outline);
            bearings[glyph] = outline.isEmpty() ? bearings[glyph] : leftmost(outline.coordinates());
        }
        byte[] cff = CffWriter.write(
                postScriptName(face), outlines, advances, HeadTable.read(face).unitsPerEm());
        Sfnt instance =
                new HmtxTable(advances, bearings).replaceIn(face.without("CFF2").with("CFF ", cff), "hhea", "hmtx");
        if (face.table("VVAR").isEmpty() || face.table("vmtx").isEmpty()) {
            return instance;
        }
        HmtxTable vertical = HmtxTable.read(face, "vhea", "vmtx");
        int[] heights = MetricsVariation.advancesAt(face, "VVAR", location, vertical.advances());
        instance = new HmtxTable(heights, vertical.leftSideBearings()).replaceIn(instance, "vhea", "vmtx");
        return face.table("VORG").isEmpty()
                ? instance
                : instance.with(
                        "VORG", originsAt(face, location, heights.length).write());
    }

    private static VorgTable originsAt(Sfnt face, Location location, int glyphs) {
        VorgTable before = VorgTable.read(face.require("VORG"));
        MetricsVariation variation = MetricsVariation.read(face.require("VVAR"));
        SortedMap<Integer, Integer> origins = new TreeMap<>();
        for (int glyph = 0; glyph < glyphs; glyph++) {
            int origin = before.origin(glyph) + (int) Math.round(variation.verticalOriginDelta(glyph, location));
            if (origin != before.usual()) {
                origins.put(glyph, origin);
            }
        }
        return new VorgTable(before.usual(), origins);
    }

    /** PostScript names have no spaces and no brackets. */
    private static String postScriptName(Sfnt face) {
        return NameTable.read(face)
                .best(NameTable.POSTSCRIPT_NAME)
                .map(name -> name.replaceAll("[^!-~]|[\\[\\](){}<>/%]", ""))
                .orElse("Static");
    }

    private static int leftmost(double[] coordinates) {
        double left = coordinates[0];
        for (int i = 2; i < coordinates.length; i += 2) {
            left = Math.min(left, coordinates[i]);
        }
        return (int) left;
    }
}
