package app.unciala.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A host that a page gets in touch with, besides the style sheets and fonts that its rules ask for.
 *
 * @param url the address as the page names it, made absolute
 */
public record PageContact(String url, Kind kind) {
    private static final int MOST_OF_A_SCRIPT = 200_000;
    /** An absolute address in quotes, as scripts have them. */
    private static final Pattern QUOTED = Pattern.compile("[\"'`]((?:https?:)?//[^\"'`\\s<>]{4,500})[\"'`]");
    /** What the address of a font, of a style sheet with fonts, or of a script that adds them has in it. */
    private static final Pattern OF_FONTS = Pattern.compile("(?i)font|typeface|\\.(?:woff2?|ttf|otf)\\b");

    /** By what a host is reached. */
    public enum Kind {
        /** A link that opens a connection before anything is asked for. */
        PRECONNECT,
        /** A link that looks a name up, which tells the name to a resolver and not yet to the host. */
        DNS_PREFETCH,
        /** A script that loads fonts, or has the address of fonts in its text. */
        SCRIPT
    }

    /** The addresses of fonts in the text of a script, and in the address that it is loaded from. */
    static List<PageContact> ofScript(String source, String text, String base) {
        List<String> found = new ArrayList<>();
        if (OF_FONTS.matcher(source).find()) {
            found.add(source);
        }
        Matcher address = QUOTED.matcher(text.substring(0, Math.min(text.length(), MOST_OF_A_SCRIPT)));
        while (address.find()) {
            if (OF_FONTS.matcher(address.group(1)).find()) {
                found.add(address.group(1));
            }
        }
        return found.stream()
                .flatMap(one -> Addresses.resolved(one, base).stream())
                .distinct()
                .map(url -> new PageContact(url, Kind.SCRIPT))
                .toList();
    }

    /** The host, in lower case. */
    public String host() {
        return Addresses.host(url);
    }
}
