package app.unciala.core.proof;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.css.syntax.SyntaxProblem;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** What browsers cannot read, and what they read otherwise than it was meant. */
final class SyntaxFindings {
    private SyntaxFindings() {}

    static Stream<Finding> find(FontSheet fonts, Reference reference) {
        StyleSheet sheet = fonts.sheet();
        Optional<Pattern> replaced = reference.replacedInUrl();
        Stream<Declaration> declarations = sheet.allRules().stream()
                .flatMap(rule -> rule.declarations().stream())
                .filter(one -> !one.isCustomProperty());
        return Stream.of(
                        sheet.problems().stream()
                                .filter(problem -> !isHackForOldBrowsers(sheet, problem))
                                .filter(problem -> replaced.filter(pattern -> isAt(pattern, sheet, problem))
                                        .isEmpty())
                                .map(problem -> Finding.at(sheet, problem.at(), FindingKind.SYNTAX, problem.message())),
                        declarations.flatMap(declaration -> missingSemicolons(sheet, declaration)),
                        fonts.uses().stream()
                                .filter(use -> !use.families().isEmpty())
                                .flatMap(use -> missingCommas(sheet, use.declaration())))
                .flatMap(found -> found);
    }

    private static boolean isAt(Pattern pattern, StyleSheet sheet, SyntaxProblem problem) {
        return pattern.matcher(sheet.text())
                .region(problem.at(), sheet.text().length())
                .lookingAt();
    }

    /** A star before a property hides it from all but one old browser, on purpose. */
    private static boolean isHackForOldBrowsers(StyleSheet sheet, SyntaxProblem problem) {
        return problem.at() < sheet.text().length() && sheet.text().charAt(problem.at()) == '*';
    }

    /** A name and a colon that begin a line inside a value are the next declaration. */
    private static Stream<Finding> missingSemicolons(StyleSheet sheet, Declaration declaration) {
        List<Token> value = declaration.value();
        if (!hasColon(value)) {
            return Stream.empty();
        }
        return IntStream.range(1, value.size() - 1)
                .filter(i -> value.get(i).is(Kind.IDENT)
                        && value.get(i + 1).is(Kind.COLON)
                        && value.get(i - 1).is(Kind.WHITESPACE)
                        && breaksLine(sheet, value.get(i - 1)))
                .mapToObj(i -> Finding.at(
                                sheet,
                                value.get(i - 1).start(),
                                FindingKind.SYNTAX,
                                "A semicolon is missing here, so “" + declaration.name() + "” and “"
                                        + value.get(i).value() + "” are both passed over.")
                        .fixedBy(";", Edit.insert(value.get(i - 1).start(), ";")));
    }

    private static boolean hasColon(List<Token> value) {
        for (Token token : value) {
            if (token.is(Kind.COLON)) {
                return true;
            }
        }
        return false;
    }

    private static boolean breaksLine(StyleSheet sheet, Token space) {
        return sheet.text().substring(space.start(), space.end()).matches("(?s).*[\\n\\r\\f].*");
    }

    private static Stream<Finding> missingCommas(StyleSheet sheet, Declaration declaration) {
        List<Token> value = declaration.value();
        if (!declaration.is("font-family")) {
            return Stream.empty();
        }
        if (value.size() < 3) {
            return Stream.empty();
        }
        Stream<Finding> empty = StyleSheet.atCommas(value).stream().anyMatch(List::isEmpty)
                ? Stream.of(Finding.at(
                        sheet,
                        declaration.valueStart(),
                        FindingKind.SYNTAX,
                        "A comma has no name beside it, so browsers pass over the whole list."))
                : Stream.empty();
        Stream<Finding> joined = IntStream.range(0, Math.max(0, value.size() - 2))
                .filter(i -> value.get(i).is(Kind.STRING)
                        && value.get(i + 1).is(Kind.WHITESPACE)
                        && (value.get(i + 2).is(Kind.IDENT) || value.get(i + 2).is(Kind.STRING)))
                .mapToObj(i -> Finding.at(
                                sheet,
                                value.get(i).end(),
                                FindingKind.SYNTAX,
                                "A comma is missing after this name, so browsers pass over the whole list.")
                        .fixedBy(",", Edit.insert(value.get(i).end(), ",")));
        return Stream.concat(empty, joined);
    }
}
