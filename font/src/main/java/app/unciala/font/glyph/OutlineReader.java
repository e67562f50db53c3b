package app.unciala.font.glyph;

import app.unciala.font.cff.CffOutlines;
import app.unciala.font.glyf.GlyfOutlines;
import app.unciala.font.outline.GlyphPoints;
import app.unciala.font.outline.Outlines;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.MaxpTable;

/** Opens the outlines of a face, of whichever kind they are. */
public final class OutlineReader {
    private OutlineReader() {}

    /** Opens whichever outline table the face has; a face of bitmaps only has empty outlines. */
    public static Outlines read(Sfnt face) {
        if (face.table("glyf").isPresent()) {
            return new GlyfOutlines(face);
        }
        if (face.table("CFF ").isPresent()) {
            return CffOutlines.read(face.require("CFF "));
        }
        if (face.table("CFF2").isPresent()) {
            return CffOutlines.read(face.require("CFF2"));
        }
        int numGlyphs = MaxpTable.read(face).numGlyphs();
        return new Outlines() {
            @Override
            public int numGlyphs() {
                return numGlyphs;
            }

            @Override
            public void points(int glyph, GlyphPoints points) {
                points.clear();
            }
        };
    }
}
