package app.unciala.core.page;

import app.unciala.core.css.cascade.Viewport;
import app.unciala.core.page.Resources.Resource;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a person's own browser read of a page that is open in it: pages behind a sign-in, or built by scripts. The JSON
 * of it is described in {@code docs/page-reading.md}.
 *
 * @param version of the description; 1
 * @param page the address, without its fragment
 * @param base what addresses in it are relative to
 * @param title what the page calls itself; empty where texts are reduced to their characters
 * @param textKept whether texts are whole; otherwise each is its characters, once each, in the order of code points
 * @param quirks whether the browser shows it in quirks mode
 * @param document its elements as XML; {@value #STYLE} of one with text says which of the styles its text has
 * @param styles the computed font properties of texts
 * @param sheets the style sheets that count, in the order of the cascade
 * @param preloads the fonts it asks for before a rule needs them
 * @param scriptFamilies families that scripts added to {@code document.fonts}
 * @param files style sheets and fonts as the browser fetched them
 */
public record BrowserReading(
        int version,
        String page,
        String base,
        String title,
        boolean textKept,
        boolean quirks,
        Window window,
        String document,
        List<Style> styles,
        List<Sheet> sheets,
        List<Preload> preloads,
        List<String> scriptFamilies,
        List<File> files) {
    public static final int VERSION = 1;
    /** The attribute that names a text's style by its place in the list, from 0. */
    static final String STYLE = "data-unciala-style";

    private static final int MOST = 5_000;

    public BrowserReading {
        if (version != VERSION) {
            throw new IllegalArgumentException("version is " + version + ", and only " + VERSION + " is known");
        }
        given("page", page);
        given("window", window);
        given("document", document);
        if (!page.matches("(?i)https?://.+") || Addresses.host(page).isEmpty()) {
            throw new IllegalArgumentException("page isn’t an address of a page: " + page);
        }
        if (!document.stripLeading().startsWith("<html")) {
            throw new IllegalArgumentException("document has no html element");
        }
        title = title == null ? "" : title;
        base = base == null ? page : base;
        styles = list("styles", styles);
        sheets = list("sheets", sheets);
        preloads = list("preloads", preloads);
        scriptFamilies = list("scriptFamilies", scriptFamilies);
        files = list("files", files);
    }

    /** In CSS pixels. */
    public record Window(double width, double height) {
        public Window {
            if (!(width >= 1 && width <= 100_000 && height >= 1 && height <= 100_000)) {
                throw new IllegalArgumentException("window is " + width + " by " + height + " pixels");
            }
        }
    }

    /**
     * Computed font properties, as {@code getComputedStyle} gives them.
     *
     * @param slope the value of {@code font-style}
     * @param width in percent of the normal width
     * @param size in CSS pixels
     */
    public record Style(String family, double weight, String slope, double width, double size) {
        public Style {
            given("family of a style", family);
            given("slope of a style", slope);
        }
    }

    /** A style sheet by its address, to be found among the files, or by its text if it has none. */
    public record Sheet(
            @Nullable String address,
            @Nullable String text,
            @Nullable String media) {}

    public record Preload(String address, boolean crossOrigin) {
        public Preload {
            given("address of a preload", address);
        }
    }

    /**
     * A file as the browser was given it.
     *
     * @param at the address at the end of all redirects
     * @param status of HTTP; 0 when the browser was given no answer
     * @param headers those it may read, by name in lower case
     * @param base64 the bytes, unpacked; nothing when there are none
     */
    public record File(
            String address,
            @Nullable String at,
            int status,
            @Nullable Map<String, String> headers,
            @Nullable String base64) {
        public File {
            given("address of a file", address);
        }

        private Resource resource() {
            if (status == 0) {
                return Resource.failed(address, "the browser was given no answer that it may read");
            }
            byte[] bytes;
            try {
                bytes = base64 == null ? new byte[0] : Base64.getDecoder().decode(base64);
            } catch (IllegalArgumentException e) {
                return Resource.failed(address, "its bytes are no Base64");
            }
            Map<String, String> said = new HashMap<>(headers == null ? Map.of() : headers);
            said.values().removeIf(Objects::isNull);
            // Scripts are shown answers of other origins only where these consent, and are not told of the header.
            said.putIfAbsent("access-control-allow-origin", "*");
            return new Resource(at == null || at.isEmpty() ? address : at, status, said, bytes, Optional.empty());
        }
    }

    /** The page as it was seen, in the window it was seen in; what is not among its files is asked of {@code web}. */
    public PageReading read(Resources web) {
        return reader(web, OwnHosts.OF_PAGE).read(this);
    }

    /** What reads it. */
    public PageReader reader(Resources web, OwnHosts own) {
        Map<String, Resource> known = new HashMap<>();
        files.forEach(file -> known.putIfAbsent(file.address(), file.resource()));
        Resources resources = (url, use) -> {
            Resource answer = known.get(url);
            return answer == null ? web.get(url, use) : answer;
        };
        return new PageReader(resources, new Viewport(window.width(), window.height()), own);
    }

    private static void given(String what, @Nullable Object value) {
        if (value == null) {
            throw new IllegalArgumentException(what + " is missing");
        }
    }

    private static <T> List<T> list(String what, @Nullable List<T> values) {
        if (values == null) {
            return List.of();
        }
        if (values.size() > MOST || values.stream().anyMatch(value -> value == null)) {
            throw new IllegalArgumentException(what + " has more than " + MOST + " entries, or an empty one");
        }
        return List.copyOf(values);
    }
}
