package app.unciala.core.search;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/** The words of names: in lower case, without accents, apart at spaces, hyphens, digits and capitals. */
final class Words {
    private static final Pattern MARKS = Pattern.compile("\\p{M}+");
    private static final Pattern BETWEEN =
            Pattern.compile("[^\\p{L}\\p{N}]+|(?<=\\p{Ll})(?=\\p{Lu})|(?<=\\p{L})(?=\\p{N})|(?<=\\p{N})(?=\\p{L})");

    private Words() {}

    static List<String> of(String name) {
        String plain =
                MARKS.matcher(Normalizer.normalize(name, Normalizer.Form.NFKD)).replaceAll("");
        return Arrays.stream(BETWEEN.split(plain))
                .filter(word -> !word.isEmpty())
                .map(word -> word.toLowerCase(Locale.ROOT))
                .toList();
    }
}
