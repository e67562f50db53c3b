package app.unciala.core.proof;

import java.util.regex.Pattern;

/** How services that share files write the address of a page about a file, which is not the file. */
public final class ShareLinks {
    private static final Pattern SHARED = Pattern.compile(
            "(?i)/file/d/|/d/[\\w-]{15,}/|[?&](dl=0|usp=\\w+|share=\\w+)|/scl/fi/|/:[a-z]:/|/(share|shared|sharing)/|/view$");
    private static final Pattern FONT_NAME = Pattern.compile("(?i)/[^/?#]*\\.(woff2?|ttf|otf|ttc|otc|eot|svg)([?#]|$)");

    private ShareLinks() {}

    /** Whether an address with a host is one. */
    public static boolean isOne(String url) {
        return SHARED.matcher(url).find() && (!FONT_NAME.matcher(url).find() || url.contains("?"));
    }
}
