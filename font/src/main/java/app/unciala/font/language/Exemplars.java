package app.unciala.font.language;

import com.ibm.icu.text.NumberingSystem;
import com.ibm.icu.text.UnicodeSet;
import com.ibm.icu.util.LocaleData;
import com.ibm.icu.util.ULocale;
import java.util.Arrays;
import java.util.BitSet;

/**
 * The characters a language needs: CLDR's main, index and punctuation exemplars, in both cases, the figures 0 to 9, and
 * those of the language's native numbering system, such as the Arabic-Indic ones.
 */
public final class Exemplars {
    private Exemplars() {}

    /**
     * The code points for a language tag such as {@code pl} or {@code sr-Latn}.
     *
     * @throws IllegalArgumentException if CLDR does not know the language
     */
    public static BitSet of(String languageTag) {
        ULocale locale = known(languageTag);
        UnicodeSet set = exemplars(locale, LocaleData.ES_STANDARD, LocaleData.ES_INDEX, LocaleData.ES_PUNCTUATION);
        set.add('0', '9').add(' ').add(0xA0);
        NumberingSystem numbers = NumberingSystem.getInstance(locale.setKeywordValue("numbers", "native"));
        if (!numbers.isAlgorithmic()) {
            set.addAll(numbers.getDescription());
        }
        return codePoints(set);
    }

    /**
     * What the language is written with besides: letters of names and loan words, such as é in English, in both cases.
     *
     * @throws IllegalArgumentException if CLDR does not know the language
     */
    public static BitSet auxiliary(String languageTag) {
        return codePoints(exemplars(known(languageTag), LocaleData.ES_AUXILIARY));
    }

    private static UnicodeSet exemplars(ULocale locale, int... kinds) {
        LocaleData data = LocaleData.getInstance(locale);
        UnicodeSet set = new UnicodeSet();
        for (int kind : kinds) {
            set.addAll(data.getExemplarSet(UnicodeSet.ADD_CASE_MAPPINGS, kind));
        }
        return set;
    }

    private static BitSet codePoints(UnicodeSet set) {
        BitSet codePoints = new BitSet();
        for (String item : set) {
            item.codePoints().forEach(codePoints::set);
        }
        return codePoints;
    }

    private static ULocale known(String languageTag) {
        ULocale locale = ULocale.forLanguageTag(languageTag);
        boolean known = Arrays.stream(ULocale.getAvailableLocales())
                .anyMatch(available -> available.getLanguage().equals(locale.getLanguage()));
        if (locale.getLanguage().isEmpty() || !known) {
            throw new IllegalArgumentException("CLDR does not know the language “" + languageTag + "”");
        }
        return locale;
    }
}
