package app.unciala.core.css.cascade;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import java.util.ArrayList;
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
    static final Variables NONE = new Variables(Map.of(), Map.of(), Map.of());
    private static final int LONGEST = 100_000;
    private static final int MOST_FALLBACKS = 200;
    /** A longer chain of properties that refer to each other is invalid. */
    private static final int MOST_REFERENCES = 500;

    private static final String COMMENT = "/**/";

    private final Map<String, String> values;
    private final Map<String, Rule> rules;
    /** The first custom property in each value as it is written, by name. */
    private final Map<String, String> references;

    /** What declarations come to, which is the same for all elements that share these variables. */
    private final IdentityHashMap<Entry, Optional<List<Token>>> known = new IdentityHashMap<>();

    private Variables(Map<String, String> values, Map<String, Rule> rules, Map<String, String> references) {
        this.values = values;
        this.rules = rules;
        this.references = references;
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

    /** The first custom property that the value of another one refers to. */
    Optional<String> refersTo(String name) {
        return Optional.ofNullable(references.get(name));
    }

    /** The value of a custom property; nothing where it has none. */
    Optional<String> value(String name) {
        return Optional.ofNullable(values.get(name));
    }

    /**
     * The variables of an element.
     *
     * @param declared the values that win, by name; properties that are not among them have the value of the parent
     * @param by the rules of the page that declare them
     * @param registered all properties that are registered
     */
    Variables with(Map<String, String> declared, Map<String, Rule> by, Map<String, RegisteredProperty> registered) {
        if (declared.isEmpty() && registered.isEmpty()) {
            return this;
        }
        Map<String, String> all = new HashMap<>(values);
        registered.keySet().forEach(name -> put(all, name, unset(name, registered)));
        Resolving resolving = new Resolving(declared, all, registered);
        declared.keySet().forEach(name -> put(all, name, resolving.resolved(name)));
        Map<String, Rule> allRules = new HashMap<>(rules);
        allRules.keySet().removeAll(declared.keySet());
        allRules.putAll(by);
        if (all.equals(values) && allRules.equals(rules)) {
            return this;
        }
        Map<String, String> allReferences = new HashMap<>(references);
        declared.forEach((name, text) ->
                put(allReferences, name, text.contains("var(") ? firstIn(StyleSheet.tokens(text)) : Optional.empty()));
        return new Variables(all, allRules, allReferences);
    }

    private static void put(Map<String, String> all, String name, Optional<String> value) {
        value.ifPresentOrElse(some -> all.put(name, some), () -> all.remove(name));
    }

    private static Optional<String> initial(String name, Map<String, RegisteredProperty> registered) {
        return Optional.ofNullable(registered.get(name)).flatMap(RegisteredProperty::initial);
    }

    /** What a property has that is not declared. */
    private Optional<String> unset(String name, Map<String, RegisteredProperty> registered) {
        RegisteredProperty property = registered.get(name);
        return property != null && !property.inherits()
                ? property.initial()
                : value(name).or(() -> initial(name, registered));
    }

    /** What a property has whose value is invalid at computed-value time (CSS Variables 1, section 3.1). */
    private Optional<String> invalid(String name, Map<String, RegisteredProperty> registered) {
        return registered.containsKey(name) ? unset(name, registered) : Optional.empty();
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
        return new Resolving(Map.of(), values, Map.of()).substituted(value);
    }

    /** Works out values that refer to each other; those in a cycle are invalid (CSS Variables 1, section 2.3). */
    private final class Resolving {
        private final Map<String, String> declared;
        /** What properties stand for that are not declared. */
        private final Map<String, String> others;

        private final Map<String, RegisteredProperty> registered;
        private final Map<String, Optional<String>> done = new HashMap<>();
        /** Those being worked out, each because the one before refers to it. */
        private final List<String> open = new ArrayList<>();

        private final Set<String> inCycles = new HashSet<>();

        private Resolving(
                Map<String, String> declared, Map<String, String> others, Map<String, RegisteredProperty> registered) {
            this.declared = declared;
            this.others = others;
            this.registered = registered;
        }

        private Optional<String> resolved(String name) {
            String text = declared.get(name);
            if (text == null) {
                return Optional.ofNullable(others.get(name));
            }
            Optional<String> known = done.get(name);
            if (known != null) {
                return known;
            }
            if (open.contains(name)) {
                inCycles.addAll(open.subList(open.indexOf(name), open.size()));
                return Optional.empty();
            }
            if (open.size() == MOST_REFERENCES) {
                return Optional.empty();
            }
            open.add(name);
            Optional<String> value =
                    switch (text.strip().toLowerCase(Locale.ROOT)) {
                        case "initial" -> initial(name, registered);
                        case "inherit" -> value(name).or(() -> initial(name, registered));
                        case "unset", "revert", "revert-layer" -> unset(name, registered);
                        default ->
                            substituted(text)
                                    .filter(some -> !inCycles.contains(name))
                                    .or(() -> invalid(name, registered));
                    };
            open.remove(open.size() - 1);
            done.put(name, value);
            return value;
        }

        private Optional<String> substituted(String value) {
            return substituted(StyleSheet.tokens(value), value, 0);
        }

        /** Some tokens of a value, which stand in so many fallbacks, put together. */
        private Optional<String> substituted(List<Token> tokens, String value, int depth) {
            if (!refers(tokens)) {
                return Optional.of(tokens.isEmpty() ? "" : text(tokens, value));
            }
            if (depth > MOST_FALLBACKS) {
                return Optional.empty();
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
                Optional<String> replaced = replaced(token, inside, value, depth);
                if (replaced.isEmpty() || out.length() + replaced.get().length() > LONGEST) {
                    return Optional.empty();
                }
                out.append(apart(replaced.get()));
                at = Math.min(end + 1, tokens.size());
            }
            return Optional.of(out.toString());
        }

        private Optional<String> replaced(Token function, List<Token> inside, String value, int depth) {
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
            return substituted(StyleSheet.trimmed(inside.subList(comma + 1, inside.size())), value, depth + 1);
        }
    }

    private static String text(List<Token> tokens, String value) {
        return value.substring(
                tokens.get(0).start(), tokens.get(tokens.size() - 1).end());
    }

    /** A value between empty comments, so that its tokens stay apart from those around it. */
    private static String apart(String value) {
        return (value.startsWith(COMMENT) ? "" : COMMENT) + value + (value.endsWith(COMMENT) ? "" : COMMENT);
    }
}
