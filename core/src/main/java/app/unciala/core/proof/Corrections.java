package app.unciala.core.proof;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.AtRule;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.css.syntax.StyleSheet.QualifiedRule;
import app.unciala.core.css.syntax.StyleSheet.Rule;
import java.util.List;

/** Changes of rules, written as the text around them is. */
final class Corrections {
    private Corrections() {}

    /** Sets a declaration of a rule: its value replaced, or the declaration added after the others. */
    static Edit set(StyleSheet sheet, Rule rule, String name, String value) {
        return rule.declaration(name)
                .map(declaration -> new Edit(declaration.valueStart(), declaration.end(), value))
                .orElseGet(() -> add(sheet, rule, name + ": " + value));
    }

    /** Adds a declaration after the others, on a line of its own where they have lines of their own. */
    static Edit add(StyleSheet sheet, Rule rule, String declaration) {
        List<Declaration> others = rule.declarations();
        if (others.isEmpty()) {
            return Edit.insert(bodyStart(rule), " " + declaration + ";");
        }
        Declaration last = others.get(others.size() - 1);
        return Edit.insert(last.end(), ";" + spaceBefore(sheet, last.start()) + declaration);
    }

    /** Takes a declaration out, with the semicolon and the space after it. */
    static Edit remove(StyleSheet sheet, Declaration declaration) {
        String text = sheet.text();
        int end = declaration.end();
        while (end < text.length() && Character.isWhitespace(text.charAt(end))) {
            end++;
        }
        if (end < text.length() && text.charAt(end) == ';') {
            end++;
            while (end < text.length() && Character.isWhitespace(text.charAt(end))) {
                end++;
            }
        }
        return new Edit(declaration.start(), end, "");
    }

    /** Takes a rule out, with the line break after it. */
    static Edit remove(StyleSheet sheet, Rule rule) {
        String text = sheet.text();
        int end = rule.end();
        while (end < text.length() && Character.isWhitespace(text.charAt(end)) && text.charAt(end) != '\n') {
            end++;
        }
        return new Edit(rule.start(), end < text.length() && text.charAt(end) == '\n' ? end + 1 : rule.end(), "");
    }

    private static int bodyStart(Rule rule) {
        return rule instanceof AtRule at ? at.bodyStart() : ((QualifiedRule) rule).bodyStart();
    }

    private static String spaceBefore(StyleSheet sheet, int at) {
        int from = at;
        while (from > 0 && Character.isWhitespace(sheet.text().charAt(from - 1))) {
            from--;
        }
        String space = sheet.text().substring(from, at);
        int line = space.lastIndexOf('\n');
        return line < 0 ? " " : space.substring(line);
    }
}
