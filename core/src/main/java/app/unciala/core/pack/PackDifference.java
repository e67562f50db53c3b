package app.unciala.core.pack;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.pack.Pack.Entry;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * What one pack has otherwise than another.
 *
 * @param files those whose bytes differ, that came or that went, in the order of their paths in the packs
 * @param came the rules that only the later one has, as text
 * @param went the rules that only the earlier one has
 */
public record PackDifference(List<ChangedFile> files, List<String> came, List<String> went) {
    private static final Pattern SHORT_DIGEST = Pattern.compile("-?[0-9a-f]{8}(?=\\.[^./]+$)");
    private static final Pattern INLINE = Pattern.compile("base64,([A-Za-z0-9+/=]{40,})");

    /**
     * A file that differs. Files whose names differ only in the part of a digest are one file.
     *
     * @param path in the later pack, or in the earlier one when the later has it no more
     * @param before its bytes in the earlier pack, 0 when it came
     * @param after its bytes in the later pack, 0 when it went
     */
    public record ChangedFile(String path, long before, long after) {}

    public static PackDifference between(Pack before, Pack after) {
        Map<String, Entry> earlier = byName(before);
        Map<String, Entry> later = byName(after);
        List<ChangedFile> files = new ArrayList<>();
        later.forEach((name, entry) -> {
            Entry old = earlier.get(name);
            if (old == null) {
                files.add(new ChangedFile(entry.path(), 0, entry.bytes().length));
            } else if (!Arrays.equals(old.bytes(), entry.bytes())) {
                files.add(new ChangedFile(entry.path(), old.bytes().length, entry.bytes().length));
            }
        });
        earlier.forEach((name, entry) -> {
            if (!later.containsKey(name)) {
                files.add(new ChangedFile(entry.path(), entry.bytes().length, 0));
            }
        });
        Set<String> old = rules(before);
        Set<String> now = rules(after);
        return new PackDifference(
                files,
                now.stream().filter(rule -> !old.contains(rule)).toList(),
                old.stream().filter(rule -> !now.contains(rule)).toList());
    }

    private static Map<String, Entry> byName(Pack pack) {
        Map<String, Entry> byName = new LinkedHashMap<>();
        for (Entry entry : pack.entries()) {
            String name = SHORT_DIGEST.matcher(entry.path()).replaceAll("");
            byName.put(byName.containsKey(name) ? entry.path() : name, entry);
        }
        return byName;
    }

    /** The rules of all style sheets of a pack, with spaces in place of line ends, and fonts in them as their length. */
    private static Set<String> rules(Pack pack) {
        Set<String> rules = new LinkedHashSet<>();
        for (Entry entry : pack.entries()) {
            if (entry.path().endsWith(".css") || entry.path().equals(OutputShape.STYLE_BLOCK.fileName())) {
                String css = new String(entry.bytes(), StandardCharsets.UTF_8).replaceAll("</?style>", "");
                StyleSheet.read(css)
                        .rules()
                        .forEach(rule -> rules.add(written(css.substring(rule.start(), rule.end()))));
            }
        }
        return rules;
    }

    private static String written(String rule) {
        return INLINE.matcher(rule.replaceAll("\\s+", " "))
                .replaceAll(match -> "base64,… (" + match.group(1).length() * 3 / 4 + " bytes)");
    }
}
