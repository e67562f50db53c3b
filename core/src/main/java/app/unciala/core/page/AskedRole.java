package app.unciala.core.page;

import app.unciala.core.css.TextSetting;
import app.unciala.core.css.selector.Element;
import app.unciala.core.css.selector.Selector;
import app.unciala.core.css.selector.Selector.Matching;
import app.unciala.core.css.selector.SelectorParser;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.font.face.Slope;
import java.util.List;
import java.util.OptionalLong;

/**
 * A text role of a site, with the face that its texts should have.
 *
 * @param role what it is called
 * @param selector the elements of the page that have it, as it is written
 * @param selectors the same, read
 * @param family the name of the family in CSS
 * @param weight from 1 to 1000
 * @param setting what it says of its texts besides their face
 */
public record AskedRole(
        String role,
        String selector,
        List<Selector> selectors,
        String family,
        double weight,
        Slope slope,
        TextSetting setting) {

    /**
     * A role with its selector.
     *
     * @throws IllegalArgumentException if the selector is none that browsers take
     */
    public static AskedRole of(String role, String selector, String family, double weight, Slope slope) {
        AskedRole asked = orNothing(role, selector, family, weight, slope);
        if (asked.selectors.isEmpty()) {
            throw new IllegalArgumentException("“" + selector + "” isn't a selector that browsers take");
        }
        return asked;
    }

    /** A role with its selector; one that browsers don't take selects nothing, as it does in their style sheets. */
    public static AskedRole orNothing(String role, String selector, String family, double weight, Slope slope) {
        StyleSheet sheet = StyleSheet.read(selector + "{}");
        List<Selector> selectors = sheet.rules().size() == 1
                ? SelectorParser.read(sheet, sheet.rules().get(0).prelude()).orElse(List.of())
                : List.of();
        return new AskedRole(role, selector.strip(), selectors, family, weight, slope, TextSetting.NONE);
    }

    /** The role with a size, a line height or spacings. */
    public AskedRole with(TextSetting said) {
        return new AskedRole(role, selector, selectors, family, weight, slope, said);
    }

    /** The specificity of the strongest of its selectors that match; nothing where none does. */
    OptionalLong matches(Element element, String pseudoElement, Matching matching) {
        return selectors.stream()
                .filter(one -> one.pseudoElement().orElse("").equals(pseudoElement))
                .filter(one -> one.matches(element, matching))
                .mapToLong(Selector::specificity)
                .max();
    }
}
