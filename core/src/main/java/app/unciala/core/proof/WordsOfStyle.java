package app.unciala.core.proof;

import app.unciala.core.css.Keywords;
import app.unciala.font.face.StyleNames;
import app.unciala.font.face.StyleNames.Said;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The words for weights, widths and slopes in descriptors, and at the end of family and file names. */
final class WordsOfStyle {
    /** Shorter names begin many others by chance. */
    private static final int SHORTEST = 3;

    private WordsOfStyle() {}

    /** The number of a keyword; {@code normal} and unknown words have none, and mean what nothing means. */
    static Optional<Double> number(String keyword) {
        String word = keyword.toLowerCase(Locale.ROOT);
        return word.equals("normal")
                ? Optional.empty()
                : word.equals("bold") ? Optional.of(700.0) : Optional.ofNullable(Keywords.WIDTHS.get(word));
    }

    /** A family name divided in what names the family, and what the rest says of the style. */
    record Divided(String family, Said style) {}

    /** Divides a name such as {@code Harrow Bold Italic}; nothing when its end is no style, or nothing stands before it. */
    static Optional<Divided> divide(String name) {
        String spaced = name.strip().replaceAll("(?<=\\p{Ll})(?=\\p{Lu})", " ");
        String[] words = spaced.split("[\\s_-]+");
        int first = words.length;
        while (first > 0 && isStyle(words, first - 1)) {
            first--;
        }
        if (first == 0 || first == words.length) {
            return Optional.empty();
        }
        String style = String.join(" ", Arrays.copyOfRange(words, first, words.length));
        String family = spaced.substring(0, indexOfWord(spaced, first)).replaceAll("[\\s_-]+$", "");
        // Words that were written together stay together.
        String own = name.strip().startsWith(family) ? family : family.replace(" ", "");
        return Optional.of(new Divided(own, StyleNames.read(style)));
    }

    /** What a name says of the style after the name of a family that it begins with, such as {@code harrowbold}. */
    static Optional<Divided> divideAfter(String family, String name) {
        String before = Names.plain(family);
        String all = Names.plain(name);
        if (before.length() < SHORTEST || !all.startsWith(before) || all.equals(before)) {
            return Optional.empty();
        }
        String style = all.substring(before.length()).replaceAll("(italic|oblique)$", " $1");
        return divide("x " + style)
                .filter(divided -> divided.family().equals("x"))
                .map(divided -> new Divided(family, divided.style()));
    }

    private static boolean isStyle(String[] words, int at) {
        Said said = StyleNames.read(words[at]);
        boolean modifier = words[at].matches("(?i)semi|demi|extra|ultra") && at + 1 < words.length;
        return modifier
                || said.weight().isPresent()
                || said.width().isPresent()
                || said.slope().isPresent();
    }

    private static int indexOfWord(String text, int word) {
        int at = 0;
        for (int i = 0; i < word; i++) {
            while (at < text.length() && !isGap(text.charAt(at))) {
                at++;
            }
            while (at < text.length() && isGap(text.charAt(at))) {
                at++;
            }
        }
        return at;
    }

    private static boolean isGap(char c) {
        return Character.isWhitespace(c) || c == '-' || c == '_';
    }
}
