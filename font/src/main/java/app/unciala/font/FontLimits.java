package app.unciala.font;

/** How much a font may take. */
public final class FontLimits {
    /** The largest file that is read, and the largest font that a container may unpack to, in bytes. */
    public static final int MAX_BYTES = 128 << 20;

    private FontLimits() {}
}
