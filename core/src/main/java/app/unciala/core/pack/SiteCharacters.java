package app.unciala.core.pack;

import app.unciala.font.language.Exemplars;
import com.ibm.icu.lang.UScript;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The characters that a site's text comes to: of its languages, their own digits, common signs, and its own words. */
public final class SiteCharacters {
    /** What any language's text has: punctuation, money, marks of rights, arrows and spaces. */
    private static final String SIGNS = "‐‑–—―‘’‚“”„†‡•…‰′″‹›«»¡¿§¶·°±×÷¼½¾¹²³€£¥¢₿©®™℠←↑→↓↔✓−≤≥≈ªº¦¬¨´¸¯";

    private static final String LATIN = "Latn";

    private SiteCharacters() {}

    /**
     * Some of a site's characters, which one file of each face has.
     *
     * @param script the English name of the script; empty for what texts of all scripts share
     */
    public record ScriptPart(String script, BitSet characters) {}

    /**
     * The code points to keep, parted by script where the languages have several, so that a browser fetches of each face
     * only what the text of a page needs (CSS Fonts 4, {@code unicode-range}). No two parts have a character in common:
     * Latin and what all scripts share come first; what a script's languages need besides is in its own part, marks and
     * punctuation too, as a letter and its mark must come from one file.
     *
     * @param languages tags such as {@code pl}
     * @param words the site's own words and signs
     * @throws IllegalArgumentException if CLDR does not know a language
     */
    public static List<ScriptPart> byScript(Collection<String> languages, String words) {
        BitSet all = of(languages, words);
        Map<String, BitSet> needed = new LinkedHashMap<>();
        BitSet shared = of(List.of(), "");
        for (String language : languages) {
            String script = script(language);
            if (script.equals(LATIN)) {
                shared.or(Exemplars.of(language));
            } else {
                needed.computeIfAbsent(script, any -> new BitSet()).or(Exemplars.of(language));
            }
        }
        boolean one = needed.isEmpty()
                || (needed.size() == 1
                        && languages.stream().noneMatch(tag -> script(tag).equals(LATIN)));
        if (one) {
            return List.of(new ScriptPart("", all));
        }
        List<ScriptPart> parts = new ArrayList<>();
        BitSet left = (BitSet) all.clone();
        left.andNot(shared);
        needed.forEach((script, characters) -> {
            BitSet part = new BitSet();
            left.stream()
                    .filter(c -> characters.get(c) || script.equals(scriptOf(c)))
                    .forEach(part::set);
            left.andNot(part);
            parts.add(new ScriptPart(nameOf(script), part));
        });
        shared.or(left);
        parts.add(0, new ScriptPart("", shared));
        return parts;
    }

    /** The ISO 15924 code of the script that a language is usually written in. */
    private static String script(String language) {
        return ULocale.addLikelySubtags(ULocale.forLanguageTag(language)).getScript();
    }

    private static String scriptOf(int codePoint) {
        return UScript.getShortName(UScript.getScript(codePoint));
    }

    private static String nameOf(String script) {
        return ULocale.forLanguageTag("und-" + script).getDisplayScript(ULocale.ENGLISH);
    }

    /**
     * The code points to keep.
     *
     * @param languages tags such as {@code pl}
     * @param words the site's own words and signs
     * @throws IllegalArgumentException if CLDR does not know a language
     */
    public static BitSet of(Collection<String> languages, String words) {
        BitSet characters = new BitSet();
        characters.set(0x20, 0x7F);
        characters.set(0xA0);
        SIGNS.codePoints().forEach(characters::set);
        for (String language : languages) {
            characters.or(Exemplars.of(language));
        }
        words.codePoints().filter(c -> !Character.isISOControl(c)).forEach(characters::set);
        return characters;
    }
}
