package app.unciala.core.proof;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The style sheets in a piece of HTML, such as a page or what is put into its head. All else is replaced by spaces, so that
 * every character keeps its place.
 */
public final class StyleElements {
    private static final int ANY_CASE_ANY_LINES = Pattern.CASE_INSENSITIVE | Pattern.DOTALL;
    private static final Pattern HTML = Pattern.compile("\\s*<[a-z!].*<style\\b.*|\\s*<style\\b.*", ANY_CASE_ANY_LINES);
    /** A comment, or a style element with its content. */
    private static final Pattern PART =
            Pattern.compile("<!--.*?-->|<style\\b[^>]*>(?<css>.*?)(?:</style\\s*>|$)", ANY_CASE_ANY_LINES);

    private static final Pattern INSIDE_LINES = Pattern.compile("[^\\r\\n\\f]");

    private StyleElements() {}

    /** The text itself where it is a style sheet; of HTML, what stands in its style elements. */
    public static String only(String text) {
        if (!HTML.matcher(text).matches()) {
            return text;
        }
        StringBuilder only = new StringBuilder();
        Matcher part = PART.matcher(text);
        int end = 0;
        while (part.find()) {
            if (part.group("css") != null) {
                only.append(blank(text.substring(end, part.start("css")))).append(part.group("css"));
                end = part.end("css");
            }
        }
        return only.append(blank(text.substring(end))).toString();
    }

    private static String blank(String html) {
        return INSIDE_LINES.matcher(html).replaceAll(" ");
    }
}
