package app.unciala.core.css.cascade;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Set;

/** Whether media queries hold in a window (Media Queries 4 and 5); a screen with a mouse, in light colors. */
final class MediaQuery {
    private static final Set<String> HOLD = Set.of(
            "hover:hover",
            "any-hover:hover",
            "pointer:fine",
            "any-pointer:fine",
            "prefers-color-scheme:light",
            "prefers-reduced-motion:no-preference",
            "prefers-reduced-transparency:no-preference",
            "prefers-reduced-data:no-preference",
            "prefers-contrast:no-preference",
            "forced-colors:none",
            "inverted-colors:none",
            "scripting:enabled",
            "update:fast",
            "overflow-block:scroll",
            "overflow-inline:scroll",
            "display-mode:browser",
            "color-gamut:srgb",
            "dynamic-range:standard",
            "video-dynamic-range:standard",
            "grid:0",
            "-webkit-transform-3d:1");
    private static final Set<String> BY_THEMSELVES = Set.of(
            "hover",
            "any-hover",
            "pointer",
            "any-pointer",
            "color",
            "width",
            "height",
            "scripting",
            "update",
            "overflow-block",
            "overflow-inline",
            "aspect-ratio",
            "resolution",
            "color-gamut");

    private final Viewport viewport;
    private final Lengths lengths;

    MediaQuery(Viewport viewport) {
        this.viewport = viewport;
        lengths = new Lengths(16, 16, 16, viewport);
    }

    /** Whether one of the queries holds; an empty list holds always. */
    boolean holds(List<Token> queries) {
        if (StyleSheet.trimmed(queries).isEmpty()) {
            return true;
        }
        return StyleSheet.atCommas(queries).stream().anyMatch(this::one);
    }

    private boolean one(List<Token> query) {
        int at = 0;
        boolean negated = false;
        if (at < query.size() && (query.get(at).isIdent("not") || query.get(at).isIdent("only"))) {
            List<Token> rest = StyleSheet.trimmed(query.subList(1, query.size()));
            if (!rest.isEmpty() && rest.get(0).is(Kind.IDENT)) {
                negated = query.get(at).isIdent("not");
                query = rest;
            }
        }
        if (!query.isEmpty() && query.get(0).is(Kind.IDENT) && !query.get(0).isIdent("not")) {
            boolean type = query.get(0).isIdent("screen") || query.get(0).isIdent("all");
            List<Token> rest = StyleSheet.trimmed(query.subList(1, query.size()));
            if (rest.isEmpty()) {
                return negated != type;
            }
            if (!rest.get(0).isIdent("and")) {
                return false;
            }
            boolean conditions = new Conditions(this::feature).hold(StyleSheet.trimmed(rest.subList(1, rest.size())));
            return negated != (type && conditions);
        }
        return new Conditions(this::feature).hold(query);
    }

    /** Whether what stands in brackets holds. */
    private boolean feature(List<Token> said) {
        List<Token> words =
                said.stream().filter(token -> !token.is(Kind.WHITESPACE)).toList();
        if (words.isEmpty()) {
            return false;
        }
        int colon = indexOf(words, Kind.COLON);
        if (colon == 1) {
            return named(words.get(0).value().toLowerCase(Locale.ROOT), words.subList(2, words.size()));
        }
        if (words.size() == 1 && words.get(0).is(Kind.IDENT)) {
            return BY_THEMSELVES.contains(words.get(0).value().toLowerCase(Locale.ROOT));
        }
        return range(words);
    }

    private boolean named(String name, List<Token> value) {
        String feature = name.replaceFirst("^(-webkit-)?(min|max)-", "").replaceFirst("^-webkit-", "");
        boolean least = name.matches("(-webkit-)?min-.*");
        boolean most = name.matches("(-webkit-)?max-.*");
        if (feature.equals("orientation")) {
            boolean portrait = viewport.height() >= viewport.width();
            return value.size() == 1 && value.get(0).isIdent(portrait ? "portrait" : "landscape");
        }
        OptionalDouble is = actual(feature);
        OptionalDouble asked = asked(feature, value);
        if (is.isPresent() && asked.isPresent()) {
            return least
                    ? is.getAsDouble() >= asked.getAsDouble()
                    : most ? is.getAsDouble() <= asked.getAsDouble() : is.getAsDouble() == asked.getAsDouble();
        }
        if (value.size() != 1) {
            return false;
        }
        String said = value.get(0).is(Kind.NUMBER)
                ? String.valueOf((int) value.get(0).number())
                : value.get(0).value().toLowerCase(Locale.ROOT);
        return HOLD.contains(name + ":" + said);
    }

    private OptionalDouble actual(String feature) {
        return switch (feature) {
            case "width", "device-width" -> OptionalDouble.of(viewport.width());
            case "height", "device-height" -> OptionalDouble.of(viewport.height());
            case "aspect-ratio", "device-aspect-ratio" -> OptionalDouble.of(viewport.width() / viewport.height());
            case "resolution", "device-pixel-ratio" -> OptionalDouble.of(1);
            case "color" -> OptionalDouble.of(8);
            case "monochrome", "color-index" -> OptionalDouble.of(0);
            default -> OptionalDouble.empty();
        };
    }

    private OptionalDouble asked(String feature, List<Token> value) {
        if (feature.endsWith("width") || feature.endsWith("height")) {
            return lengths.length(value);
        }
        if (feature.equals("resolution") && value.size() == 1 && value.get(0).is(Kind.DIMENSION)) {
            double number = value.get(0).number();
            return switch (value.get(0).value().toLowerCase(Locale.ROOT)) {
                case "dppx", "x" -> OptionalDouble.of(number);
                case "dpi" -> OptionalDouble.of(number / 96);
                case "dpcm" -> OptionalDouble.of(number * 2.54 / 96);
                default -> OptionalDouble.empty();
            };
        }
        if (feature.endsWith("aspect-ratio")
                && value.size() == 3
                && value.get(1).isDelim('/')) {
            return OptionalDouble.of(value.get(0).number() / value.get(2).number());
        }
        return lengths.number(value);
    }

    /** {@code (400px <= width < 900px)} and its like. */
    private boolean range(List<Token> words) {
        int name = -1;
        for (int i = 0; i < words.size(); i++) {
            if (words.get(i).is(Kind.IDENT)
                    && actual(words.get(i).value().toLowerCase(Locale.ROOT)).isPresent()) {
                name = i;
            }
        }
        if (name < 0) {
            return false;
        }
        String feature = words.get(name).value().toLowerCase(Locale.ROOT);
        double is = actual(feature).getAsDouble();
        return (name == 0 || side(words.subList(0, name), feature, is, true))
                && (name == words.size() - 1 || side(words.subList(name + 1, words.size()), feature, is, false))
                && words.size() > 1;
    }

    private boolean side(List<Token> side, String feature, double is, boolean before) {
        int from = 0;
        int to = side.size();
        StringBuilder operator = new StringBuilder();
        if (before) {
            while (to > 0 && isComparison(side.get(to - 1))) {
                operator.insert(0, side.get(--to).value());
            }
        } else {
            while (from < to && isComparison(side.get(from))) {
                operator.append(side.get(from++).value());
            }
        }
        OptionalDouble asked = asked(feature, side.subList(from, to));
        if (asked.isEmpty()) {
            return false;
        }
        double left = before ? asked.getAsDouble() : is;
        double right = before ? is : asked.getAsDouble();
        return switch (operator.toString()) {
            case "<" -> left < right;
            case "<=" -> left <= right;
            case ">" -> left > right;
            case ">=" -> left >= right;
            case "=" -> left == right;
            default -> false;
        };
    }

    private static boolean isComparison(Token token) {
        return token.isDelim('<') || token.isDelim('>') || token.isDelim('=');
    }

    private static int indexOf(List<Token> words, Kind kind) {
        for (int i = 0; i < words.size(); i++) {
            if (words.get(i).is(kind)) {
                return i;
            }
        }
        return -1;
    }
}
