package app.unciala.core.css.syntax;

import app.unciala.core.css.syntax.Token.Kind;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A style sheet as browsers read it: its rules in order, and what they would pass over.
 *
 * @param text the text it was read from; all places are offsets into it
 * @param rules those that stand in no other
 * @param allRules those inside others too, in the order of the text
 * @param lines where each line begins
 */
public record StyleSheet(
        String text,
        List<Token> tokens,
        List<Rule> rules,
        List<Rule> allRules,
        List<SyntaxProblem> problems,
        int[] lines) {

    /** Reads any text: damage is told, and never fails. */
    public static StyleSheet read(String text) {
        return Parser.parse(text);
    }

    /** The tokens of a value that stands by itself. */
    public static List<Token> tokens(String value) {
        return Tokenizer.tokens(value).tokens();
    }

    /** What stands in a style sheet or block: a rule or a declaration. */
    public sealed interface Node {
        int start();

        int end();
    }

    public sealed interface Rule extends Node {
        /** What stands before the block, without whitespace around it. */
        List<Token> prelude();

        /** What stands in the block; nothing for an at-rule that ends in a semicolon. */
        List<Node> content();

        /** The declarations that stand directly in the block. */
        default List<Declaration> declarations() {
            return content().stream()
                    .filter(Declaration.class::isInstance)
                    .map(Declaration.class::cast)
                    .toList();
        }

        /** The last declaration of a property or descriptor; of several the last one counts. */
        default Optional<Declaration> declaration(String name) {
            List<Node> content = content();
            for (int i = content.size() - 1; i >= 0; i--) {
                if (content.get(i) instanceof Declaration declaration && declaration.is(name)) {
                    return Optional.of(declaration);
                }
            }
            return Optional.empty();
        }
    }

    /**
     * A rule with an at-keyword.
     *
     * @param name in lower case
     * @param bodyStart where the content of its block begins, or -1 when it has no block
     */
    public record AtRule(
            String name, List<Token> prelude, List<Node> content, boolean hasBlock, int start, int bodyStart, int end)
            implements Rule {}

    /** A rule with selectors, or what stands in their place. */
    public record QualifiedRule(List<Token> prelude, List<Node> content, int start, int bodyStart, int end)
            implements Rule {}

    /**
     * A property or descriptor with its value.
     *
     * @param name in lower case, but for custom properties
     * @param value without whitespace around it, and without {@code !important}
     * @param end after its value, before a semicolon
     */
    public record Declaration(String name, List<Token> value, boolean important, int start, int valueStart, int end)
            implements Node {
        public boolean is(String other) {
            return name.equals(other);
        }

        public boolean isCustomProperty() {
            return name.startsWith("--");
        }
    }

    /** A place as people count: both from 1, columns in UTF-16 units. */
    public record Place(int line, int column) {}

    public Place place(int offset) {
        int index = Arrays.binarySearch(lines, offset);
        int line = index >= 0 ? index : -index - 2;
        return new Place(line + 1, offset - lines[line] + 1);
    }

    static void addWithInner(Rule rule, List<Rule> all) {
        all.add(rule);
        for (Node node : rule.content()) {
            if (node instanceof Rule inner) {
                addWithInner(inner, all);
            }
        }
    }

    /** The text of some tokens, as it was written. */
    public String source(List<Token> some) {
        return some.isEmpty()
                ? ""
                : text.substring(some.get(0).start(), some.get(some.size() - 1).end());
    }

    /** The index of the token that closes what the one at {@code open} opens, or the number of tokens when none does. */
    public static int closing(List<Token> some, int open) {
        int depth = 0;
        for (int i = open; i < some.size(); i++) {
            depth += some.get(i).opens() ? 1 : some.get(i).isClosing() ? -1 : 0;
            if (depth <= 0) {
                return i;
            }
        }
        return some.size();
    }

    /** Some tokens divided at the commas that stand in no brackets, each part without whitespace around it. */
    public static List<List<Token>> atCommas(List<Token> some) {
        List<List<Token>> parts = new ArrayList<>();
        int depth = 0;
        int from = 0;
        for (int i = 0; i < some.size(); i++) {
            Token token = some.get(i);
            if (token.opens()) {
                depth++;
            } else if (token.isClosing()) {
                depth--;
            } else if (token.is(Kind.COMMA) && depth == 0) {
                parts.add(trimmed(some.subList(from, i)));
                from = i + 1;
            }
        }
        parts.add(trimmed(some.subList(from, some.size())));
        return parts;
    }

    /** Some tokens without whitespace around them. */
    public static List<Token> trimmed(List<Token> some) {
        int from = 0;
        int to = some.size();
        while (from < to && some.get(from).is(Kind.WHITESPACE)) {
            from++;
        }
        while (to > from && some.get(to - 1).is(Kind.WHITESPACE)) {
            to--;
        }
        return some.subList(from, to);
    }

    static String lower(String name) {
        return name.startsWith("--") ? name : name.toLowerCase(Locale.ROOT);
    }
}
