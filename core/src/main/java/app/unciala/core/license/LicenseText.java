package app.unciala.core.license;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Recognizes open licenses in texts that come along with fonts, and in what fonts say of their license themselves. */
public final class LicenseText {
    /** Longer texts are no licenses of one font; what follows is not read. */
    private static final int LONGEST = 200_000;

    private static final int AROUND = 60;
    private static final Pattern BREAKS = Pattern.compile("[\\s#*>]+");
    private static final Pattern RESERVED =
            Pattern.compile("with reserved font names?:? ([^.;\\n]{1,200})", Pattern.CASE_INSENSITIVE);
    private static final Pattern NAME = Pattern.compile("[\"“”'‘’]([^\"“”'‘’]{1,60})[\"“”'‘’]");

    private LicenseText() {}

    /** What was recognized, and the words that say so. */
    public record Recognized(OpenLicense license, String quote) {}

    /** The open license that a text is, or names first. */
    public static Optional<Recognized> recognize(String text) {
        String line = oneLine(text);
        Optional<Recognized> first = Optional.empty();
        int at = Integer.MAX_VALUE;
        for (OpenLicense license : OpenLicense.values()) {
            // Of two at the same place, the one that is more precise comes first.
            Optional<MatchResult> found = license.in(line);
            if (found.isPresent() && found.get().start() < at) {
                at = found.get().start();
                first = Optional.of(
                        new Recognized(license, around(line, at, found.get().end())));
            }
        }
        return first;
    }

    /** The open license that a font names in its records: name 13 (license) and name 14 (license URL). */
    public static Optional<Recognized> recognize(String license, String url) {
        return recognize(license).or(() -> Arrays.stream(OpenLicense.values())
                .filter(open -> open.isAt(url) || open.isAt(license))
                .findFirst()
                .map(open -> new Recognized(open, url.isEmpty() ? license : url)));
    }

    /** The names that copies that were changed may not bear (SIL Open Font License, "Reserved Font Name"). */
    public static List<String> reservedNames(String text) {
        Set<String> names = new LinkedHashSet<>();
        Matcher matcher = RESERVED.matcher(text.substring(0, Math.min(LONGEST, text.length())));
        while (matcher.find()) {
            String named = matcher.group(1);
            Matcher quoted = NAME.matcher(named);
            List<String> found = new ArrayList<>();
            while (quoted.find()) {
                found.add(quoted.group(1).strip());
            }
            // The license speaks of reserved names itself, without naming any.
            String bare = named.replaceAll("[\"“”'‘’]", "").strip();
            if (found.isEmpty()
                    && !bare.isEmpty()
                    && !bare.matches("(?i)(or|and|is|are|the|to|shall|unless|refers)\\b.*")) {
                found.add(bare);
            }
            names.addAll(found);
        }
        return List.copyOf(names);
    }

    private static String oneLine(String text) {
        return BREAKS.matcher(text.substring(0, Math.min(LONGEST, text.length())))
                .replaceAll(" ");
    }

    private static String around(String line, int start, int end) {
        int from = Math.max(0, start - AROUND);
        int to = Math.min(line.length(), Math.min(end, start + AROUND) + AROUND);
        return line.substring(from, to).strip();
    }
}
