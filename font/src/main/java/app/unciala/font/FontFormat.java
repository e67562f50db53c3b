package app.unciala.font;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The containers a face comes in; the name in lower case is the one used in the command line and the API. */
public enum FontFormat {
    TTF("ttf", "TrueType", "font/ttf", "truetype"),
    OTF("otf", "OpenType CFF", "font/otf", "opentype"),
    COLLECTION("ttc", "font collection", "font/collection", "collection"),
    WOFF("woff", "WOFF", "font/woff", "woff"),
    WOFF2("woff2", "WOFF2", "font/woff2", "woff2"),
    EOT("eot", "Embedded OpenType", "application/vnd.ms-fontobject", "embedded-opentype"),
    SVG("svg", "SVG font", "image/svg+xml", "svg");

    private final String extension;
    private final String label;
    private final String mediaType;
    private final String cssHint;

    FontFormat(String extension, String label, String mediaType, String cssHint) {
        this.extension = extension;
        this.label = label;
        this.mediaType = mediaType;
        this.cssHint = cssHint;
    }

    /** The usual file name extension, without the dot. */
    public String extension() {
        return extension;
    }

    public String label() {
        return label;
    }

    /** The media type of RFC 8081. */
    public String mediaType() {
        return mediaType;
    }

    /** The keyword for {@code format()} in a CSS {@code src} descriptor. */
    public String cssHint() {
        return cssHint;
    }

    /** The lower-case name used on the command line and in the API. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<FontFormat> fromKey(String key) {
        return Arrays.stream(values())
                .filter(format -> format.key().equals(key))
                .findFirst();
    }

    /** The format that a file name promises by its extension, which is a hint and never a fact. */
    public static Optional<FontFormat> promisedBy(String fileName) {
        int dot = fileName.lastIndexOf('.');
        String extension = fileName.substring(dot + 1).toLowerCase(Locale.ROOT);
        if (extension.equals("otc")) {
            return Optional.of(COLLECTION);
        }
        return Arrays.stream(values())
                .filter(format -> format.extension.equals(extension))
                .findFirst();
    }
}
