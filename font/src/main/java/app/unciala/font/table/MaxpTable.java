package app.unciala.font.table;

import app.unciala.font.FontException;
import app.unciala.font.sfnt.Sfnt;

/** {@code maxp}: the number of glyphs, 1 to 65535. */
public record MaxpTable(int numGlyphs) {
    /** Where {@code numGlyphs} stands, in bytes from the start of the table. */
    public static final int NUM_GLYPHS = 4;

    /** Of version 1.0, for TrueType outlines: the greatest numbers in any glyph, and the zones that instructions use. */
    public static final int MAX_POINTS = 6;

    public static final int MAX_CONTOURS = 8;
    public static final int MAX_COMPOSITE_POINTS = 10;
    public static final int MAX_COMPOSITE_CONTOURS = 12;
    public static final int MAX_ZONES = 14;
    public static final int MAX_COMPONENT_ELEMENTS = 28;
    public static final int MAX_COMPONENT_DEPTH = 30;
    /** The bytes of the table in version 1.0. */
    public static final int LENGTH = 32;

    public static final int TRUETYPE_VERSION = 0x00010000;

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
