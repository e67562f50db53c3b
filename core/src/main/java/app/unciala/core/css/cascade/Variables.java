package app.unciala.core.css.cascade;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The custom properties of an element (CSS Variables 1), and values with {@code var()} in them put together. */
final class Variables {
    static final Variables NONE = new Variables(Map.of(), Map.of());
    private static final int LONGEST = 100_000;

    private final Map<String, String> values;
    private final Map<String, Rule> rules;
    /** What declarations come to, which is the same for all elements that share these variables. */
    private final IdentityHashMap<Entry, Optional<List<Token>>> known = new IdentityHashMap<>();

    private Variables(Map<String, String> values, Map<String, Rule> rules) {
        this.values = values;
        this.rules = rules;
    }

    static boolean refers(List<Token> value) {
        return value.stream().anyMatch(Variables::isReference);
    }

    private static boolean isReference(Token token) {
        return token.is(Kind.FUNCTION)
                && (token.value().equalsIgnoreCase("var") || token.value().equalsIgnoreCase("env"));
    }

    /** The first custom property that a value refers to. */
    static Optional<String> firstIn(List<Token> tokens) {
        for (int i = 0; i < tokens.size(); i++) {
            if (isReference(tokens.get(i)) && tokens.get(i).value().equalsIgnoreCase("var")) {
                List<Token> inside = StyleSheet.trimmed(tokens.subList(i + 1, StyleSheet.closing(tokens, i)));
                return inside.stream().findFirst().map(Token::value);
            }
        }
        return Optional.empty();
    }

    /** The rule of the page that says the value of a custom property, if one does. */
    Optional<Rule> rule(String name) {
        return Optional.ofNullable(rules.get(name));
    }

    /** The value of a custom property; nothing where it has none. */
    Optional<String> value(String name) {
        return Optional.ofNullable(values.get(name));
    }

    /** Those of an element whose own declarations say this, by name and by rule; those not declared are inherited. */
    Variables with(Map<String, String> declared, Map<String, Rule> by) {
        if (declared.isEmpty()) {
            return this;
        }
        Map<String, String> all = new HashMap<>(values);
        Resolving resolving = new Resolving(declared);
        declared.keySet().forEach(name -> resolving
                .resolved(name)
                .ifPresentOrElse(value -> all.put(name, value), () -> all.remove(name)));
        Map<String, Rule> allRules = new HashMap<>(rules);
        allRules.keySet().removeAll(declared.keySet());
        allRules.putAll(by);
        return new Variables(all, allRules);
    }

    /** The value of a declaration with {@code var()} in it. */
    Optional<List<Token>> valueOf(Entry entry) {
        if (this == NONE) {
            // It is everybody's, and so keeps nothing.
            return entry.substituted(this);
        }
        Optional<List<Token>> value = known.get(entry);
        if (value == null) {
            value = entry.substituted(this);
            known.put(entry, value);
        }
        return value;
    }

    /** A value with each {@code var()} replaced by what it stands for; nothing where one stands for nothing. */
    Optional<String> substituted(String value) {
        return new Resolving(Map.of()).substituted(value);
    }

    /** Works out values that refer to each other; what refers to itself has none. */
    private final class Resolving {
        private final Map<String, String> declared;
        private final Map<String, Optional<String>> done = new HashMap<>();
        private final Set<String> open = new HashSet<>();

        private Resolving(Map<String, String> declared) {
            this.declared = declared;
        }

        private Optional<String> resolved(String name) {
            if (!declared.containsKey(name)) {
                return value(name);
            }
            Optional<String> known = done.get(name);
            if (known != null) {
                return known;
            }
            if (!open.add(name)) {
                return Optional.empty();
            }
            Optional<String> result =
                    switch (declared.get(name).strip().toLowerCase(Locale.ROOT)) {
                        case "initial" -> Optional.empty();
                        case "inherit", "unset", "revert", "revert-layer" -> value(name);
                        default -> substituted(declared.get(name));
                    };
            open.remove(name);
            done.put(name, result);
            return result;
        }

        private Optional<String> substituted(String value) {
            List<Token> tokens = StyleSheet.tokens(value);
            if (!refers(tokens)) {
                return Optional.of(value);
            }
            StringBuilder out = new StringBuilder();
            int at = 0;
            while (at < tokens.size()) {
                Token token = tokens.get(at);
                if (!isReference(token)) {
                    out.append(value, token.start(), token.end());
                    at++;
                    continue;
                }
                int end = StyleSheet.closing(tokens, at);
                List<Token> inside = StyleSheet.trimmed(tokens.subList(at + 1, end));
                Optional<String> replaced = replaced(token, inside, value);
                if (replaced.isEmpty() || out.length() + replaced.get().length() > LONGEST) {
                    return Optional.empty();
                }
                out.append("/**/").append(replaced.get()).append("/**/");
                at = Math.min(end + 1, tokens.size());
            }
            return Optional.of(out.toString());
        }

        private Optional<String> replaced(Token function, List<Token> inside, String value) {
            if (inside.isEmpty() || !inside.get(0).is(Kind.IDENT)) {
                return Optional.empty();
            }
            Optional<String> found = function.value().equalsIgnoreCase("env")
                    ? Optional.of("0px")
                    : resolved(inside.get(0).value());
            if (found.isPresent()) {
                return found;
            }
            int comma = 1;
            while (comma < inside.size() && inside.get(comma).is(Kind.WHITESPACE)) {
                comma++;
            }
            if (comma >= inside.size() || !inside.get(comma).is(Kind.COMMA)) {
                return Optional.empty();
            }
            List<Token> fallback = StyleSheet.trimmed(inside.subList(comma + 1, inside.size()));
            return fallback.isEmpty()
                    ? Optional.of("")
                    : substituted(value.substring(
                            fallback.get(0).start(),
                            fallback.get(fallback.size() - 1).end()));
        }
    }
}
