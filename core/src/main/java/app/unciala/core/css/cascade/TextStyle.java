package app.unciala.core.css.cascade;

import app.unciala.font.face.Slope;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * The used values that say in which font the text of an element is set.
 *
 * @param families the list asked for, in order
 * @param familyRules where the family is said: the rule that won, and then those it beat, on this element or the one
 *     that it is inherited from; nothing where only browsers say it
 * @param familyProperty the custom property that the rule that won takes the family from, if it does
 * @param size in CSS pixels
 * @param weight from 1 to 1000
 * @param width in percent of the normal width
 * @param fakesBold whether browsers may fake a bold, and likewise a slope
 * @param spacing the distances that the text is set with
 * @param transform what is done to letters before they are painted
 * @param isVisible whether text in it is painted where there is a box
 * @param hasBox whether it is rendered at all: false for {@code display: none}
 * @param content what a pseudo-element has as its text
 * @param winners the declarations that decide family, weight, slope, size and spacing
 */
public record TextStyle(
        List<FamilyName> families,
        List<Rule> familyRules,
        Optional<CustomProperty> familyProperty,
        double size,
        double weight,
        Slope slope,
        double width,
        boolean fakesBold,
        boolean fakesSlope,
        Spacing spacing,
        Transform transform,
        boolean isVisible,
        boolean hasBox,
        Optional<String> content,
        SizeOrigin sizeOrigin,
        Variables variables,
        Winners winners) {
    private static final double SMALLEST = 6;
    private static final Pattern WORD_START = Pattern.compile("(?<![\\p{L}\\p{N}’'])\\p{L}");

    /** Where a size comes from: the place of its keyword in the table, from 0, or -1; and whether it is absolute. */
    record SizeOrigin(int keyword, boolean absolute) {}

    /** A custom property with its value, and the rule that says it. */
    public record CustomProperty(String name, String value, Rule rule) {}

    /** What is done to letters before they are painted. */
    enum Transform {
        NONE,
        UPPERCASE,
        LOWERCASE,
        CAPITALIZE
    }

    public static final List<FamilyName> INITIAL_FAMILIES = List.of(new FamilyName("Times New Roman", false));

    /** What the root inherits. */
    public static final TextStyle INITIAL = new TextStyle(
            INITIAL_FAMILIES,
            List.of(),
            Optional.empty(),
            16,
            400,
            Slope.UPRIGHT,
            100,
            true,
            true,
            Spacing.NORMAL,
            Transform.NONE,
            true,
            true,
            Optional.empty(),
            new SizeOrigin(FontSize.MEDIUM, false),
            Variables.NONE,
            Winners.NONE);

    /** Whether only the generic family for fixed widths is asked for, which has a smaller size by default. */
    boolean isMonospace() {
        return FontSize.isMonospace(families);
    }

    /** The size it is painted in: browsers keep what is only relative legible. */
    public double usedSize() {
        return sizeOrigin.absolute() || size <= 0 ? size : Math.max(SMALLEST, size);
    }

    /**
     * The style as a browser says it is; the rules that were worked out for the family stay only if they say the same
     * one. Texts are known as they are painted then.
     */
    public TextStyle seenAs(
            List<FamilyName> seen, double seenSize, double seenWeight, Slope seenSlope, double seenWidth) {
        return new TextStyle(
                seen,
                seen.equals(families) ? familyRules : List.of(),
                familyProperty.filter(any -> seen.equals(families)),
                seenSize,
                seenWeight,
                seenSlope,
                seenWidth,
                fakesBold,
                fakesSlope,
                spacing,
                Transform.NONE,
                true,
                true,
                content,
                new SizeOrigin(-1, true),
                variables,
                winners);
    }

    /** A text as it is painted. */
    public String transformed(String text) {
        return switch (transform) {
            case NONE -> text;
            case UPPERCASE -> text.toUpperCase(Locale.ROOT);
            case LOWERCASE -> text.toLowerCase(Locale.ROOT);
            case CAPITALIZE ->
                WORD_START.matcher(text).replaceAll(start -> start.group().toUpperCase(Locale.ROOT));
        };
    }

    /** The rule that won for the family; nothing where only browsers say it. */
    public Optional<Rule> familyRule() {
        return familyRules.stream().findFirst();
    }
}
