package app.unciala.core.page;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Where a page and what it links to are read from. */
public interface Resources {
    /** What is at an address; a failure is an answer as well, and nothing is thrown. */
    Resource get(String url, Use use);

    /** What is asked for, which limits how large it may be. */
    enum Use {
        PAGE,
        STYLE_SHEET,
        FONT,
        /** What a site says of its pages: {@code robots.txt}, a sitemap. */
        LIST
    }

    /**
     * An answer.
     *
     * @param url the address at the end of all redirects
     * @param status of HTTP; 200 for a file that is there, 404 for one that is not, 0 when there was no answer
     * @param headers by name in lower case
     * @param failure why there is nothing, in words
     */
    record Resource(String url, int status, Map<String, String> headers, byte[] bytes, Optional<String> failure) {
        public Resource {
            headers = Map.copyOf(headers);
        }

        public static Resource failed(String url, String why) {
            return new Resource(url, 0, Map.of(), new byte[0], Optional.of(why));
        }

        public boolean isFound() {
            return failure.isEmpty() && status >= 200 && status < 300;
        }

        public Optional<String> header(String name) {
            return Optional.ofNullable(headers.get(name));
        }

        /** The media type without parameters, in lower case; empty when none is said. */
        public String mediaType() {
            return header("content-type")
                    .map(type -> type.replaceAll(";.*", "").strip().toLowerCase(Locale.ROOT))
                    .orElse("");
        }

        /** Why nothing can be used of it, in words. */
        public String why() {
            return failure.orElse("the server answers " + status);
        }
    }
}
