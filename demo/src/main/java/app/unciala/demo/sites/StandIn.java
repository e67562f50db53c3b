package app.unciala.demo.sites;

import com.google.common.base.Suppliers;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * A host of the demonstration.
 *
 * @param wrong what is wrong with its pages on purpose, in words; empty for one that is right
 * @param finds the kinds of errors and warnings that a check of its pages finds, and no others
 * @param files its own files by path, {@code ""} for the start page
 * @param pack the files of the pack that it was handed, beside its own; asked for once
 * @param signIn the name and password that it wants, with a colon between them
 */
public record StandIn(
        String host,
        String wrong,
        Set<String> finds,
        Map<String, Served> files,
        Supplier<Map<String, byte[]>> pack,
        Optional<String> signIn) {
    public StandIn {
        finds = Set.copyOf(finds);
        files = new TreeMap<>(files);
    }

    /** What is at a path, or null. */
    @Nullable
    Served file(String path) {
        Served own = files.get(path);
        if (own != null) {
            return own;
        }
        byte[] packed = pack.get().get(path);
        return packed == null ? null : Served.file(path, packed);
    }

    /** A file as it is sent; its bytes are made when somebody asks for them. */
    public record Served(Supplier<byte[]> content, String mediaType) {
        static Served text(String text, String mediaType) {
            return new Served(() -> text.getBytes(StandardCharsets.UTF_8), mediaType + "; charset=utf-8");
        }

        static Served file(String path, byte[] bytes) {
            return new Served(() -> bytes, mediaType(path));
        }

        public byte[] bytes() {
            return content.get();
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
        return new StandIn(host, wrong, finds, files, Map::of, Optional.empty());
    }

    StandIn wanting(String nameAndPassword) {
        return new StandIn(host, wrong, finds, files, pack, Optional.of(nameAndPassword));
    }

    StandIn with(Supplier<Map<String, byte[]>> handed) {
        return new StandIn(host, wrong, finds, files, Suppliers.memoize(handed::get), signIn);
    }
}
