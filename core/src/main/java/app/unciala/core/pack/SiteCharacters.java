package app.unciala.core.pack;

import app.unciala.font.language.Exemplars;
import java.util.BitSet;
import java.util.Collection;

/** The characters that a site's text comes to: of its languages, their own digits, common signs, and its own words. */
public final class SiteCharacters {
    /** What any language's text has: punctuation, money, marks of rights, arrows and spaces. */
    private static final String SIGNS = "‐‑–—―‘’‚“”„†‡•…‰′″‹›«»¡¿§¶·°±×÷¼½¾¹²³€£¥¢₿©®™℠←↑→↓↔✓−≤≥≈ªº¦¬¨´¸¯";

    private SiteCharacters() {}

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
