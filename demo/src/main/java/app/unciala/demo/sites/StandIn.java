package app.unciala.demo.sites;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * A host of the demonstration.
 *
 * @param wrong what is wrong with its pages on purpose, in words; empty for one that is right
 * @param finds the kinds of errors and warnings that a check of its pages finds, and no others
 * @param files by path, {@code ""} for the start page
 * @param signIn the name and password that it wants, with a colon between them
 */
public record StandIn(
        String host, String wrong, Set<String> finds, Map<String, Served> files, Optional<String> signIn) {
    public StandIn {
        finds = Set.copyOf(finds);
        files = new TreeMap<>(files);
    }

    /** A file as it is sent. */
    public record Served(byte[] bytes, String mediaType) {
        static Served text(String text, String mediaType) {
            return new Served(text.getBytes(StandardCharsets.UTF_8), mediaType + "; charset=utf-8");
        }

        static Served file(String path, byte[] bytes) {
            return new Served(bytes, mediaType(path));
        }

        private static String mediaType(String path) {
            String extension = path.substring(path.lastIndexOf('.') + 1);
            return switch (extension) {
                case "woff2" -> "font/woff2";
                case "css" -> "text/css; charset=utf-8";
                case "js" -> "text/javascript; charset=utf-8";
                case "txt" -> "text/plain; charset=utf-8";
                default -> "text/html; charset=utf-8";
            };
        }
    }

    static StandIn of(String host, String wrong, Set<String> finds, Map<String, Served> files) {
        return new StandIn(host, wrong, finds, files, Optional.empty());
    }

    StandIn wanting(String nameAndPassword) {
        return new StandIn(host, wrong, finds, files, Optional.of(nameAndPassword));
    }

    /** With the files of a pack beside its own. */
    StandIn with(Map<String, byte[]> pack) {
        Map<String, Served> all = new LinkedHashMap<>();
        pack.forEach((path, bytes) -> all.put(path, Served.file(path, bytes)));
        all.putAll(files);
        return new StandIn(host, wrong, finds, all, signIn);
    }
}
