package app.unciala.core.fetch;

import app.unciala.core.page.Resources;
import java.io.IOException;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Reads a page that is a file, and what it links to from its folder; an address that begins with a slash is looked for
 * in that folder as well. What is on the web is read from there.
 */
public final class LocalResources implements Resources {
    private static final int MOST_BYTES = 40_000_000;

    private final Path folder;
    private final Resources web;

    public LocalResources(Path page, Resources web) {
        Path file = page.toAbsolutePath().normalize();
        folder = file.resolveSibling("");
        this.web = web;
    }

    /** The address by which a file is read. */
    public static String address(Path page) {
        return page.toAbsolutePath().normalize().toUri().toString();
    }

    @Override
    public Resource get(String url, Use use) {
        if (!url.regionMatches(true, 0, "file:", 0, 5)) {
            return web.get(url, use);
        }
        try {
            Path asked = Path.of(new URI(url.replaceAll("[?#].*", ""))).normalize();
            Path inside = asked.startsWith(folder) || !asked.isAbsolute()
                    ? asked
                    : folder.resolve(asked.subpath(0, asked.getNameCount())).normalize();
            Path found = Files.isRegularFile(inside) ? inside : asked;
            if (!Files.isRegularFile(found) || !isNear(found)) {
                return new Resource(url, 404, Map.of(), new byte[0], Optional.of("there is no such file"));
            }
            if (Files.size(found) > MOST_BYTES) {
                return Resource.failed(url, "it is larger than " + MOST_BYTES / 1_000_000 + " MB");
            }
            return new Resource(
                    found.toUri().toString(),
                    200,
                    Map.of("content-type", type(found)),
                    Files.readAllBytes(found),
                    Optional.empty());
        } catch (URISyntaxException | IllegalArgumentException e) {
            return Resource.failed(url, "it isn’t an address of a file");
        } catch (IOException e) {
            return Resource.failed(url, "it cannot be read: " + e.getMessage());
        }
    }

    /** In the page's folder or in one around it with what belongs to it, and not anywhere on the machine. */
    private boolean isNear(Path found) {
        Path around = folder;
        for (int up = 0; up < 3 && around != null; up++) {
            if (found.startsWith(around) && around.getNameCount() > 0) {
                return true;
            }
            around = around.getParent();
        }
        return false;
    }

    private static String type(Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        return name.endsWith(".css") ? "text/css" : name.matches(".*\\.x?html?") ? "text/html" : "";
    }
}
