package app.unciala.core.pack;

/** Text inside HTML. */
final class Markup {
    private Markup() {}

    /** For content and for attributes in double quotes. */
    static String escaped(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}
