package app.unciala.font.face;

/** Embedding permission as OS/2 {@code fsType} states it; the least restrictive bit counts, as OpenType says. */
public record Embedding(Level level, boolean noSubsetting, boolean bitmapOnly) {
    /** Bits of {@code fsType}. */
    private static final int RESTRICTED = 0x0002;

    private static final int PREVIEW_AND_PRINT = 0x0004;
    private static final int EDITABLE = 0x0008;
    private static final int NO_SUBSETTING = 0x0100;
    private static final int BITMAP_ONLY = 0x0200;

    /** What may be done with the font in a document. */
    public enum Level {
        INSTALLABLE("installable"),
        EDITABLE("editable documents only"),
        PREVIEW_AND_PRINT("preview and print only"),
        RESTRICTED("restricted: not without the vendor's permission"),
        NOT_STATED("not stated");

        private final String words;

        Level(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public static Embedding notStated() {
        return new Embedding(Level.NOT_STATED, false, false);
    }

    public static Embedding of(int fsType) {
        Level level = (fsType & EDITABLE) != 0
                ? Level.EDITABLE
                : (fsType & PREVIEW_AND_PRINT) != 0
                        ? Level.PREVIEW_AND_PRINT
                        : (fsType & RESTRICTED) != 0 ? Level.RESTRICTED : Level.INSTALLABLE;
        return new Embedding(level, (fsType & NO_SUBSETTING) != 0, (fsType & BITMAP_ONLY) != 0);
    }

    public String words() {
        return level.words() + (noSubsetting ? ", no subsetting" : "") + (bitmapOnly ? ", bitmaps only" : "");
    }
}
