package app.unciala.font.drawing;

import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.outline.Outlines;
import app.unciala.font.outline.PathData;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HmtxTable;

/** The characters of a face as SVG paths on an em of 1000 units, so that faces of any units-per-em can be laid over each other. */
public final class CharacterDrawings {
    private static final double EM = 1000;

    private final CmapTable cmap;
    private final Outlines outlines;
    private final HmtxTable metrics;
    private final double scale;

    /**
     * Reads what drawing characters needs.
     *
     * @throws app.unciala.font.FontException if a table is missing or damaged
     */
    public CharacterDrawings(Sfnt face) {
        cmap = CmapTable.read(face);
        outlines = OutlineReader.read(face);
        metrics = HmtxTable.read(face);
        scale = EM / HeadTable.read(face).unitsPerEm();
    }

    /** A character: its path data, y upwards from the baseline, and how far it moves the pen, both in 1/1000 em. */
    public record Drawn(String path, double advance) {}

    /** A character; one that the face lacks is drawn as its missing glyph. */
    public Drawn of(int codePoint) {
        int glyph = cmap.glyph(codePoint);
        double advance = glyph < metrics.advances().length ? metrics.advances()[glyph] * scale : 0;
        return new Drawn(PathData.of(outlines.outline(glyph), scale), Math.round(advance * 10) / 10.0);
    }
}
