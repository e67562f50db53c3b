package app.unciala.font.language;

import java.lang.Character.UnicodeScript;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;

/** Letters to show a face by, out of those it has. */
public final class SampleLetters {
    private static final int MOST = 40;
    private static final int FIRST_PICTURE = 0x1F300;
    private static final String LATIN = "AaBbCcDdEeFfGgHhIiJjKkLlMmNnOoPpQqRrSs";
    private static final Set<UnicodeScript> NO_SCRIPT =
            Set.of(UnicodeScript.COMMON, UnicodeScript.INHERITED, UnicodeScript.UNKNOWN);

    private SampleLetters() {}

    /**
     * At most forty letters of the script that the face has most of, or pictures and signs where it has no letters; those
     * that show a face best come first. Latin comes before all others.
     *
     * @param codePoints those the face has, ascending
     */
    public static String of(int[] codePoints) {
        if (hasAll(codePoints, LATIN)) {
            return "Ag" + LATIN;
        }
        Map<UnicodeScript, Integer> counts = new EnumMap<>(UnicodeScript.class);
        Arrays.stream(codePoints)
                .filter(Character::isLetter)
                .mapToObj(UnicodeScript::of)
                .filter(script -> !NO_SCRIPT.contains(script))
                .forEach(script -> counts.merge(script, 1, Integer::sum));
        return counts.entrySet().stream()
                .max(Map.Entry.comparingByValue(Comparator.naturalOrder()))
                .map(most -> first(codePoints, c -> Character.isLetter(c) && UnicodeScript.of(c) == most.getKey()))
                .orElseGet(() -> signs(codePoints));
    }

    private static boolean hasAll(int[] codePoints, String letters) {
        return letters.chars().allMatch(letter -> Arrays.binarySearch(codePoints, letter) >= 0);
    }

    private static String first(int[] codePoints, IntPredicate chosen) {
        return Arrays.stream(codePoints)
                .filter(chosen)
                .limit(MOST)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }

    /** Pictures before figures and dashes, which fonts of pictures have too. */
    private static String signs(int[] codePoints) {
        String pictures = first(codePoints, c -> c >= FIRST_PICTURE && Character.getType(c) == Character.OTHER_SYMBOL);
        return pictures.isEmpty() ? first(codePoints, SampleLetters::isVisible) : pictures;
    }

    /** Signs, and what icon fonts keep in the private area; marks and selectors show nothing by themselves. */
    private static boolean isVisible(int codePoint) {
        return switch (Character.getType(codePoint)) {
            case Character.CONTROL,
                    Character.FORMAT,
                    Character.SPACE_SEPARATOR,
                    Character.LINE_SEPARATOR,
                    Character.PARAGRAPH_SEPARATOR,
                    Character.NON_SPACING_MARK,
                    Character.ENCLOSING_MARK,
                    Character.COMBINING_SPACING_MARK -> false;
            default -> true;
        };
    }
}
