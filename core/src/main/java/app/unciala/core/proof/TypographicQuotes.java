package app.unciala.core.proof;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import app.unciala.font.budget.Budget;
import com.google.common.base.CharMatcher;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Quotes as texts print them, which CSS takes for letters. */
final class TypographicQuotes {
    private static final String QUOTES = "“”„‟‘’‚‛«»″′";
    private static final CharMatcher ANY_QUOTE = CharMatcher.anyOf(QUOTES).precomputed();
    private static final Set<Kind> WHERE_THEY_SPOIL =
            Set.of(Kind.IDENT, Kind.URL, Kind.BAD_URL, Kind.FUNCTION, Kind.DELIM);

    private TypographicQuotes() {}

    static boolean in(String text) {
        return ANY_QUOTE.matchesAnyOf(text);
    }

    static String removed(String text) {
        return ANY_QUOTE.removeFrom(text);
    }

    static Stream<Finding> find(FontSheet fonts) {
        StyleSheet sheet = fonts.sheet();
        if (!in(sheet.text())) {
            return Stream.empty();
        }
        return Stream.concat(
                sheet.allRules().stream()
                        .flatMap(rule -> rule.declarations().stream())
                        .map(Declaration::value)
                        .flatMap(value -> find(sheet, value)),
                fonts.rulesNamed("import").flatMap(rule -> find(sheet, rule.prelude())));
    }

    /** The quotes to use: single ones where a single one has no partner yet, as in an expression with one of each kind. */
    private static String straight(String text) {
        boolean isOneSingle = CharMatcher.is('\'').countIn(text) % 2 == 1;
        boolean isOneDouble = CharMatcher.is('"').countIn(text) % 2 == 1;
        return isOneSingle && !isOneDouble ? "'" : "\"";
    }

    private static Stream<Finding> find(StyleSheet sheet, List<Token> value) {
        List<Edit> edits = new ArrayList<>();
        for (Token token : value) {
            if (WHERE_THEY_SPOIL.contains(token.kind())) {
                String straight = straight(sheet.text().substring(token.start(), token.end()));
                for (int i = token.start(); i < token.end(); i++) {
                    Budget.check();
                    if (ANY_QUOTE.matches(sheet.text().charAt(i))) {
                        edits.add(new Edit(i, i + 1, straight));
                    }
                }
            }
        }
        if (edits.isEmpty()) {
            return Stream.empty();
        }
        int from = value.get(0).start();
        int to = value.get(value.size() - 1).end();
        List<Edit> inValue = edits.stream()
                .map(edit -> new Edit(edit.start() - from, edit.end() - from, edit.text()))
                .toList();
        String corrected = Edit.apply(sheet.text().substring(from, to), List.of(inValue));
        return Stream.of(Finding.at(
                        sheet,
                        edits.get(0).start(),
                        FindingKind.TYPOGRAPHIC_QUOTES,
                        "These are quotes of a text; CSS takes them for letters of the name. Use straight ones.")
                .fixedBy(corrected, edits));
    }
}
