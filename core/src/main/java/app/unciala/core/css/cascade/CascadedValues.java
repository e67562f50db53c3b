package app.unciala.core.css.cascade;

import app.unciala.core.css.cascade.DeclaredValues.DeclaredValue;
import app.unciala.core.css.syntax.Token;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** The cascaded values of one element: for each property the value of the declaration that wins (CSS Cascading 5). */
final class CascadedValues {
    private final DeclaredValues found;
    private final Variables variables;

    CascadedValues(DeclaredValues found, Variables variables) {
        this.found = found;
        this.variables = variables;
    }

    /**
     * The value of a property, and where it comes from.
     *
     * @param value nothing where it is the initial value, or the inherited one
     * @param rules those of the page that declare it, the winning one first
     * @param property the first custom property that the winning declaration refers to
     * @param declared the winning declaration; nothing where none speaks of the property
     */
    record CascadedValue<T>(
            Optional<T> value,
            boolean isInherited,
            List<Rule> rules,
            Optional<String> property,
            Optional<DeclaredValue> declared) {
        T or(T inherited, T initial) {
            return value.orElse(isInherited ? inherited : initial);
        }
    }

    /** The value of a property; {@code read} gives nothing for a value that is not valid. */
    <T> CascadedValue<T> of(Property property, Function<List<Token>, Optional<T>> read) {
        List<DeclaredValue> declared = found.of(property);
        int at = 0;
        while (at < declared.size()) {
            Entry entry = declared.get(at).entry();
            Optional<List<Token>> value = entry.value(variables);
            Optional<String> keyword = value.filter(FontValues::isWide).flatMap(FontValues::word);
            if (keyword.isPresent()) {
                switch (keyword.get()) {
                    case "inherit" -> {
                        return new CascadedValue<>(
                                Optional.empty(), true, List.of(), Optional.empty(), Optional.of(declared.get(at)));
                    }
                    case "initial" -> {
                        return new CascadedValue<>(
                                Optional.empty(),
                                false,
                                rules(declared, at),
                                Optional.empty(),
                                Optional.of(declared.get(at)));
                    }
                    case "revert" -> at = after(declared, at, true);
                    case "revert-layer" -> at = after(declared, at, false);
                    default -> {
                        return unset(property, Optional.of(declared.get(at)));
                    }
                }
                continue;
            }
            Optional<T> result = value.flatMap(read);
            if (result.isPresent()) {
                return new CascadedValue<>(
                        result, false, rules(declared, at), entry.refersTo(), Optional.of(declared.get(at)));
            }
            // A declaration whose var() has no value wins all the same (CSS Variables 1, section 3.1).
            if (entry.refers()) {
                return unset(property, Optional.of(declared.get(at)));
            }
            at++;
        }
        return unset(property, Optional.empty());
    }

    private static <T> CascadedValue<T> unset(Property property, Optional<DeclaredValue> declared) {
        return new CascadedValue<>(Optional.empty(), property.isInherited(), List.of(), Optional.empty(), declared);
    }

    /** The first candidate of another origin, or of another layer. */
    private static int after(List<DeclaredValue> declared, int at, boolean origin) {
        int next = at + 1;
        while (next < declared.size() && declared.get(at).isOfSame(declared.get(next), origin)) {
            next++;
        }
        return next;
    }

    private static List<Rule> rules(List<DeclaredValue> declared, int at) {
        return declared.get(at).isAuthors()
                ? declared.subList(at, declared.size()).stream()
                        .filter(DeclaredValue::isAuthors)
                        .map(DeclaredValue::rule)
                        .distinct()
                        .toList()
                : List.of();
    }
}
