package app.unciala.core.page;

import java.net.URI;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import org.jsoup.internal.StringUtil;

/** Addresses as pages write them, with spaces and signs that a URI would not have. */
public final class Addresses {
    /** Why mixed content is not asked for. */
    static final String MIXED = "browsers load nothing over http: on a page that came over https:";

    private Addresses() {}

    /** An address as seen from another, without its fragment; nothing for one that leads nowhere. */
    static Optional<String> resolved(String address, String base) {
        String typed = address.strip().replaceAll("[\\t\\n\\r]", "");
        if (isInline(typed)) {
            return Optional.of(typed);
        }
        String url = StringUtil.resolve(base, typed).replaceAll("#.*$", "").replaceFirst("^file:/(?!/)", "file:///");
        return uri(url).isPresent() ? Optional.of(escaped(url)) : Optional.empty();
    }

    static Optional<URI> uri(String url) {
        try {
            return Optional.of(new URI(escaped(url)));
        } catch (URISyntaxException e) {
            return Optional.empty();
        }
    }

    private static String escaped(String url) {
        StringBuilder out = new StringBuilder();
        for (byte b : url.getBytes(StandardCharsets.UTF_8)) {
            int c = b & 0xFF;
            boolean plain = c > 0x20 && c < 0x7F && "\"<>\\^`{|}".indexOf(c) < 0;
            out.append(plain ? String.valueOf((char) c) : String.format("%%%02X", c));
        }
        return out.toString();
    }

    /** Scheme, host and port, by which browsers tell what is the page's own; empty for what has no host. */
    public static String origin(String url) {
        return uri(url).filter(uri -> uri.getHost() != null)
                .map(uri -> uri.getScheme().toLowerCase(Locale.ROOT) + "://"
                        + uri.getHost().toLowerCase(Locale.ROOT)
                        + (uri.getPort() < 0 ? "" : ":" + uri.getPort()))
                .orElse("");
    }

    /** The host in lower case; empty for what has none. */
    public static String host(String url) {
        return uri(url).map(URI::getHost)
                .map(host -> host.toLowerCase(Locale.ROOT))
                .orElse("");
    }

    /** The last part of the path, without a query; empty for a folder. */
    public static String fileName(String url) {
        String path = url.replaceAll("[?#].*", "");
        return path.substring(path.lastIndexOf('/') + 1);
    }

    static boolean isSecure(String url) {
        return begins(url, "https:");
    }

    static boolean isInline(String url) {
        return begins(url, "data:");
    }

    /** Whether browsers load nothing of it, as the page came by a secure connection and it would not (Mixed Content). */
    static boolean isMixed(String page, String url) {
        return isSecure(page) && begins(url, "http:");
    }

    private static boolean begins(String url, String start) {
        return url.regionMatches(true, 0, start, 0, start.length());
    }
}
