package app.unciala.font.face;

/** Embedding permission as OS/2 {@code fsType} states it; the least restrictive bit counts, as OpenType says. */
public record Embedding(Level level, boolean noSubsetting, boolean bitmapOnly) {
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
        Level level = (fsType & 0x8) != 0
                ? Level.EDITABLE
                : (fsType & 0x4) != 0
                        ? Level.PREVIEW_AND_PRINT
                        : (fsType & 0x2) != 0 ? Level.RESTRICTED : Level.INSTALLABLE;
        return new Embedding(level, (fsType & 0x100) != 0, (fsType & 0x200) != 0);
    }

    public String words() {
        return level.words() + (noSubsetting ? ", no subsetting" : "") + (bitmapOnly ? ", bitmaps only" : "");
    }
}
