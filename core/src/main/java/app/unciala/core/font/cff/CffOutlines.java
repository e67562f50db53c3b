package app.unciala.core.font.cff;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.outline.Outline;
import app.unciala.core.font.outline.Outlines;

/** The outlines of a {@code CFF } or {@code CFF2} table; of variable ones, the default. */
public final class CffOutlines implements Outlines {
    private final CffFont font;

    private CffOutlines(CffFont font) {
        this.font = font;
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
    public Outline outline(int glyph) {
        return run(glyph).outline();
    }

    /** The letter and the accent that an old kind of accented glyph is composed of; mostly none. */
    public int[] parts(int glyph) {
        return run(glyph).parts();
    }

    private CharStringRun run(int glyph) {
        int dict = font.fontDictOf(glyph);
        CharStringRun run = new CharStringRun(
                font.charStrings(),
                font.globalSubrs(),
                font.localSubrs(dict),
                font.regionCounts(),
                font.deltaSet(dict),
                font.charset());
        run.run(glyph);
        return run;
    }
}
