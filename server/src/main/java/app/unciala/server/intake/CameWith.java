package app.unciala.server.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Under which open license fonts came that say nothing of it themselves: that of the license text in their own folder, or
 * in the nearest folder above it, within the same drop.
 */
final class CameWith {
    private final Map<String, String> byFolder = new HashMap<>();

    /** A file of a drop; {@code openLicense} is an SPDX identifier, or empty. */
    record Item(String id, String path, boolean font, String openLicense) {}

    private CameWith(List<Item> items) {
        items.stream()
                .filter(item -> !item.font() && !item.openLicense().isEmpty())
                .forEach(item -> byFolder.putIfAbsent(folder(item.path()), item.openLicense()));
    }

    /** The ids of the fonts that have no license of their own, by the license that they came under. */
    static Map<String, List<String>> of(List<Item> items) {
        CameWith texts = new CameWith(items);
        Map<String, List<String>> found = new TreeMap<>();
        items.stream()
                .filter(item -> item.font() && item.openLicense().isEmpty())
                .forEach(item -> texts.above(folder(item.path()))
                        .ifPresent(license -> found.computeIfAbsent(license, spdx -> new ArrayList<>())
                                .add(item.id())));
        return found;
    }

    private Optional<String> above(String folder) {
        String at = folder;
        while (true) {
            String license = byFolder.get(at);
            if (license != null) {
                return Optional.of(license);
            }
            if (at.isEmpty()) {
                return Optional.empty();
            }
            at = folder(at);
        }
    }

    private static String folder(String path) {
        return path.substring(0, Math.max(0, path.lastIndexOf('/')));
    }
}
