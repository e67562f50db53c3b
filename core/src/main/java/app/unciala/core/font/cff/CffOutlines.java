package app.unciala.core.font.cff;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.outline.GlyphPoints;
import app.unciala.core.font.outline.Outlines;

/** The outlines of a {@code CFF } or {@code CFF2} table; of variable ones, the default. Not for several threads. */
public final class CffOutlines implements Outlines {
    private final CffFont font;
    private final CharStringRun run;

    private CffOutlines(CffFont font) {
        this.font = font;
        run = new CharStringRun(font.charStrings(), font.globalSubrs(), font.regionCounts(), font.charset());
    }

    /**
     * Opens a table, which is named {@code CFF } or {@code CFF2}.
     *
     * @throws app.unciala.core.font.FontException if its DICTs or INDEXes are damaged
     */
    public static CffOutlines read(ByteView table) {
        return new CffOutlines(CffFont.read(table));
    }

    @Override
    public int numGlyphs() {
        return font.charStrings().count();
    }

    @Override
    public void points(int glyph, GlyphPoints points) {
        points.clear();
        run(glyph, points);
    }

    /** The letter and the accent that an old kind of accented glyph is composed of; mostly none. */
    public int[] parts(int glyph) {
        return run(glyph, new GlyphPoints()).parts();
    }

    private CharStringRun run(int glyph, GlyphPoints points) {
        int dict = font.fontDictOf(glyph);
        run.run(glyph, font.localSubrs(dict), font.deltaSet(dict), points);
        return run;
    }
}
