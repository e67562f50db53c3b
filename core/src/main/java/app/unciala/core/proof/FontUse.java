package app.unciala.core.proof;

import app.unciala.core.css.Keywords;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.css.syntax.StyleSheet.QualifiedRule;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import app.unciala.core.proof.Names.Name;
import app.unciala.font.face.Slope;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * A rule that sets text: in which families, and what it asks of the face.
 *
 * @param families the stack, in order; empty for a rule that asks for a weight or style and names no family
 * @param subjects the last part of each of its selectors
 * @param weight what the rule says, if that is a number
 * @param width in percent of the normal one, if the rule says a number or a keyword
 * @param declaration what names the family, or else what asks for the weight or style
 */
record FontUse(
        QualifiedRule rule,
        Declaration declaration,
        List<Name> families,
        List<String> subjects,
        Optional<Double> weight,
        Optional<Slope> slope,
        Optional<Double> width) {
    private static final Set<String> RELATIVE_SIZES = Set.of("smaller", "larger");

    /** Elements that browsers set in bold, and in italic, unasked (HTML, "Rendering"). */
    private static final Set<String> BOLD = Set.of("h1", "h2", "h3", "h4", "h5", "h6", "b", "strong", "th");

    private static final Set<String> ITALIC = Set.of("i", "em", "cite", "dfn", "var", "address");

    static FontUse of(
            StyleSheet sheet, QualifiedRule rule, Declaration declaration, List<Name> families, List<Token> before) {
        List<String> subjects = subjects(sheet, rule);
        return new FontUse(
                rule,
                declaration,
                families,
                subjects,
                weight(rule, before).or(() -> unasked(subjects, BOLD, 700.0, weightIsSet(rule) || !before.isEmpty())),
                slope(rule, before)
                        .or(() -> unasked(subjects, ITALIC, Slope.ITALIC, slopeIsSet(rule) || !before.isEmpty())),
                width(rule, before));
    }

    static Optional<FontUse> withoutFamily(StyleSheet sheet, QualifiedRule rule) {
        Optional<Double> weight = weight(rule, List.of());
        Optional<Slope> slope = slope(rule, List.of());
        return rule.declaration("font-weight")
                .filter(declaration -> weight.isPresent())
                .or(() -> rule.declaration("font-style").filter(declaration -> slope.isPresent()))
                .map(declaration -> new FontUse(
                        rule, declaration, List.of(), subjects(sheet, rule), weight, slope, width(rule, List.of())));
    }

    /** Whether the rule says something of the weight that is no number, such as {@code bolder}. */
    boolean weightIsUnknown() {
        return weight.isEmpty() && weightIsSet(rule);
    }

    /** Where the list of families begins in the value of {@code font}: after the size; 0 for a value without one. */
    static int familyStart(List<Token> value) {
        for (int i = 0; i < value.size(); i++) {
            Token token = value.get(i);
            boolean size = (token.is(Kind.DIMENSION) && !token.value().equalsIgnoreCase("deg"))
                    || token.is(Kind.PERCENTAGE)
                    || (token.is(Kind.IDENT) && isSize(token.value().toLowerCase(Locale.ROOT)));
            if (token.is(Kind.FUNCTION)) {
                return 0;
            }
            if (size) {
                return afterLineHeight(value, i + 1);
            }
        }
        return 0;
    }

    private static boolean isSize(String word) {
        return Keywords.SIZES.contains(word) || RELATIVE_SIZES.contains(word);
    }

    private static int afterLineHeight(List<Token> value, int from) {
        int at = skipSpace(value, from);
        if (at < value.size() && value.get(at).isDelim('/')) {
            at = skipSpace(value, at + 1);
            if (at < value.size() && value.get(at).is(Kind.FUNCTION)) {
                return 0;
            }
            at = skipSpace(value, at + 1);
        }
        return at < value.size() ? at : 0;
    }

    private static int skipSpace(List<Token> value, int from) {
        int at = from;
        while (at < value.size() && value.get(at).is(Kind.WHITESPACE)) {
            at++;
        }
        return at;
    }

    private static boolean weightIsSet(QualifiedRule rule) {
        return rule.declaration("font-weight").isPresent();
    }

    private static boolean slopeIsSet(QualifiedRule rule) {
        return rule.declaration("font-style").isPresent();
    }

    private static Optional<Double> weight(QualifiedRule rule, List<Token> before) {
        List<Token> value =
                rule.declaration("font-weight").map(Declaration::value).orElse(before);
        for (Token token : value) {
            if (token.isDelim('/') || token.is(Kind.DIMENSION) || token.is(Kind.PERCENTAGE)) {
                return Optional.empty();
            }
            if (token.is(Kind.NUMBER)) {
                return Optional.of(token.number());
            }
            if (token.isIdent("bold")) {
                return Optional.of(700.0);
            }
        }
        return value.size() == 1 && value.get(0).isIdent("normal") ? Optional.of(400.0) : Optional.empty();
    }

    private static Optional<Slope> slope(QualifiedRule rule, List<Token> before) {
        List<Token> value =
                rule.declaration("font-style").map(Declaration::value).orElse(before);
        for (Token token : value) {
            if (token.isIdent("italic")) {
                return Optional.of(Slope.ITALIC);
            }
            if (token.isIdent("oblique")) {
                return Optional.of(Slope.OBLIQUE);
            }
        }
        return value.size() == 1 && value.get(0).isIdent("normal") ? Optional.of(Slope.UPRIGHT) : Optional.empty();
    }

    private static Optional<Double> width(QualifiedRule rule, List<Token> before) {
        Optional<Declaration> own = rule.declaration("font-stretch").or(() -> rule.declaration("font-width"));
        for (Token token : own.map(Declaration::value).orElse(before)) {
            if (own.isPresent() && token.is(Kind.PERCENTAGE)) {
                return Optional.of(token.number());
            }
            if (token.is(Kind.IDENT) && !token.isIdent("normal")) {
                Optional<Double> named =
                        Optional.ofNullable(Keywords.WIDTHS.get(token.value().toLowerCase(Locale.ROOT)));
                if (named.isPresent()) {
                    return named;
                }
            }
        }
        return Optional.empty();
    }

    private static <T> Optional<T> unasked(List<String> subjects, Set<String> elements, T value, boolean set) {
        return !set && subjects.stream().anyMatch(elements::contains) ? Optional.of(value) : Optional.empty();
    }

    /** The last compound of each selector, in lower case, such as {@code h1} or {@code .lead}. */
    private static List<String> subjects(StyleSheet sheet, QualifiedRule rule) {
        List<String> subjects = new ArrayList<>();
        for (List<Token> selector : StyleSheet.atCommas(rule.prelude())) {
            String text = sheet.source(selector).strip();
            subjects.add(text.substring(lastCombinator(text) + 1).toLowerCase(Locale.ROOT));
        }
        return subjects;
    }

    private static int lastCombinator(String selector) {
        int depth = 0;
        for (int i = selector.length() - 1; i >= 0; i--) {
            char c = selector.charAt(i);
            if (c == ')' || c == ']') {
                depth++;
            } else if (c == '(' || c == '[') {
                depth--;
            } else if (depth == 0 && (Character.isWhitespace(c) || c == '>' || c == '+' || c == '~')) {
                return i;
            }
        }
        return -1;
    }
}
