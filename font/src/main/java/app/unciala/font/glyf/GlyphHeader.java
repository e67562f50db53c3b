package app.unciala.font.glyf;

import app.unciala.font.bytes.ByteView;

/** What the description of every glyph of {@code glyf} begins with (OpenType 1.9, "glyf"): number of contours, bounding box. */
public final class GlyphHeader {
    /** Where the sides of the bounding box stand, in bytes from the start of the glyph. */
    public static final int X_MIN = 2;

    public static final int Y_MIN = 4;
    public static final int X_MAX = 6;
    public static final int Y_MAX = 8;
    /** The bytes of the header. */
    public static final int LENGTH = 10;

    private GlyphHeader() {}

    /** How many contours a glyph has; 0 for one without bytes, which draws nothing, and below 0 for a composite. */
    public static int contours(ByteView glyph) {
        return glyph.length() == 0 ? 0 : glyph.i16(0);
    }

    public static boolean isComposite(ByteView glyph) {
        return contours(glyph) < 0;
    }

    /** xMin, yMin, xMax and yMax as they stand, in font units. */
    public static int[] box(ByteView glyph) {
        return new int[] {glyph.i16(X_MIN), glyph.i16(Y_MIN), glyph.i16(X_MAX), glyph.i16(Y_MAX)};
    }
}
