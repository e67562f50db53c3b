package app.unciala.core.css;

/** Writes text so that no content of it can end the place it stands in (CSS Syntax 3, "Serialization"). */
public final class CssText {
    private CssText() {}

    /** A CSS string in double quotes. */
    public static String quote(String text) {
        StringBuilder out = new StringBuilder("\"");
        text.codePoints().forEach(c -> {
            if (c == 0) {
                out.append('\uFFFD');
            } else if (c < 0x20 || c == 0x7F || c == '<') {
                out.append('\\').append(Integer.toHexString(c)).append(' ');
            } else {
                if (c == '"' || c == '\\') {
                    out.append('\\');
                }
                out.appendCodePoint(c);
            }
        });
        return out.append('"').toString();
    }

    /** Text inside a comment. */
    public static String comment(String text) {
        return text.replace("*/", "* /").replaceAll("[\\p{Cc}]", " ").replace("<", "‹");
    }
}
