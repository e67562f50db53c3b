package app.unciala.core.drawing;

import app.unciala.core.font.outline.OutlineReader;
import app.unciala.core.font.outline.Outlines;
import app.unciala.core.font.outline.PathData;
import app.unciala.core.font.sfnt.CmapTable;
import app.unciala.core.font.sfnt.HeadTable;
import app.unciala.core.font.sfnt.HmtxTable;
import app.unciala.core.font.sfnt.Sfnt;

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
     * @throws app.unciala.core.font.FontException if a table is missing or damaged
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
