package app.unciala.core.font.outline;

/** The outlines of a face, glyph by glyph; composites are resolved. */
public interface Outlines {
    int numGlyphs();

    /** Fills {@code points} with those of the glyph, and nothing else. */
    void points(int glyph, GlyphPoints points);

    /** The glyph's outline in font units. */
    default Outline outline(int glyph) {
        GlyphPoints points = new GlyphPoints();
        points(glyph, points);
        return points.toOutline();
    }
}
