package app.unciala.core.font.outline;

/** The outlines of a face, glyph by glyph. */
public interface Outlines {
    int numGlyphs();

    /** The glyph's outline in font units; composites are resolved. */
    Outline outline(int glyph);
}
