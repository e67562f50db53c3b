package app.unciala.font.language;

import com.ibm.icu.text.UnicodeSet;
import com.ibm.icu.util.LocaleData;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.IntPredicate;
import java.util.stream.Stream;

/** Which languages a face can set: those whose main CLDR exemplar characters, in both cases, it all has. */
public final class LanguageCoverage {
    private static final class Needs {
        /** By language tag, with a script where CLDR has the language in several; read once, when first asked for. */
        static final Map<String, BitSet> BY_LANGUAGE = read();

        private static Map<String, BitSet> read() {
            Map<String, BitSet> needs = new TreeMap<>();
            for (ULocale locale : ULocale.getAvailableLocales()) {
                boolean wanted =
                        locale.getCountry().isEmpty() && locale.getVariant().isEmpty();
                if (wanted && !locale.getLanguage().isEmpty()) {
                    BitSet characters = main(locale);
                    if (!characters.isEmpty()) {
                        needs.put(locale.toLanguageTag(), characters);
                    }
                }
            }
            return needs;
        }
    }

    private LanguageCoverage() {}

    /**
     * For every language CLDR describes, the characters it needs that are not there: none for a language covered.
     *
     * @param has whether the face has a character
     */
    public static SortedMap<String, BitSet> lacking(IntPredicate has) {
        SortedMap<String, BitSet> lacking = new TreeMap<>();
        Needs.BY_LANGUAGE.forEach((tag, needed) -> {
            BitSet rest = (BitSet) needed.clone();
            needed.stream().filter(has).forEach(rest::clear);
            lacking.put(tag, rest);
        });
        return lacking;
    }

    /**
     * The characters that one language needs and that are not there; none for a language that CLDR has no characters of.
     *
     * @param has whether the face has a character
     */
    public static BitSet lacking(String tag, IntPredicate has) {
        BitSet rest = described(tag)
                .map(Needs.BY_LANGUAGE::get)
                .map(needed -> (BitSet) needed.clone())
                .orElseGet(BitSet::new);
        BitSet there = new BitSet();
        rest.stream().filter(has).forEach(there::set);
        rest.andNot(there);
        return rest;
    }

    /**
     * The tag under which CLDR describes the characters of a language: {@code pt} for {@code pt-BR}, {@code zh-Hant} for
     * {@code zh-TW}, whose usual script it is (UTS 35, likely subtags).
     */
    public static Optional<String> described(String tag) {
        ULocale locale = ULocale.forLanguageTag(tag);
        if (locale.getLanguage().isEmpty()) {
            return Optional.empty();
        }
        ULocale likely = ULocale.addLikelySubtags(locale);
        return Stream.of(locale.toLanguageTag(), likely.getLanguage() + "-" + likely.getScript(), likely.getLanguage())
                .filter(Needs.BY_LANGUAGE::containsKey)
                .findFirst();
    }

    /** The tags of the languages whose characters are all there, by tag. */
    public static List<String> covered(int[] codePoints) {
        BitSet has = new BitSet();
        for (int codePoint : codePoints) {
            has.set(codePoint);
        }
        List<String> covered = new ArrayList<>();
        Needs.BY_LANGUAGE.forEach((tag, needed) -> {
            BitSet rest = (BitSet) needed.clone();
            rest.andNot(has);
            if (rest.isEmpty()) {
                covered.add(tag);
            }
        });
        return covered;
    }

    /** The name of a language in English, such as "Polish". */
    public static String name(String tag) {
        return ULocale.forLanguageTag(tag).getDisplayName(ULocale.forLocale(Locale.ENGLISH));
    }

    private static BitSet main(ULocale locale) {
        UnicodeSet set =
                LocaleData.getInstance(locale).getExemplarSet(UnicodeSet.ADD_CASE_MAPPINGS, LocaleData.ES_STANDARD);
        BitSet characters = new BitSet();
        for (String item : set) {
            // Case pairs that Unicode writes with several letters, such as SS, are strings of letters already there.
            Arrays.stream(item.codePoints().toArray()).forEach(characters::set);
        }
        return characters;
    }
}
