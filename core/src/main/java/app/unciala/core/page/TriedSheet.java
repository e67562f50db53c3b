package app.unciala.core.page;

import app.unciala.core.page.Resources.Resource;
import app.unciala.font.FontFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** A style sheet with its fonts that is tried on pages as if it stood after their own, without being on their host. */
public final class TriedSheet {
    private static final String FOLDER = "/tried-by-unciala/";

    private final String css;
    /** By address; each answer is the same for all pages, so that its font is read once. */
    private final Map<String, Resource> fonts = new LinkedHashMap<>();

    /**
     * A style sheet that names its fonts by {@link #address}.
     *
     * @param fonts the bytes of the fonts by their file names
     */
    public TriedSheet(String css, Map<String, byte[]> fonts) {
        this.css = css;
        fonts.forEach((name, bytes) -> this.fonts.put(
                address(name),
                new Resource(
                        address(name),
                        200,
                        Map.of("content-type", type(name), "access-control-allow-origin", "*"),
                        bytes,
                        Optional.empty())));
    }

    /** Where a font is on every page that the style sheet is tried on. */
    public static String address(String fileName) {
        return FOLDER + fileName;
    }

    String css() {
        return css;
    }

    /** What is there, with the fonts of the style sheet. */
    Resources over(Resources web) {
        return (url, use) -> {
            int at = url.indexOf(FOLDER);
            Resource font = at < 0 ? null : fonts.get(url.substring(at));
            return font == null ? web.get(url, use) : font;
        };
    }

    private static String type(String name) {
        return FontFormat.promisedBy(name).map(FontFormat::mediaType).orElse("application/octet-stream");
    }
}
