package app.unciala.core.css.cascade;

import app.unciala.core.css.syntax.Token;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A computed line height (CSS Inline 3, section 5.1).
 *
 * @param value a factor of the size of each text that has it, or CSS pixels; 0 for {@code normal}
 */
public record LineHeight(Kind kind, double value) {
    static final LineHeight NORMAL = new LineHeight(Kind.NORMAL, 0);

    /** What the value is. */
    public enum Kind {
        /** As the font says. */
        NORMAL,
        FACTOR,
        PIXELS
    }

    static Optional<LineHeight> of(List<Token> value, Lengths lengths) {
        if (FontValues.word(value).filter("normal"::equals).isPresent()) {
            return Optional.of(NORMAL);
        }
        OptionalDouble factor = lengths.number(value);
        OptionalDouble pixels = factor.isPresent() ? OptionalDouble.empty() : lengths.length(value);
        double read = factor.orElse(pixels.orElse(-1));
        return read < 0
                ? Optional.empty()
                : Optional.of(new LineHeight(factor.isPresent() ? Kind.FACTOR : Kind.PIXELS, read));
    }

    /** CSS pixels for a text of a size; nothing where the font says. */
    public OptionalDouble pixels(double size) {
        return switch (kind) {
            case NORMAL -> OptionalDouble.empty();
            case FACTOR -> OptionalDouble.of(value * size);
            case PIXELS -> OptionalDouble.of(value);
        };
    }
}
