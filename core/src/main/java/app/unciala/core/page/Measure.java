package app.unciala.core.page;

import app.unciala.core.css.cascade.LineHeight;
import app.unciala.core.css.cascade.TextStyle;
import app.unciala.core.css.cascade.Winner;
import app.unciala.core.css.cascade.Winner.Place;
import app.unciala.core.css.selector.Element;
import app.unciala.font.Numbers;
import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;

/** What a role may say of its texts besides their face. */
enum Measure {
    SIZE("font-size") {
        @Override
        boolean isSame(TextStyle one, TextStyle other) {
            return isNear(one.size(), other.size());
        }

        @Override
        String used(TextStyle style) {
            return pixels(style.size());
        }

        @Override
        Optional<Winner> winner(TextStyle style) {
            return style.winners().size();
        }
    },
    LINE_HEIGHT("line-height") {
        @Override
        boolean isSame(TextStyle one, TextStyle other) {
            LineHeight first = one.spacing().lineHeight();
            LineHeight second = other.spacing().lineHeight();
            OptionalDouble used = first.pixels(one.size());
            OptionalDouble wanted = second.pixels(one.size());
            return first.equals(second)
                    || (used.isPresent() && wanted.isPresent() && isNear(used.getAsDouble(), wanted.getAsDouble()));
        }

        @Override
        String used(TextStyle style) {
            LineHeight height = style.spacing().lineHeight();
            return switch (height.kind()) {
                case NORMAL -> "normal";
                case FACTOR -> Numbers.plain(height.value());
                case PIXELS -> pixels(height.value());
            };
        }

        @Override
        Optional<Winner> winner(TextStyle style) {
            return style.winners().lineHeight();
        }
    },
    LETTER_SPACING("letter-spacing") {
        @Override
        boolean isSame(TextStyle one, TextStyle other) {
            return isNear(one.spacing().letters(), other.spacing().letters());
        }

        @Override
        String used(TextStyle style) {
            return pixels(style.spacing().letters());
        }

        @Override
        Optional<Winner> winner(TextStyle style) {
            return style.winners().letterSpacing();
        }
    },
    WORD_SPACING("word-spacing") {
        @Override
        boolean isSame(TextStyle one, TextStyle other) {
            return isNear(one.spacing().words(), other.spacing().words());
        }

        @Override
        String used(TextStyle style) {
            return pixels(style.spacing().words());
        }

        @Override
        Optional<Winner> winner(TextStyle style) {
            return style.winners().wordSpacing();
        }
    };

    /** Browsers keep sizes in sixty-fourths of a pixel. */
    private static final double NEAR = 1.0 / 32;

    private final String property;

    Measure(String property) {
        this.property = property;
    }

    /**
     * The measure that a property is.
     *
     * @throws IllegalArgumentException if it is none
     */
    static Measure of(String property) {
        return Arrays.stream(values())
                .filter(measure -> measure.property.equals(property))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(property));
    }

    /** Whether two styles have the same of it. */
    abstract boolean isSame(TextStyle one, TextStyle other);

    /** The value that a style has, as CSS writes it. */
    abstract String used(TextStyle style);

    abstract Optional<Winner> winner(TextStyle style);

    String property() {
        return property;
    }

    /** Whether a text has it from a browser's own rule for an element inside another, such as {@code small}. */
    boolean isOfBrowsersInside(Element around, TextStyle style) {
        return winner(style)
                .filter(one -> one.place() == Place.BROWSER && RoleTexts.isInside(one.element(), around))
                .isPresent();
    }

    private static boolean isNear(double one, double other) {
        return Math.abs(one - other) <= NEAR;
    }

    private static String pixels(double value) {
        return Numbers.plain(value) + "px";
    }
}
