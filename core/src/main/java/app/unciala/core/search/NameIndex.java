package app.unciala.core.search;

import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.face.StyleNames;
import app.unciala.font.face.StyleNames.Said;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Finds families by names as people half remember them: accents, case, spaces, hyphens and the order of words do not
 * matter, the last word may be unfinished, a letter may be wrong, and words for styles, shortened ones too, lead to a
 * face. It never changes once made, so that many may search at once.
 *
 * <p>How near a family is, the best first: its very name; a name that begins with what was typed; all of the words in
 * whatever order; all of them but for a wrong letter (two in words of eight letters and more); and, as the nearest of those
 * that are not meant, families that have one of the words.
 */
public final class NameIndex {
    /** What is searched: a family, its slots, and the names that its files give their styles. */
    public record Family(String id, String name, List<Style> styles) {}

    /** A face of a family; {@code name} is what its foundry calls it. */
    public record Style(Slot slot, String name) {}

    /** How sure it is that a family is meant. */
    public enum Nearness {
        SAME_NAME,
        BEGINS_SO,
        HAS_THE_WORDS,
        A_LETTER_WRONG,
        /** Not what was asked for; the nearest that there is. */
        RESEMBLES
    }

    /** A family found, and the face that was asked for where one was. */
    public record Found(String familyId, Nearness nearness, Optional<Slot> slot) {}

    private static final Map<String, String> SHORT = Map.ofEntries(
            Map.entry("th", "thin"),
            Map.entry("xlt", "extra light"),
            Map.entry("xlight", "extra light"),
            Map.entry("lt", "light"),
            Map.entry("rg", "regular"),
            Map.entry("reg", "regular"),
            Map.entry("rom", "roman"),
            Map.entry("bk", "book"),
            Map.entry("md", "medium"),
            Map.entry("med", "medium"),
            Map.entry("sb", "semi bold"),
            Map.entry("sbd", "semi bold"),
            Map.entry("sbold", "semi bold"),
            Map.entry("db", "demi bold"),
            Map.entry("bd", "bold"),
            Map.entry("bld", "bold"),
            Map.entry("xb", "extra bold"),
            Map.entry("xbd", "extra bold"),
            Map.entry("xbold", "extra bold"),
            Map.entry("blk", "black"),
            Map.entry("hvy", "heavy"),
            Map.entry("it", "italic"),
            Map.entry("ita", "italic"),
            Map.entry("ital", "italic"),
            Map.entry("obl", "oblique"),
            Map.entry("cn", "condensed"),
            Map.entry("cond", "condensed"),
            Map.entry("ext", "expanded"),
            Map.entry("exp", "expanded"));

    private static final int LONG_WORD = 8;
    private static final int SHORT_WORD = 4;

    private final List<Entry> entries = new ArrayList<>();

    private record Entry(Family family, String joined, List<String> words, Set<String> styleWords) {
        static Entry of(Family family) {
            Set<String> styles = new HashSet<>();
            family.styles().forEach(style -> styles.addAll(Words.of(style.name())));
            List<String> words = Words.of(family.name());
            return new Entry(family, String.join("", words), words, styles);
        }
    }

    /** A family with what made it a match. */
    private record Match(Entry entry, Nearness nearness, int wrong, Optional<Slot> slot) {}

    public NameIndex(Iterable<Family> families) {
        families.forEach(family -> entries.add(Entry.of(family)));
    }

    public int size() {
        return entries.size();
    }

    /** The families that a text may mean, the likeliest first; those that only resemble it when no other does. */
    public List<Found> find(String text, int most) {
        List<String> typed = Words.of(text);
        if (typed.isEmpty()) {
            return List.of();
        }
        List<Match> matches = new ArrayList<>();
        entries.forEach(entry -> match(entry, typed).ifPresent(matches::add));
        boolean meant = matches.stream().anyMatch(match -> match.nearness() != Nearness.RESEMBLES);
        return matches.stream()
                .filter(match -> !meant || match.nearness() != Nearness.RESEMBLES)
                .sorted(Comparator.comparing(Match::nearness)
                        .thenComparing(Match::wrong)
                        .thenComparing(match -> match.slot().isEmpty())
                        .thenComparing(match -> match.entry().joined().length())
                        .thenComparing(match -> match.entry().joined())
                        .thenComparing(match -> match.entry().family().id()))
                .limit(most)
                .map(match -> new Found(match.entry().family().id(), match.nearness(), match.slot()))
                .toList();
    }

    /** What follows the name may be the words for a face: "lato blk", "harrow semi bold ital"; the nearest reading counts. */
    private static Optional<Match> match(Entry entry, List<String> typed) {
        List<Match> readings = new ArrayList<>();
        named(entry, typed, Optional.empty()).ifPresent(readings::add);
        for (int names = typed.size() - 1; names >= 1; names--) {
            Optional<Slot> slot = slotOf(entry, typed.subList(names, typed.size()));
            if (slot.isPresent()) {
                named(entry, typed.subList(0, names), slot).ifPresent(readings::add);
            }
        }
        return readings.stream().min(Comparator.comparing(Match::nearness).thenComparing(Match::wrong));
    }

    private static Optional<Match> named(Entry entry, List<String> typed, Optional<Slot> slot) {
        String joined = String.join("", typed);
        if (entry.joined().equals(joined)) {
            return Optional.of(new Match(entry, Nearness.SAME_NAME, 0, slot));
        }
        if (slot.isEmpty() && entry.joined().startsWith(joined)) {
            return Optional.of(new Match(entry, Nearness.BEGINS_SO, 0, slot));
        }
        int wrong = 0;
        int found = 0;
        for (int i = 0; i < typed.size(); i++) {
            int best = nearest(typed.get(i), entry.words(), i == typed.size() - 1);
            found += best <= allowed(typed.get(i)) ? 1 : 0;
            wrong += best;
        }
        if (found == typed.size()) {
            Nearness nearness = wrong == 0 ? Nearness.HAS_THE_WORDS : Nearness.A_LETTER_WRONG;
            return Optional.of(new Match(entry, nearness, wrong, slot));
        }
        int together = WrongLetters.between(joined, entry.joined(), allowed(joined));
        if (together <= allowed(joined)) {
            return Optional.of(new Match(entry, Nearness.A_LETTER_WRONG, together, slot));
        }
        return found > 0
                ? Optional.of(new Match(entry, Nearness.RESEMBLES, wrong, Optional.empty()))
                : Optional.empty();
    }

    private static int allowed(String word) {
        return word.length() >= LONG_WORD ? 2 : word.length() >= SHORT_WORD ? 1 : 0;
    }

    private static int nearest(String typed, List<String> words, boolean unfinished) {
        int allowed = allowed(typed);
        int best = allowed + 1;
        for (String word : words) {
            if (word.equals(typed) || (unfinished && word.startsWith(typed))) {
                return 0;
            }
            best = Math.min(best, WrongLetters.between(typed, word, allowed));
        }
        return best;
    }

    /** The face of a family that words name, by its number or by what its foundry calls it. */
    private static Optional<Slot> slotOf(Entry entry, List<String> words) {
        if (!words.stream().allMatch(word -> isStyleWord(entry, word))) {
            return Optional.empty();
        }
        String style = String.join(
                " ", words.stream().map(word -> SHORT.getOrDefault(word, word)).toList());
        Optional<Slot> called = entry.family().styles().stream()
                .filter(named -> Words.of(named.name()).equals(words)
                        || Words.of(named.name()).equals(Words.of(style)))
                .map(Style::slot)
                .findFirst();
        return called.or(() -> {
            Said said = StyleNames.read(style);
            Slope slope = said.slope().orElse(Slope.UPRIGHT);
            Optional<Double> number = words.stream()
                    .filter(word -> word.matches("[1-9]\\d{1,2}|1000"))
                    .map(Double::valueOf)
                    .findFirst();
            Slot asked = Slot.of(
                    number.orElse(said.weight().orElse(400).doubleValue()),
                    said.width().orElse(100.0),
                    slope);
            return entry.family().styles().stream()
                    .map(Style::slot)
                    .filter(slot -> slot.standsFor(asked))
                    .findFirst();
        });
    }

    private static boolean isStyleWord(Entry entry, String word) {
        if (SHORT.containsKey(word) || entry.styleWords().contains(word) || word.matches("[1-9]\\d{1,2}|1000")) {
            return true;
        }
        Said said = StyleNames.read(word);
        return said.weight().isPresent()
                || said.width().isPresent()
                || said.slope().isPresent()
                || List.of("semi", "extra", "ultra").contains(word);
    }
}
