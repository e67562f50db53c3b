package app.unciala.server.check;

import app.unciala.core.css.cascade.Winner;
import io.swagger.v3.oas.annotations.media.Schema;
import org.jspecify.annotations.Nullable;

/**
 * A declaration that decides.
 *
 * @param property as it is declared, such as {@code font-family} or {@code font}
 * @param selector {@code style} for an attribute of that name
 * @param sheet where it stands; null for the style sheet that browsers bring
 * @param layer the cascade layer that it stands in, if that has a name
 * @param via the custom property in which its value is set, if it comes from one
 */
public record WinningRule(
        String property,
        String selector,
        @Schema(types = {"string", "null"}) @Nullable String sheet,
        int line,
        String value,
        boolean important,
        @Schema(types = {"string", "null"}) @Nullable String layer,
        @Schema(types = {"string", "null"}) @Nullable String via) {
    static WinningRule of(Winner winner) {
        return new WinningRule(
                winner.property(),
                winner.rule().selector(),
                winner.sheet().orElse(null),
                winner.rule().line(),
                winner.value(),
                winner.important(),
                winner.layer().orElse(null),
                winner.setIn().orElse(null));
    }
}
