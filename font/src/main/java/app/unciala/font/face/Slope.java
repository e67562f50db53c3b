package app.unciala.font.face;

import java.util.Locale;

/** Whether letters stand upright, are drawn as italics, or only lean. */
public enum Slope {
    UPRIGHT,
    ITALIC,
    OBLIQUE;

    /** The value of CSS {@code font-style}. */
    public String css() {
        return this == UPRIGHT ? "normal" : key();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
