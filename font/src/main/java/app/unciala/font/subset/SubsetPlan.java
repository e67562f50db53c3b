package app.unciala.font.subset;

import app.unciala.font.layout.LayoutFeatures;
import java.text.Normalizer;
import java.text.Normalizer.Form;
import java.util.BitSet;
import java.util.List;
import java.util.function.Predicate;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/**
 * What a subset keeps: characters, layout features by tag, and whether instructions for hinting.
 *
 * @param composing whether text may have any of the letters with any of the marks, so that what they compose to is kept too
 */
public record SubsetPlan(BitSet codePoints, boolean composing, Predicate<String> features, boolean hinting) {
    private static final Pattern MARKED = Pattern.compile("\\P{M}\\p{M}+");

    /** The characters, the features that text is set with unasked, and hinting. */
    public static SubsetPlan of(BitSet codePoints) {
        return new SubsetPlan(codePoints, true, LayoutFeatures::isAppliedUnasked, true);
    }

    /**
     * The characters that one text is set with, and what {@link #of} keeps. Where a letter's marks do not stand as UAX #15
     * orders them, or all of its parts are there by themselves, it is taken apart and composed anew, so all that it comes
     * to on the way is among them.
     */
    public static SubsetPlan ofText(String text) {
        BitSet characters = new BitSet();
        text.codePoints().forEach(characters::set);
        List<String> letters = MARKED.matcher(text)
                .results()
                .map(MatchResult::group)
                .distinct()
                .toList();
        letters.stream()
                .filter(letter -> !Normalizer.isNormalized(letter, Form.NFC))
                .forEach(letter -> CharacterClosure.addParts(letter, characters));
        letters.stream()
                .filter(letter ->
                        Normalizer.normalize(letter, Form.NFD).codePoints().allMatch(characters::get))
                .forEach(letter -> CharacterClosure.addParts(letter, characters));
        if (Syllables.areBrokenIn(text)) {
            characters.set(Syllables.DOTTED_CIRCLE);
        }
        return new SubsetPlan(characters, false, LayoutFeatures::isAppliedUnasked, true);
    }

    public SubsetPlan withFeatures(Predicate<String> kept) {
        return new SubsetPlan(codePoints, composing, kept, hinting);
    }

    public SubsetPlan withoutHinting() {
        return new SubsetPlan(codePoints, composing, features, false);
    }
}
