package app.unciala.core.check;

import app.unciala.core.css.CssText;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.AtRule;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.css.syntax.StyleSheet.Rule;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.sentence.Sentences;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A rule of a style sheet that another, which should be the same, lacks or says otherwise. Spaces, comments and the kind of
 * quotation marks make no difference.
 *
 * @param rule as it should be
 * @param line where it stands in the one that should be there, from 1
 * @param found the rule that stands in its place; null when none does
 * @param foundLine where that stands in the other; 0 when none does
 */
public record SheetDifference(
        String rule, int line, @Nullable String found, int foundLine) {
    private static final int LONGEST = 400;
    private static final Set<String> FACE = Set.of("font-family", "font-weight", "font-style", "unicode-range");

    /** The rules of {@code wanted} that are not in {@code found}; what that has besides is no matter. */
    public static List<SheetDifference> between(String wanted, String found) {
        Written sheet = new Written(StyleSheet.read(wanted));
        Written other = new Written(StyleSheet.read(found));
        Set<String> there = new HashSet<>();
        Map<String, Rule> byName = new LinkedHashMap<>();
        for (Rule rule : other.sheet().allRules()) {
            there.add(other.rule(rule));
            byName.put(other.name(rule), rule);
        }
        List<SheetDifference> differences = new ArrayList<>();
        for (Rule rule : sheet.sheet().allRules()) {
            if (!rule.declarations().isEmpty() && !there.contains(sheet.rule(rule))) {
                Rule instead = byName.get(sheet.name(rule));
                differences.add(new SheetDifference(
                        Sentences.shortened(sheet.rule(rule), LONGEST),
                        sheet.line(rule),
                        instead == null ? null : Sentences.shortened(other.rule(instead), LONGEST),
                        instead == null ? 0 : other.line(instead)));
            }
        }
        return differences;
    }

    /** Rules written so that what means the same is the same text. */
    private record Written(StyleSheet sheet) {
        int line(Rule rule) {
            return sheet.place(rule.start()).line();
        }

        /** What a rule is about: its selectors, or the face it declares. */
        String name(Rule rule) {
            return rule instanceof AtRule at && at.name().equals("font-face")
                    ? rule.declarations().stream()
                            .filter(declaration -> FACE.contains(declaration.name()))
                            .sorted(Comparator.comparing(Declaration::name))
                            .map(this::declaration)
                            .collect(Collectors.joining(";"))
                    : start(rule);
        }

        String rule(Rule rule) {
            return start(rule) + " { "
                    + rule.declarations().stream().map(this::declaration).collect(Collectors.joining("; ")) + " }";
        }

        private String start(Rule rule) {
            return ((rule instanceof AtRule at ? "@" + at.name() + " " : "") + value(rule.prelude())).strip();
        }

        private String declaration(Declaration declaration) {
            return declaration.name() + ": " + value(declaration.value())
                    + (declaration.important() ? " !important" : "");
        }

        private String value(List<Token> tokens) {
            StringBuilder text = new StringBuilder();
            for (Token token : tokens) {
                text.append(
                        switch (token.kind()) {
                            case WHITESPACE -> " ";
                            case STRING -> CssText.quote(token.value());
                            case URL -> "url(" + CssText.quote(token.value()) + ")";
                            default -> sheet.text().substring(token.start(), token.end());
                        });
            }
            return text.toString()
                    .replaceAll("\\s*([,>])\\s*", "$1 ")
                    .replaceAll(" +", " ")
                    .strip();
        }
    }
}
