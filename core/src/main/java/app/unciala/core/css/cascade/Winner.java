package app.unciala.core.css.cascade;

import app.unciala.core.css.cascade.DeclaredValues.DeclaredValue;
import app.unciala.core.css.cascade.StyleRules.Selected;
import app.unciala.core.css.cascade.TextStyle.CustomProperty;
import app.unciala.core.css.selector.Element;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The declaration that decides a property of an element: its own, or that of the element around it from which the value is
 * inherited.
 *
 * @param property as it is declared: {@code font-family}, or the shorthand {@code font}
 * @param value as it is written
 * @param rule where it stands
 * @param place what it stands in
 * @param isInLayer whether it stands in a cascade layer
 * @param layer the name of that layer, as {@code @layer} takes it; nothing where it has none
 * @param specificity of its selector; 0 in attributes
 * @param via the custom properties that the value comes through, the one that the declaration names first
 * @param element for which it is declared
 */
public record Winner(
        String property,
        String value,
        Rule rule,
        Place place,
        boolean important,
        boolean isInLayer,
        Optional<String> layer,
        long specificity,
        List<CustomProperty> via,
        Element element) {
    private static final int MOST_VIA = 10;

    /** What a declaration stands in. */
    public enum Place {
        /** The style sheet that every browser brings. */
        BROWSER,
        RULE,
        /** The attribute {@code style}. */
        STYLE_ATTRIBUTE,
        /** Another attribute, such as {@code face} of {@code font}. */
        OTHER_ATTRIBUTE
    }

    static Winner of(DeclaredValue declared, Element element, Variables variables) {
        Place place = !declared.isAuthors()
                ? Place.BROWSER
                : declared.by().isPresent()
                        ? Place.RULE
                        : declared.layer() == DeclaredValues.AFTER_ALL_LAYERS
                                ? Place.STYLE_ATTRIBUTE
                                : Place.OTHER_ATTRIBUTE;
        Layer layer = declared.block().layer();
        return new Winner(
                declared.entry().name(),
                declared.entry().text().strip(),
                declared.rule(),
                place,
                declared.entry().important(),
                place == Place.RULE && !layer.isOutermost(),
                layer.name(),
                declared.by()
                        .map(Selected::selector)
                        .map(selector -> selector.specificity())
                        .orElse(0L),
                declared.entry().refersTo().map(name -> chain(name, variables)).orElse(List.of()),
                element);
    }

    /** The address of the sheet or page that it stands in; nothing for the style sheet that browsers bring. */
    public Optional<String> sheet() {
        return place == Place.BROWSER ? Optional.empty() : Optional.of(rule.url());
    }

    /** The name of the custom property in which its value is set, if it comes from one. */
    public Optional<String> setIn() {
        return via.isEmpty()
                ? Optional.empty()
                : Optional.of(via.get(via.size() - 1).name());
    }

    /** A custom property and those that its value comes from, as far as rules of the page say them. */
    private static List<CustomProperty> chain(String first, Variables variables) {
        List<CustomProperty> chain = new ArrayList<>();
        Optional<String> name = Optional.of(first);
        while (name.isPresent() && chain.size() < MOST_VIA) {
            String property = name.get();
            Optional<CustomProperty> said = variables.rule(property).flatMap(rule -> variables
                    .value(property)
                    .map(value -> new CustomProperty(property, value.strip(), rule)));
            if (said.isEmpty() || chain.contains(said.get())) {
                break;
            }
            chain.add(said.get());
            name = variables.refersTo(property);
        }
        return List.copyOf(chain);
    }
}
