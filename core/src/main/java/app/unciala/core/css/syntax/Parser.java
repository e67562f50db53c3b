package app.unciala.core.css.syntax;

import app.unciala.core.css.syntax.StyleSheet.AtRule;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.css.syntax.StyleSheet.Node;
import app.unciala.core.css.syntax.StyleSheet.QualifiedRule;
import app.unciala.core.css.syntax.StyleSheet.Rule;
import app.unciala.core.css.syntax.Token.Kind;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/**
 * Turns tokens into rules and declarations, as CSS Syntax 3, section 5.5 does, with rules inside rules. Where a block or
 * function ends is worked out beforehand, so that nothing is read more than twice.
 */
final class Parser {
    /** Deeper blocks are passed over: no style sheet that anybody wrote has them. */
    private static final int DEEPEST = 200;

    private final String text;
    private final List<Token> tokens;
    private final int[] closing;
    private final List<SyntaxProblem> problems;
    private int at;
    private int depth;

    private Parser(String text, Tokenizer.Tokens read) {
        this.text = text;
        tokens = read.tokens();
        problems = new ArrayList<>(read.problems());
        closing = closing();
    }

    static StyleSheet parse(String text) {
        Parser parser = new Parser(text, Tokenizer.tokens(text));
        List<Rule> rules = parser.rules();
        parser.problems.sort(Comparator.comparingInt(SyntaxProblem::at));
        List<Rule> allRules = new ArrayList<>();
        rules.forEach(rule -> StyleSheet.addWithInner(rule, allRules));
        return new StyleSheet(text, parser.tokens, rules, allRules, parser.problems, lines(text));
    }

    /** For each token that opens, the index of the one that closes it, or the number of tokens when none does. */
    private int[] closing() {
        int[] ends = new int[tokens.size()];
        Deque<Integer> open = new ArrayDeque<>();
        for (int i = 0; i < ends.length; i++) {
            if (tokens.get(i).opens()) {
                ends[i] = ends.length;
                open.push(i);
            } else if (!open.isEmpty() && tokens.get(i).closes(tokens.get(open.peek()))) {
                ends[open.pop()] = i;
            }
        }
        open.forEach(index -> problem(
                tokens.get(index).start(),
                tokens.get(index).is(Kind.OPEN_CURLY)
                        ? "This { is never closed; everything after it belongs to it."
                        : "This bracket is never closed; everything after it is swallowed."));
        return ends;
    }

    /** Section 5.5.1. */
    private List<Rule> rules() {
        List<Rule> rules = new ArrayList<>();
        while (at < tokens.size()) {
            switch (tokens.get(at).kind()) {
                case WHITESPACE, COMMENT_OPEN, COMMENT_CLOSE -> at++;
                case AT_KEYWORD -> rules.add(atRule(false));
                default -> qualifiedRule(false).ifPresent(rules::add);
            }
        }
        return rules;
    }

    /** Section 5.5.2. */
    private AtRule atRule(boolean nested) {
        Token keyword = tokens.get(at++);
        String name = StyleSheet.lower(keyword.value());
        int from = at;
        while (at < tokens.size()) {
            Token token = tokens.get(at);
            if (token.is(Kind.SEMICOLON)) {
                List<Token> prelude = StyleSheet.trimmed(tokens.subList(from, at++));
                return new AtRule(name, prelude, List.of(), false, keyword.start(), -1, token.end());
            }
            if (token.is(Kind.CLOSE_CURLY) && nested) {
                break;
            }
            if (token.is(Kind.OPEN_CURLY)) {
                List<Token> prelude = StyleSheet.trimmed(tokens.subList(from, at));
                List<Node> content = block();
                return new AtRule(name, prelude, content, true, keyword.start(), token.end(), lastEnd());
            }
            skip();
        }
        List<Token> prelude = StyleSheet.trimmed(tokens.subList(from, at));
        return new AtRule(name, prelude, List.of(), false, keyword.start(), -1, lastEnd());
    }

    /** Section 5.5.3; nothing when it turns out to be none, and what it was is passed over. */
    private Optional<QualifiedRule> qualifiedRule(boolean nested) {
        int from = at;
        int start = tokens.get(at).start();
        while (at < tokens.size()) {
            Token token = tokens.get(at);
            if ((nested && token.is(Kind.SEMICOLON)) || (nested && token.is(Kind.CLOSE_CURLY))) {
                problem(start, "“" + excerpt(from) + "” isn’t a declaration: it needs a name, a colon and a value.");
                return Optional.empty();
            }
            if (token.is(Kind.OPEN_CURLY)) {
                List<Token> prelude = StyleSheet.trimmed(tokens.subList(from, at));
                if (looksLikeCustomProperty(prelude)) {
                    problem(start, "A custom property must stand inside a rule; browsers pass over this.");
                    skip();
                    return Optional.empty();
                }
                List<Node> content = block();
                return Optional.of(new QualifiedRule(prelude, content, start, token.end(), lastEnd()));
            }
            if (token.is(Kind.CLOSE_CURLY)) {
                problem(token.start(), "This } closes nothing, and spoils the rule after it.");
            }
            skip();
        }
        problem(start, "“" + excerpt(from) + "” isn’t a rule: it has no block.");
        return Optional.empty();
    }

    private static boolean looksLikeCustomProperty(List<Token> prelude) {
        List<Token> words = prelude.stream()
                .filter(token -> !token.is(Kind.WHITESPACE))
                .limit(2)
                .toList();
        return words.size() == 2
                && words.get(0).is(Kind.IDENT)
                && words.get(0).value().startsWith("--")
                && words.get(1).is(Kind.COLON);
    }

    /** Section 5.5.4, from the opening bracket to after the closing one. */
    private List<Node> block() {
        int end = closing[at];
        List<Node> content = new ArrayList<>();
        if (depth == DEEPEST) {
            problem(tokens.get(at).start(), "Blocks are nested more than " + DEEPEST + " deep; this one is not read.");
        } else {
            depth++;
            at++;
            blockContents(end, content);
            depth--;
        }
        at = Math.min(end + 1, tokens.size());
        return content;
    }

    private void blockContents(int end, List<Node> content) {
        while (at < end) {
            Token token = tokens.get(at);
            if (token.is(Kind.WHITESPACE) || token.is(Kind.SEMICOLON)) {
                at++;
            } else if (token.is(Kind.AT_KEYWORD)) {
                content.add(atRule(true));
            } else {
                int mark = at;
                Optional<Declaration> declaration = declaration(end);
                if (declaration.isPresent()) {
                    content.add(declaration.get());
                } else {
                    at = mark;
                    qualifiedRule(true).ifPresent(content::add);
                }
            }
        }
    }

    /** Section 5.5.6; nothing when it is none. */
    private Optional<Declaration> declaration(int end) {
        Token name = tokens.get(at);
        if (!name.is(Kind.IDENT)) {
            return Optional.empty();
        }
        at++;
        skipWhitespace(end);
        if (at >= end || !tokens.get(at).is(Kind.COLON)) {
            return Optional.empty();
        }
        at++;
        skipWhitespace(end);
        int from = at;
        boolean hasBlock = false;
        while (at < end && !tokens.get(at).is(Kind.SEMICOLON)) {
            hasBlock |= tokens.get(at).is(Kind.OPEN_CURLY);
            skip();
        }
        List<Token> value = StyleSheet.trimmed(tokens.subList(from, Math.min(at, end)));
        boolean custom = name.value().startsWith("--");
        boolean onlyBlock = hasBlock && value.get(0).is(Kind.OPEN_CURLY) && closing[from] == from + value.size() - 1;
        if (hasBlock && !custom && !onlyBlock) {
            return Optional.empty();
        }
        int important = important(value);
        int valueStart = value.isEmpty() ? lastEnd() : value.get(0).start();
        int valueEnd = value.isEmpty() ? lastEnd() : value.get(value.size() - 1).end();
        return Optional.of(new Declaration(
                StyleSheet.lower(name.value()),
                important < 0 ? value : StyleSheet.trimmed(value.subList(0, important)),
                important >= 0,
                name.start(),
                valueStart,
                valueEnd));
    }

    /** Where {@code !important} begins at the end of a value, or -1. */
    private static int important(List<Token> value) {
        int i = value.size() - 1;
        if (i < 1 || !value.get(i).isIdent("important")) {
            return -1;
        }
        do {
            i--;
        } while (i > 0 && value.get(i).is(Kind.WHITESPACE));
        return value.get(i).isDelim('!') ? i : -1;
    }

    private void skipWhitespace(int end) {
        while (at < end && tokens.get(at).is(Kind.WHITESPACE)) {
            at++;
        }
    }

    /** To after the component value that begins here: one token, or a whole block or function. */
    private void skip() {
        at = tokens.get(at).opens() ? Math.min(closing[at] + 1, tokens.size()) : at + 1;
    }

    private int lastEnd() {
        return at == 0 ? 0 : tokens.get(at - 1).end();
    }

    private String excerpt(int from) {
        int start = tokens.get(from).start();
        String found = text.substring(start, Math.min(text.length(), start + 40))
                .lines()
                .findFirst()
                .orElse("");
        return found.strip();
    }

    private void problem(int where, String message) {
        problems.add(new SyntaxProblem(where, message));
    }

    private static int[] lines(String text) {
        List<Integer> starts = new ArrayList<>(List.of(0));
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean pair = c == '\r' && i + 1 < text.length() && text.charAt(i + 1) == '\n';
            if (c == '\n' || c == '\f' || (c == '\r' && !pair)) {
                starts.add(i + 1);
            }
        }
        return starts.stream().mapToInt(Integer::intValue).toArray();
    }
}
