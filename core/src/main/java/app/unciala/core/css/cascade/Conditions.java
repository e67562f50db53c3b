package app.unciala.core.css.cascade;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import java.util.List;
import java.util.function.Predicate;

/** Conditions in brackets, joined by {@code and}, {@code or} and {@code not}, of media, of support and of containers. */
final class Conditions {
    private static final int DEEPEST = 32;

    private final Predicate<List<Token>> feature;
    private final Predicate<List<Token>> function;

    /** Conditions whose features are answered so, in which no functions stand. */
    Conditions(Predicate<List<Token>> feature) {
        this(feature, tokens -> false);
    }

    /**
     * Conditions with functions.
     *
     * @param feature whether what stands in brackets holds, if it is no condition itself
     * @param function whether a function with its brackets holds
     */
    Conditions(Predicate<List<Token>> feature, Predicate<List<Token>> function) {
        this.feature = feature;
        this.function = function;
    }

    boolean hold(List<Token> said) {
        return hold(said, 0);
    }

    private boolean hold(List<Token> given, int depth) {
        List<Token> said = StyleSheet.trimmed(given);
        if (said.isEmpty() || depth > DEEPEST) {
            return false;
        }
        if (said.get(0).isIdent("not")) {
            return !hold(said.subList(1, said.size()), depth + 1);
        }
        int at = 0;
        boolean result = false;
        String joined = "";
        while (at < said.size()) {
            int end = Math.min(said.size(), StyleSheet.closing(said, at) + 1);
            boolean one = part(said.subList(at, end), depth);
            result = switch (joined) {
                case "and" -> result && one;
                case "or" -> result || one;
                default -> one;
            };
            at = end;
            while (at < said.size() && said.get(at).is(Kind.WHITESPACE)) {
                at++;
            }
            if (at == said.size()) {
                return result;
            }
            String word = said.get(at).isIdent("and") ? "and" : said.get(at).isIdent("or") ? "or" : "";
            if (word.isEmpty() || (!joined.isEmpty() && !joined.equals(word))) {
                return false;
            }
            joined = word;
            at++;
            while (at < said.size() && said.get(at).is(Kind.WHITESPACE)) {
                at++;
            }
        }
        return false;
    }

    private boolean part(List<Token> part, int depth) {
        Token first = part.get(0);
        if (first.is(Kind.FUNCTION)) {
            return function.test(part);
        }
        if (!first.is(Kind.OPEN_ROUND)) {
            return false;
        }
        int end = part.get(part.size() - 1).is(Kind.CLOSE_ROUND) ? part.size() - 1 : part.size();
        List<Token> inside = StyleSheet.trimmed(part.subList(1, end));
        boolean nested = !inside.isEmpty()
                && (inside.get(0).is(Kind.OPEN_ROUND)
                        || inside.get(0).isIdent("not")
                        || (inside.get(0).is(Kind.FUNCTION)
                                && inside.stream().noneMatch(token -> token.is(Kind.COLON))));
        return nested ? hold(inside, depth + 1) : feature.test(inside);
    }
}
