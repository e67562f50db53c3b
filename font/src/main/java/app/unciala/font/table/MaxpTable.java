package app.unciala.font.table;

import app.unciala.font.FontException;
import app.unciala.font.sfnt.Sfnt;

/** {@code maxp}: the number of glyphs, 1 to 65535. */
public record MaxpTable(int numGlyphs) {
    /** Where {@code numGlyphs} stands, in bytes from the start of the table. */
    public static final int NUM_GLYPHS = 4;

    /** The version of a face with CFF outlines, which says nothing but how many glyphs there are. */
    public static final int CFF_VERSION = 0x00005000;

    public static MaxpTable read(Sfnt face) {
        int numGlyphs = face.require("maxp").u16(NUM_GLYPHS);
        if (numGlyphs == 0) {
            throw new FontException("maxp", NUM_GLYPHS, "says there are no glyphs");
        }
        return new MaxpTable(numGlyphs);
    }
}
