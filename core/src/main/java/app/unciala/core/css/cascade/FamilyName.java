package app.unciala.core.css.cascade;

import app.unciala.core.css.Keywords;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import app.unciala.font.budget.Budget;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** One entry of a {@code font-family} value: the name of a family, or a generic family (CSS Fonts 4, section 2.1). */
public record FamilyName(String name, boolean isGeneric) {
    /** A list as it is written in a declaration; nothing when browsers do not take it. */
    public static Optional<List<FamilyName>> list(List<Token> value) {
        List<FamilyName> names = new ArrayList<>();
        for (List<Token> part : StyleSheet.atCommas(value)) {
            Budget.check();
            Optional<FamilyName> name = of(part);
            if (name.isEmpty()) {
                return Optional.empty();
            }
            names.add(name.get());
        }
        return Optional.of(names);
    }

    private static Optional<FamilyName> of(List<Token> part) {
        if (part.size() == 1 && part.get(0).is(Kind.STRING)) {
            return Optional.of(new FamilyName(part.get(0).value(), false));
        }
        List<Token> words =
                part.stream().filter(token -> !token.is(Kind.WHITESPACE)).toList();
        if (words.size() == 3
                && words.get(0).is(Kind.FUNCTION)
                && words.get(0).value().equalsIgnoreCase("generic")) {
            return Optional.of(new FamilyName(words.get(1).value().toLowerCase(Locale.ROOT), true));
        }
        if (words.isEmpty() || !words.stream().allMatch(word -> word.is(Kind.IDENT))) {
            return Optional.empty();
        }
        String first = words.get(0).value().toLowerCase(Locale.ROOT);
        if (words.size() == 1 && Keywords.GENERIC_FAMILIES.contains(first)) {
            return Optional.of(new FamilyName(first, true));
        }
        return words.size() == 1 && (Keywords.WIDE.contains(first) || first.equals("default"))
                ? Optional.empty()
                : Optional.of(new FamilyName(words.stream().map(Token::value).collect(Collectors.joining(" ")), false));
    }

    /** Whether another name is the same to browsers. */
    public boolean isSame(String other) {
        return name.equalsIgnoreCase(other);
    }
}
