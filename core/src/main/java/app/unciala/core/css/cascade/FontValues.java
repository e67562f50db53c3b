package app.unciala.core.css.cascade;

import app.unciala.core.css.Keywords;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import app.unciala.font.face.Slope;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** Reads the values of the font properties (CSS Fonts 4, section 2). */
final class FontValues {
    private static final Set<String> SYSTEM_FONTS =
            Set.of("caption", "icon", "menu", "message-box", "small-caption", "status-bar");
    private static final List<Token> NORMAL = StyleSheet.tokens("normal");
    /** What the shorthand sets to {@code normal} where it does not say it. */
    private static final List<Property> RESET =
            List.of(Property.WEIGHT, Property.STYLE, Property.WIDTH, Property.LINE_HEIGHT);

    private static final List<Token> AUTO = StyleSheet.tokens("auto");
    private static final List<Token> NONE = StyleSheet.tokens("none");

    private FontValues() {}

    /** A weight as a number; nothing for {@code bolder}, {@code lighter} and what is none. */
    static OptionalDouble weight(List<Token> value, Lengths lengths) {
        Optional<String> word = word(value);
        if (word.isPresent()) {
            return switch (word.get()) {
                case "normal" -> OptionalDouble.of(400);
                case "bold" -> OptionalDouble.of(700);
                default -> OptionalDouble.empty();
            };
        }
        OptionalDouble number = lengths.number(value);
        return number.isPresent() && number.getAsDouble() >= 1 && number.getAsDouble() <= 1000
                ? number
                : OptionalDouble.empty();
    }

    /** Section 2.2.1, the table of relative weights. */
    static double bolder(double inherited) {
        return inherited < 350 ? 400 : inherited < 550 ? 700 : Math.max(900, inherited);
    }

    static double lighter(double inherited) {
        return inherited < 100 ? inherited : inherited < 550 ? 100 : inherited < 750 ? 400 : 700;
    }

    /** The slope; an oblique of no degrees is upright. */
    static Optional<Slope> style(List<Token> value) {
        Optional<String> first = value.isEmpty() ? Optional.empty() : word(value.subList(0, 1));
        if (first.isEmpty()) {
            return Optional.empty();
        }
        if (value.size() == 1) {
            return switch (first.get()) {
                case "normal" -> Optional.of(Slope.UPRIGHT);
                case "italic" -> Optional.of(Slope.ITALIC);
                case "oblique" -> Optional.of(Slope.OBLIQUE);
                default -> Optional.empty();
            };
        }
        List<Token> angle = StyleSheet.trimmed(value.subList(1, value.size()));
        if (!first.get().equals("oblique") || angle.size() != 1) {
            return Optional.empty();
        }
        return degrees(angle.get(0)).stream()
                .mapToObj(degrees -> degrees == 0 ? Slope.UPRIGHT : Slope.OBLIQUE)
                .findFirst();
    }

    /** An angle of at most a right one. */
    static OptionalDouble degrees(Token token) {
        if (token.is(Kind.NUMBER) && token.number() == 0) {
            return OptionalDouble.of(0);
        }
        if (!token.is(Kind.DIMENSION)) {
            return OptionalDouble.empty();
        }
        double degrees = token.number()
                * switch (token.value().toLowerCase(Locale.ROOT)) {
                    case "deg" -> 1;
                    case "grad" -> 0.9;
                    case "rad" -> 180 / Math.PI;
                    case "turn" -> 360;
                    default -> Double.NaN;
                };
        return Math.abs(degrees) <= 90 ? OptionalDouble.of(degrees) : OptionalDouble.empty();
    }

    /** The width in percent. */
    static OptionalDouble width(List<Token> value) {
        Optional<Double> named = word(value).map(Keywords.WIDTHS::get);
        if (named.isPresent()) {
            return OptionalDouble.of(named.get());
        }
        return value.size() == 1
                        && value.get(0).is(Kind.PERCENTAGE)
                        && value.get(0).number() >= 0
                ? OptionalDouble.of(value.get(0).number())
                : OptionalDouble.empty();
    }

    /** The single identifier that a value is, in lower case. */
    static Optional<String> word(List<Token> value) {
        return value.size() == 1 && value.get(0).is(Kind.IDENT)
                ? Optional.of(value.get(0).value().toLowerCase(Locale.ROOT))
                : Optional.empty();
    }

    /** Whether a value is a keyword that every property takes. */
    static boolean isWide(List<Token> value) {
        return word(value).filter(Keywords.WIDE::contains).isPresent();
    }

    /** What a declaration says of each property, a shorthand of several; nothing when browsers do not take it. */
    static Map<Property, List<Token>> expanded(String name, List<Token> value) {
        Map<Property, List<Token>> parts = new EnumMap<>(Property.class);
        switch (name) {
            case "font" -> font(value, parts);
            case "font-synthesis" -> {
                boolean weight = value.stream().anyMatch(token -> token.isIdent("weight"));
                boolean style = value.stream().anyMatch(token -> token.isIdent("style"));
                parts.put(Property.FAKES_BOLD, isWide(value) ? value : weight ? AUTO : NONE);
                parts.put(Property.FAKES_SLOPE, isWide(value) ? value : style ? AUTO : NONE);
            }
            case "all" -> {
                if (isWide(value)) {
                    Property.saidBy(name).forEach(property -> parts.put(property, value));
                }
            }
            default -> Property.saidBy(name).forEach(property -> parts.put(property, value));
        }
        return parts;
    }

    /** Section 2.7. */
    private static void font(List<Token> value, Map<Property, List<Token>> parts) {
        if (isWide(value)) {
            Property.saidBy("font").forEach(property -> parts.put(property, value));
            return;
        }
        if (word(value).filter(SYSTEM_FONTS::contains).isPresent()) {
            parts.put(Property.FAMILY, StyleSheet.tokens("system-ui"));
            parts.put(Property.SIZE, StyleSheet.tokens("13.3333px"));
            RESET.forEach(property -> parts.put(property, NORMAL));
            return;
        }
        List<List<Token>> words = words(value);
        RESET.forEach(property -> parts.put(property, NORMAL));
        int at = 0;
        while (at < words.size() && optional(words, at, parts)) {
            at += parts.get(Property.STYLE) == words.get(at) && at + 1 < words.size() && isAngle(words.get(at + 1))
                    ? 2
                    : 1;
        }
        if (at >= words.size()) {
            parts.clear();
            return;
        }
        parts.put(Property.SIZE, words.get(at++));
        if (at < words.size() && words.get(at).get(0).isDelim('/')) {
            if (at + 1 < words.size()) {
                parts.put(Property.LINE_HEIGHT, words.get(at + 1));
            }
            at += 2;
        }
        if (at >= words.size()) {
            parts.clear();
            return;
        }
        int from = words.get(at).get(0).start();
        parts.put(
                Property.FAMILY,
                value.stream().filter(token -> token.start() >= from).toList());
    }

    private static boolean isAngle(List<Token> word) {
        return word.size() == 1
                && degrees(word.get(0)).isPresent()
                && word.get(0).is(Kind.DIMENSION);
    }

    /** Whether a word stands for style, variant, weight or width, which come before the size in any order. */
    private static boolean optional(List<List<Token>> words, int at, Map<Property, List<Token>> parts) {
        List<Token> one = words.get(at);
        if (one.size() == 1 && one.get(0).is(Kind.NUMBER)) {
            boolean weight = one.get(0).number() >= 1 && at + 1 < words.size();
            if (weight) {
                parts.put(Property.WEIGHT, one);
            }
            return weight;
        }
        Optional<String> word = word(one);
        if (word.isEmpty()) {
            return false;
        }
        switch (word.get()) {
            case "normal", "small-caps" -> {
                return true;
            }
            case "italic", "oblique" -> parts.put(Property.STYLE, one);
            case "bold", "bolder", "lighter" -> parts.put(Property.WEIGHT, one);
            default -> {
                if (!Keywords.WIDTHS.containsKey(word.get())) {
                    return false;
                }
                parts.put(Property.WIDTH, one);
            }
        }
        return true;
    }

    /** The parts of a value between spaces; a slash and a comma are parts of their own, and brackets belong together. */
    private static List<List<Token>> words(List<Token> value) {
        List<List<Token>> words = new ArrayList<>();
        List<Token> word = new ArrayList<>();
        int deep = 0;
        for (Token token : value) {
            if (token.opens()) {
                deep++;
            } else if (token.is(Kind.CLOSE_ROUND)) {
                deep--;
            }
            boolean alone = deep == 0 && (token.isDelim('/') || token.is(Kind.COMMA));
            if (deep == 0 && (token.is(Kind.WHITESPACE) || alone)) {
                if (!word.isEmpty()) {
                    words.add(word);
                }
                word = new ArrayList<>();
                if (alone) {
                    words.add(List.of(token));
                }
            } else {
                word.add(token);
            }
        }
        if (!word.isEmpty()) {
            words.add(word);
        }
        return words;
    }
}
