package app.unciala.core.pack;

import app.unciala.font.FontFormat;
import java.util.List;

/** The browsers that a site serves, and the formats that follow from them, the one to be taken first first. */
public enum Browsers {
    /** All browsers of the last years. */
    MODERN(List.of(FontFormat.WOFF2)),
    /** Those from before 2018, too. */
    SOME_YEARS_BACK(List.of(FontFormat.WOFF2, FontFormat.WOFF)),
    /** Those that read no WOFF, too. */
    LEGACY(List.of(FontFormat.WOFF2, FontFormat.WOFF, FontFormat.TTF));

    private final List<FontFormat> formats;

    Browsers(List<FontFormat> formats) {
        this.formats = formats;
    }

    public List<FontFormat> formats() {
        return formats;
    }
}
