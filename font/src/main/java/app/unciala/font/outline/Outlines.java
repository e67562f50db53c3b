package app.unciala.font.outline;

import app.unciala.font.Problem;
import java.util.List;

/** The outlines of a face, glyph by glyph; composites are resolved. */
public interface Outlines {
    int numGlyphs();

    /** Fills {@code points} with those of the glyph, and nothing else. */
    void points(int glyph, GlyphPoints points);

    /** What is wrong with the outlines read so far, though it did not keep them from being read. */
    default List<Problem> problems() {
        return List.of();
    }

    /** The glyph's outline in font units. */
    default Outline outline(int glyph) {
        GlyphPoints points = new GlyphPoints();
        points(glyph, points);
        return points.toOutline();
    }
}
