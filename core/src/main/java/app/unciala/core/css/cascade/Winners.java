package app.unciala.core.css.cascade;

import app.unciala.core.css.cascade.CascadedValues.CascadedValue;
import app.unciala.core.css.selector.Element;
import java.util.Optional;

/**
 * The declarations that decide how the text of an element is set; nothing for a property of which none speaks,
 * here or around the element, so that it has its initial value.
 */
public record Winners(
        Optional<Winner> family,
        Optional<Winner> weight,
        Optional<Winner> slope,
        Optional<Winner> size,
        Optional<Winner> lineHeight,
        Optional<Winner> letterSpacing,
        Optional<Winner> wordSpacing) {
    static final Winners NONE = new Winners(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());

    /** The winner for a value of an element: what declares it there, or else what declares the inherited one. */
    static Optional<Winner> of(
            CascadedValue<?> value, Element element, Variables variables, Optional<Winner> inherited) {
        return value.declared()
                .map(declared -> Winner.of(declared, element, variables))
                .or(() -> inherited);
    }
}
