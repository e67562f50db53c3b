package app.unciala.font.glyf;

/** Flags of the points of a simple glyph (OpenType 1.9, "glyf", "Simple Glyph Flags"). */
final class PointFlags {
    static final int ON_CURVE = 0x01;
    static final int X_SHORT = 0x02;
    static final int Y_SHORT = 0x04;
    static final int REPEAT = 0x08;
    /** With a short x, that it is positive; else that x is the one before. */
    static final int X_SAME_OR_POSITIVE = 0x10;

    static final int Y_SAME_OR_POSITIVE = 0x20;
    static final int OVERLAP_SIMPLE = 0x40;
    static final int RESERVED = 0x80;

    private PointFlags() {}
}
