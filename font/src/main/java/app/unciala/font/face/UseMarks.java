package app.unciala.font.face;

import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Words in the names and texts of a font that say it is not for general use: trial, demo, personal use and the like. */
public final class UseMarks {
    /** What the words amount to. */
    public enum Kind {
        TRIAL("says it is a trial"),
        DEMO("says it is a demo"),
        PERSONAL_USE("says it is for personal use"),
        NOT_COMMERCIAL("says it is not for commercial use"),
        DESKTOP_ONLY("says it is not for the web");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** The words found, with the text around them, and the record that holds them. */
    public record Mark(Kind kind, String source, String text) {
        public String words() {
            return source + " " + kind.words() + ": “" + text + "”";
        }
    }

    private static final String OR = "(and|or|and/or|&|as well as)";

    /** "Commercial and non-commercial use" allows both. */
    private static final String OR_COMMERCIAL_BEFORE = "(?<!(?<!non-?)commercial (use )?" + OR + " )";

    private static final String OR_COMMERCIAL_AFTER = "(?! (use )?" + OR + " (for )?commercial)";

    private static final Map<Kind, Pattern> PATTERNS = new LinkedHashMap<>();
    /** Words that mean something in a name only: texts speak of demonstrating and of trials in court. */
    private static final Map<Kind, Pattern> IN_NAMES = new LinkedHashMap<>();

    static {
        IN_NAMES.put(Kind.TRIAL, words("trial|test ?font|evaluation|eval", "Trial"));
        IN_NAMES.put(Kind.DEMO, words("demo|preview|sample", "Demo"));
        IN_NAMES.put(Kind.PERSONAL_USE, words("personal( use)?( only)?", "Personal|PersonalUse"));
        PATTERNS.put(
                Kind.TRIAL,
                words(
                        "trial (version|font|license|use|purposes)|for (trial|evaluation|testing)( purposes)?( only)?",
                        ""));
        PATTERNS.put(Kind.DEMO, words("demo (version|font)|for demo(nstration)?( purposes)?( only)?", ""));
        PATTERNS.put(
                Kind.PERSONAL_USE,
                words(
                        OR_COMMERCIAL_BEFORE + "(for|free for|only for) personal use" + OR_COMMERCIAL_AFTER
                                + "|(personal|private) use only",
                        ""));
        PATTERNS.put(
                Kind.NOT_COMMERCIAL,
                words(
                        OR_COMMERCIAL_BEFORE + "non-?commercial( use)?( only)?" + OR_COMMERCIAL_AFTER
                                + "|not (be used )?for commercial( use)?|no commercial use",
                        ""));
        PATTERNS.put(
                Kind.DESKTOP_ONLY,
                words("desktop (use )?only|not (licensed |permitted )?for (web|online) use|no web ?(font|use)", ""));
    }

    /** One of these is in everything that any of the patterns finds. */
    private static final List<String> STEMS = List.of(
            "trial",
            "test",
            "eval",
            "demo",
            "preview",
            "sample",
            "personal",
            "private",
            "commercial",
            "desktop",
            "web",
            "online");

    /** Texts are broken into lines wherever it suited their writers. */
    private static final Pattern BREAKS = Pattern.compile("[ \t]*[\r\n]\\s*");

    private static final int AROUND = 40;

    private UseMarks() {}

    /** At most one mark of each kind, from the names first. */
    public static List<Mark> in(NameTable names) {
        Map<Kind, Mark> found = new LinkedHashMap<>();
        Set<String> seen = new HashSet<>();
        for (NameRecord record : names.records()) {
            if (!seen.add(record.text()) || !mayMark(record.text())) {
                continue;
            }
            String text = BREAKS.matcher(record.text()).replaceAll(" ");
            boolean isName = (record.nameId() >= 1 && record.nameId() <= 6 && record.nameId() != NameTable.VERSION)
                    || (record.nameId() >= NameTable.TYPOGRAPHIC_FAMILY && record.nameId() <= NameTable.WWS_SUBFAMILY);
            if (isName) {
                find(IN_NAMES, "name " + record.nameId(), text, found);
            }
            find(PATTERNS, "name " + record.nameId(), text, found);
        }
        return new ArrayList<>(found.values());
    }

    /** At most one mark of each kind in a text that came along with fonts; {@code source} says which it is. */
    public static List<Mark> in(String source, String text) {
        Map<Kind, Mark> found = new LinkedHashMap<>();
        if (mayMark(text)) {
            find(PATTERNS, source, BREAKS.matcher(text).replaceAll(" "), found);
        }
        return new ArrayList<>(found.values());
    }

    /** License texts are long, and looking for words is far quicker than for patterns. */
    private static boolean mayMark(String text) {
        String lower = text.toLowerCase(Locale.ROOT);
        return STEMS.stream().anyMatch(lower::contains);
    }

    private static void find(Map<Kind, Pattern> patterns, String source, String text, Map<Kind, Mark> found) {
        patterns.forEach((kind, pattern) -> {
            Matcher matcher = pattern.matcher(text);
            if (!found.containsKey(kind) && matcher.find()) {
                int from = Math.max(0, matcher.start() - AROUND);
                int to = Math.min(text.length(), matcher.end() + AROUND);
                found.put(kind, new Mark(kind, source, text.substring(from, to).strip()));
            }
        });
    }

    /** Whole words in any case, and words that a name runs together, as in "HarrowTrial-Bold". */
    private static Pattern words(String alternatives, String together) {
        String whole = "(?<!\\p{L})(?i:" + alternatives + ")(?!\\p{L})";
        return Pattern.compile(together.isEmpty() ? whole : whole + "|(?<=\\p{Ll})(?:" + together + ")(?!\\p{Ll})");
    }
}
