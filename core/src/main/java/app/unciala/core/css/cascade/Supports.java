package app.unciala.core.css.cascade;

import app.unciala.core.css.selector.SelectorParser;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Whether conditions of support hold (CSS Conditional 4). A declaration is taken to be supported unless it is one of
 * another browser, or a font property with a value that is none.
 */
final class Supports {
    private static final Set<String> FONT_TECHNOLOGIES = Set.of(
            "variations",
            "palettes",
            "color-colrv0",
            "color-colrv1",
            "color-sbix",
            "color-cbdt",
            "features-opentype",
            "incremental-patch");
    private static final Set<String> FONT_FORMATS = Set.of("woff", "woff2", "truetype", "opentype", "collection");

    private Supports() {}

    static boolean hold(List<Token> condition) {
        return new Conditions(Supports::declaration, Supports::function).hold(condition);
    }

    /** What stands inside {@code supports()}: a condition, or a declaration without brackets. */
    static boolean holdInside(List<Token> said) {
        boolean bare =
                said.size() > 1 && said.get(0).is(Kind.IDENT) && !said.get(0).isIdent("not");
        return bare ? declaration(said) : hold(said);
    }

    private static boolean declaration(List<Token> said) {
        List<Token> words =
                said.stream().filter(token -> !token.is(Kind.WHITESPACE)).toList();
        if (words.size() < 3 || !words.get(0).is(Kind.IDENT) || !words.get(1).is(Kind.COLON)) {
            return false;
        }
        String name = words.get(0).value().toLowerCase(Locale.ROOT);
        boolean foreign = words.stream()
                .anyMatch(word -> word.value().toLowerCase(Locale.ROOT).matches("-(moz|ms|o|khtml)-.*"));
        if (foreign) {
            return false;
        }
        List<Token> value = words.subList(2, words.size());
        Lengths lengths = new Lengths(16, 16, 16, Viewport.LAPTOP);
        return Variables.refers(value)
                || FontValues.isWide(value)
                || switch (name) {
                    case "font-family" -> FamilyName.list(value).isPresent();
                    case "font-weight" ->
                        FontValues.weight(value, lengths).isPresent()
                                || FontValues.word(value)
                                        .filter(Set.of("bolder", "lighter")::contains)
                                        .isPresent();
                    case "font-stretch", "font-width" -> FontValues.width(value).isPresent();
                    default -> true;
                };
    }

    private static boolean function(List<Token> part) {
        int end = part.get(part.size() - 1).is(Kind.CLOSE_ROUND) ? part.size() - 1 : part.size();
        List<Token> inside = StyleSheet.trimmed(part.subList(1, end));
        return switch (part.get(0).value().toLowerCase(Locale.ROOT)) {
            case "selector" -> selector(inside);
            case "font-tech" ->
                FontValues.word(inside).filter(FONT_TECHNOLOGIES::contains).isPresent();
            case "font-format" ->
                FontValues.word(inside).filter(FONT_FORMATS::contains).isPresent();
            default -> false;
        };
    }

    private static boolean selector(List<Token> inside) {
        String text = inside.stream().map(Supports::written).collect(Collectors.joining());
        StyleSheet sheet = StyleSheet.read(text + "{}");
        return sheet.rules().size() == 1
                && SelectorParser.read(sheet, sheet.rules().get(0).prelude()).isPresent();
    }

    private static String written(Token token) {
        return switch (token.kind()) {
            case WHITESPACE -> " ";
            case COLON -> ":";
            case COMMA -> ",";
            case OPEN_ROUND -> "(";
            case CLOSE_ROUND -> ")";
            case OPEN_SQUARE -> "[";
            case CLOSE_SQUARE -> "]";
            case FUNCTION -> token.value() + "(";
            case HASH -> "#" + token.value();
            case STRING -> "\"" + token.value() + "\"";
            case NUMBER -> String.valueOf((long) token.number());
            case DIMENSION -> (long) token.number() + token.value();
            default -> token.value();
        };
    }
}
