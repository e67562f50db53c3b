package app.unciala.font.subset;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UCharacter.IndicSyllabicCategory;
import com.ibm.icu.lang.UProperty;
import java.lang.Character.UnicodeScript;
import java.util.EnumSet;
import java.util.Set;

/**
 * Scripts that shapers set by syllables, such as Devanagari and Khmer. Under a mark that no syllable can have where it
 * stands, they put a dotted circle, if the font has that character.
 */
final class Syllables {
    static final int DOTTED_CIRCLE = 0x25CC;

    /** Scripts whose marks may stand anywhere. */
    private static final Set<UnicodeScript> OTHERS = EnumSet.of(
            UnicodeScript.COMMON,
            UnicodeScript.INHERITED,
            UnicodeScript.LATIN,
            UnicodeScript.GREEK,
            UnicodeScript.CYRILLIC,
            UnicodeScript.ARMENIAN,
            UnicodeScript.GEORGIAN,
            UnicodeScript.HEBREW,
            UnicodeScript.ARABIC,
            UnicodeScript.SYRIAC,
            UnicodeScript.THAI,
            UnicodeScript.LAO);

    private static final Set<Integer> CHANGES_OF_LETTERS = Set.of(
            IndicSyllabicCategory.NUKTA,
            IndicSyllabicCategory.CONSONANT_MEDIAL,
            IndicSyllabicCategory.CONSONANT_SUBJOINED);

    private Syllables() {}

    /** Whether a character is a mark of such a script. */
    static boolean isMark(int c) {
        return CharacterClosure.isCombining(c) && !OTHERS.contains(UnicodeScript.of(c));
    }

    /**
     * Whether a text has a mark where the usual syllables have none: a letter, signs that change it, a vowel sign, and signs
     * of nasals, tones and the like, in this order. Some syllables that shapers know are others; for these the circle is kept
     * in vain.
     */
    static boolean areBrokenIn(String text) {
        int[] characters = text.codePoints()
                .filter(c -> Character.getType(c) != Character.FORMAT)
                .toArray();
        for (int i = 0; i < characters.length; i++) {
            if (isMark(characters[i]) && (i == 0 || !mayFollow(characters[i - 1], characters[i]))) {
                return true;
            }
        }
        return false;
    }

    private static boolean mayFollow(int before, int mark) {
        if (Character.isLetter(before)) {
            return true;
        }
        boolean changesLetter = CHANGES_OF_LETTERS.contains(category(before));
        return switch (category(mark)) {
            case IndicSyllabicCategory.NUKTA -> false;
            case IndicSyllabicCategory.VIRAMA,
                    IndicSyllabicCategory.INVISIBLE_STACKER,
                    IndicSyllabicCategory.PURE_KILLER,
                    IndicSyllabicCategory.CONSONANT_MEDIAL,
                    IndicSyllabicCategory.CONSONANT_SUBJOINED,
                    IndicSyllabicCategory.VOWEL_DEPENDENT -> changesLetter;
            default -> changesLetter || category(before) == IndicSyllabicCategory.VOWEL_DEPENDENT;
        };
    }

    private static int category(int c) {
        return UCharacter.getIntPropertyValue(c, UProperty.INDIC_SYLLABIC_CATEGORY);
    }
}
