package app.unciala.core.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Style sheets of packages that the browser tests install, as people publish them; for tests only. */
public final class StyleSheets {
    private static final Path PACKAGES = Path.of("..", "e2e", "node_modules");
    private static final List<String> FILES = List.of(
            "bootstrap/dist/css/bootstrap.css",
            "bulma/css/bulma.css",
            "normalize.css/normalize.css",
            "milligram/dist/milligram.css",
            "purecss/build/pure.css",
            "@picocss/pico/css/pico.css",
            "katex/dist/katex.css",
            "github-markdown-css/github-markdown.css",
            "animate.css/animate.css",
            "water.css/out/water.css",
            "sanitize.css/sanitize.css",
            "font-awesome/css/font-awesome.css");

    private StyleSheets() {}

    /** Their texts by path. */
    public static Map<String, String> published() {
        Map<String, String> texts = new LinkedHashMap<>();
        for (String file : FILES) {
            try {
                texts.put(file, Files.readString(PACKAGES.resolve(file)));
            } catch (IOException e) {
                throw new UncheckedIOException("Run npm ci in e2e first.", e);
            }
        }
        return texts;
    }
}
