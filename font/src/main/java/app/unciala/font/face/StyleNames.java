package app.unciala.font.face;

import app.unciala.font.Numbers;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * The words for weights and widths and their numbers, as in OpenType ({@code usWeightClass}, {@code usWidthClass})
 * and CSS Fonts 4 (section 2.2.1).
 */
public final class StyleNames {
    private static final Map<String, Integer> WEIGHTS = new LinkedHashMap<>();
    private static final Map<String, Double> WIDTHS = new LinkedHashMap<>();

    private static final Map<String, Slope> SLOPES =
            Map.of("italic", Slope.ITALIC, "kursiv", Slope.ITALIC, "oblique", Slope.OBLIQUE, "slanted", Slope.OBLIQUE);
    /** Words for the sizes that a face is designed for, which are no weight, width or slope. */
    private static final Set<String> DESIGN_SIZES = Set.of(
            "banner", "caption", "deck", "display", "headline", "micro", "poster", "subhead", "subheading", "text");

    /**
     * A size in points: as such, or a number below those by which some foundries number weight, width and slope, which
     * begin at 23.
     */
    private static final Pattern POINTS = Pattern.compile("\\d{1,3}pt|0?[1-9]|1\\d|2[0-2]", Pattern.CASE_INSENSITIVE);

    private static final Pattern CAPITAL_WITHIN = Pattern.compile("(?<=[a-z])(?=[A-Z])");
    private static final Pattern NO_LETTERS = Pattern.compile("[^a-z]+");
    private static final Set<String> MODIFIERS = Set.of("semi", "demi", "extra", "ultra");

    static {
        WEIGHTS.put("thin", 100);
        WEIGHTS.put("hairline", 100);
        WEIGHTS.put("extralight", 200);
        WEIGHTS.put("ultralight", 200);
        WEIGHTS.put("light", 300);
        WEIGHTS.put("semilight", 350);
        WEIGHTS.put("demilight", 350);
        WEIGHTS.put("regular", 400);
        WEIGHTS.put("normal", 400);
        WEIGHTS.put("book", 400);
        WEIGHTS.put("roman", 400);
        WEIGHTS.put("medium", 500);
        WEIGHTS.put("semibold", 600);
        WEIGHTS.put("demibold", 600);
        WEIGHTS.put("demi", 600);
        WEIGHTS.put("bold", 700);
        WEIGHTS.put("extrabold", 800);
        WEIGHTS.put("ultrabold", 800);
        WEIGHTS.put("black", 900);
        WEIGHTS.put("heavy", 900);
        WEIGHTS.put("extrablack", 950);
        WEIGHTS.put("ultrablack", 950);
        WIDTHS.put("ultracondensed", 50.0);
        WIDTHS.put("extracondensed", 62.5);
        WIDTHS.put("condensed", 75.0);
        WIDTHS.put("narrow", 75.0);
        WIDTHS.put("semicondensed", 87.5);
        WIDTHS.put("semiexpanded", 112.5);
        WIDTHS.put("expanded", 125.0);
        WIDTHS.put("extraexpanded", 150.0);
        WIDTHS.put("ultraexpanded", 200.0);
    }

    /** The words of a style name that name a design size, as they are written; empty when none does. */
    static String designSize(String style) {
        return wordsThat(style, StyleNames::isDesignSize);
    }

    /** The other words of a style name. */
    public static String withoutDesignSize(String style) {
        return wordsThat(style, word -> !isDesignSize(word));
    }

    private static String wordsThat(String style, Predicate<String> wanted) {
        return Arrays.stream(style.split("\\s+")).filter(wanted).collect(Collectors.joining(" "));
    }

    private static boolean isDesignSize(String word) {
        return DESIGN_SIZES.contains(word.toLowerCase(Locale.ROOT))
                || POINTS.matcher(word).matches();
    }

    /** What a style name says of itself; what it does not say is empty. */
    public record Said(Optional<Integer> weight, Optional<Double> width, Optional<Slope> slope) {}

    private StyleNames() {}

    /** The usual word for a weight. */
    public static String weightName(double weight) {
        return WEIGHTS.entrySet().stream()
                .filter(entry -> entry.getValue() == weight)
                .findFirst()
                .map(entry -> spaced(entry.getKey()))
                .orElse("Weight " + Numbers.plain(weight));
    }

    public static String widthName(double width) {
        return WIDTHS.entrySet().stream()
                .filter(entry -> entry.getValue() == width)
                .findFirst()
                .map(entry -> spaced(entry.getKey()))
                .orElse(Numbers.plain(width) + " % wide");
    }

    /** The percentage for a width class 1 to 9 of OS/2; other values count as normal. */
    public static double widthOfClass(int widthClass) {
        double[] percent = {100, 50, 62.5, 75, 87.5, 100, 112.5, 125, 150, 200};
        return widthClass >= 1 && widthClass <= 9 ? percent[widthClass] : 100;
    }

    /** Reads the words of a style name such as {@code SemiBold Italic} or {@code Extra Condensed Light}. */
    public static Said read(String style) {
        Optional<Integer> weight = Optional.empty();
        Optional<Double> width = Optional.empty();
        Optional<Slope> slope = Optional.empty();
        for (String word : words(style)) {
            Optional<Integer> heavier = lookUp(WEIGHTS, word);
            if (heavier.isPresent() && (weight.isEmpty() || heavier.get() != 400)) {
                weight = heavier;
            }
            width = lookUp(WIDTHS, word).or(keep(width));
            slope = lookUp(SLOPES, word).or(keep(slope));
        }
        return new Said(weight, width, slope);
    }

    private static <T> Supplier<Optional<T>> keep(Optional<T> value) {
        return () -> value;
    }

    private static <T> Optional<T> lookUp(Map<String, T> names, String word) {
        return Optional.ofNullable(names.get(word));
    }

    /** Words in lower case; a modifier such as "semi" or "extra" is joined to the word after it where the two name a style. */
    private static List<String> words(String style) {
        String[] parts =
                NO_LETTERS.split(CAPITAL_WITHIN.matcher(style).replaceAll(" ").toLowerCase(Locale.ROOT));
        List<String> words = new ArrayList<>();
        String modifier = "";
        for (String part : parts) {
            if (MODIFIERS.contains(part)) {
                modifier = part;
            } else if (WEIGHTS.containsKey(modifier + part) || WIDTHS.containsKey(modifier + part)) {
                words.add(modifier + part);
                modifier = "";
            } else if (!part.isEmpty()) {
                words.add(modifier);
                words.add(part);
                modifier = "";
            }
        }
        if (!modifier.isEmpty()) {
            words.add(modifier);
        }
        return words;
    }

    /** "ExtraBold" is spoken of as "Extra Bold". */
    private static String spaced(String word) {
        for (String modifier : MODIFIERS) {
            if (word.startsWith(modifier) && word.length() > modifier.length()) {
                return capital(modifier) + " " + capital(word.substring(modifier.length()));
            }
        }
        return capital(word);
    }

    private static String capital(String word) {
        return Character.toUpperCase(word.charAt(0)) + word.substring(1);
    }
}
