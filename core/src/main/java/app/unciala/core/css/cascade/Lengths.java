package app.unciala.core.css.cascade;

import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;

/**
 * Works out lengths and the functions of CSS Values 4 on them.
 *
 * @param em what one {@code em} is, in CSS pixels
 * @param rem what one {@code rem} is
 * @param percent what 100 % are
 */
record Lengths(double em, double rem, double percent, Viewport viewport) {
    private static final int DEEPEST = 32;

    /** A value in CSS pixels, and what may be added to what: a number is none. */
    private record Quantity(double value, boolean isLength) {}

    /** A failure to read what is no length. */
    private static final class NoLength extends Exception {
        private static final long serialVersionUID = 1L;

        NoLength() {
            super(null, null, false, false);
        }
    }

    /** The length in CSS pixels that tokens stand for, or nothing. */
    OptionalDouble length(List<Token> value) {
        try {
            Reading reading = new Reading(value);
            Quantity quantity = reading.value(0);
            reading.end();
            return quantity.isLength || quantity.value == 0
                    ? OptionalDouble.of(quantity.value)
                    : OptionalDouble.empty();
        } catch (NoLength e) {
            return OptionalDouble.empty();
        }
    }

    /** The number that tokens stand for, or nothing. */
    OptionalDouble number(List<Token> value) {
        try {
            Reading reading = new Reading(value);
            Quantity quantity = reading.value(0);
            reading.end();
            return quantity.isLength ? OptionalDouble.empty() : OptionalDouble.of(quantity.value);
        } catch (NoLength e) {
            return OptionalDouble.empty();
        }
    }

    private Quantity dimension(Token token) throws NoLength {
        double pixels =
                switch (token.value().toLowerCase(Locale.ROOT)) {
                    case "px" -> 1;
                    case "em" -> em;
                    case "rem" -> rem;
                    case "ex", "ch" -> em / 2;
                    case "rex", "rch" -> rem / 2;
                    case "cap" -> em * 0.7;
                    case "ic" -> em;
                    case "lh" -> em * 1.2;
                    case "rlh" -> rem * 1.2;
                    case "pt" -> 4.0 / 3;
                    case "pc" -> 16;
                    case "in" -> 96;
                    case "cm" -> 96 / 2.54;
                    case "mm" -> 9.6 / 2.54;
                    case "q" -> 2.4 / 2.54;
                    case "vw", "svw", "lvw", "dvw", "vi", "svi", "lvi", "dvi", "cqw", "cqi" -> viewport.width() / 100;
                    case "vh", "svh", "lvh", "dvh", "vb", "svb", "lvb", "dvb", "cqh", "cqb" -> viewport.height() / 100;
                    case "vmin", "svmin", "lvmin", "dvmin", "cqmin" ->
                        Math.min(viewport.width(), viewport.height()) / 100;
                    case "vmax", "svmax", "lvmax", "dvmax", "cqmax" ->
                        Math.max(viewport.width(), viewport.height()) / 100;
                    default -> throw new NoLength();
                };
        return new Quantity(token.number() * pixels, true);
    }

    /** Reads a value from left to right. */
    private final class Reading {
        private final List<Token> tokens;
        private int at;

        private Reading(List<Token> tokens) {
            this.tokens = tokens;
        }

        private void end() throws NoLength {
            space();
            if (at < tokens.size()) {
                throw new NoLength();
            }
        }

        private void space() {
            while (at < tokens.size() && tokens.get(at).is(Kind.WHITESPACE)) {
                at++;
            }
        }

        private Quantity value(int depth) throws NoLength {
            space();
            if (at >= tokens.size() || depth > DEEPEST) {
                throw new NoLength();
            }
            Token token = tokens.get(at++);
            return switch (token.kind()) {
                case NUMBER -> new Quantity(token.number(), false);
                case PERCENTAGE -> new Quantity(token.number() * percent / 100, true);
                case DIMENSION -> dimension(token);
                case FUNCTION -> function(token.value().toLowerCase(Locale.ROOT), depth);
                case OPEN_ROUND -> {
                    Quantity sum = sum(depth + 1);
                    close();
                    yield sum;
                }
                default -> throw new NoLength();
            };
        }

        private void close() throws NoLength {
            space();
            if (at < tokens.size()) {
                if (!tokens.get(at).is(Kind.CLOSE_ROUND)) {
                    throw new NoLength();
                }
                at++;
            }
        }

        private Quantity function(String name, int depth) throws NoLength {
            List<Quantity> arguments = new ArrayList<>();
            do {
                arguments.add(sum(depth + 1));
                space();
            } while (at < tokens.size() && tokens.get(at).is(Kind.COMMA) && at++ >= 0);
            close();
            boolean isLength = arguments.stream().anyMatch(Quantity::isLength);
            DoubleStream values = arguments.stream().mapToDouble(Quantity::value);
            double value =
                    switch (name) {
                        case "calc", "-webkit-calc" -> only(arguments);
                        case "min" -> values.min().orElseThrow();
                        case "max" -> values.max().orElseThrow();
                        case "clamp" -> clamped(arguments);
                        case "abs" -> Math.abs(only(arguments));
                        default -> throw new NoLength();
                    };
            return new Quantity(value, isLength);
        }

        private double only(List<Quantity> arguments) throws NoLength {
            if (arguments.size() != 1) {
                throw new NoLength();
            }
            return arguments.get(0).value;
        }

        private double clamped(List<Quantity> arguments) throws NoLength {
            if (arguments.size() != 3) {
                throw new NoLength();
            }
            return Math.max(arguments.get(0).value, Math.min(arguments.get(1).value, arguments.get(2).value));
        }

        private Quantity sum(int depth) throws NoLength {
            Quantity sum = product(depth);
            while (true) {
                space();
                if (at >= tokens.size()) {
                    return sum;
                }
                boolean plus = tokens.get(at).isDelim('+');
                if (!plus && !tokens.get(at).isDelim('-')) {
                    return sum;
                }
                at++;
                Quantity next = product(depth);
                sum = new Quantity(
                        plus ? sum.value + next.value : sum.value - next.value, sum.isLength || next.isLength);
            }
        }

        private Quantity product(int depth) throws NoLength {
            Quantity product = value(depth);
            while (true) {
                space();
                if (at >= tokens.size()) {
                    return product;
                }
                boolean times = tokens.get(at).isDelim('*');
                if (!times && !tokens.get(at).isDelim('/')) {
                    return product;
                }
                at++;
                Quantity next = value(depth);
                product = new Quantity(
                        times ? product.value * next.value : product.value / next.value,
                        product.isLength || next.isLength);
            }
        }
    }
}
