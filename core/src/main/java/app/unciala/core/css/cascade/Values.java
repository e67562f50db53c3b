package app.unciala.core.css.cascade;

import app.unciala.core.css.cascade.Candidates.Candidate;
import app.unciala.core.css.syntax.Token;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** The values of one element's properties: of what rules say, the first that counts. */
final class Values {
    private final Candidates found;
    private final Variables variables;

    Values(Candidates found, Variables variables) {
        this.found = found;
        this.variables = variables;
    }

    /**
     * What is said of a property.
     *
     * @param value nothing where it is the initial value, or the inherited one
     * @param rules those of the page that say it, the one that won first
     */
    record Said<T>(Optional<T> value, boolean isInherited, List<Rule> rules) {
        T or(T inherited, T initial) {
            return value.orElse(isInherited ? inherited : initial);
        }
    }

    /** What is said of a property; {@code read} gives nothing for a value that browsers do not take. */
    <T> Said<T> said(Property property, Function<List<Token>, Optional<T>> read) {
        List<Candidate> candidates = found.of(property);
        int at = 0;
        while (at < candidates.size()) {
            Entry entry = candidates.get(at).entry();
            Optional<List<Token>> value = entry.value(variables);
            Optional<String> keyword = value.filter(FontValues::isWide).flatMap(FontValues::word);
            if (keyword.isPresent()) {
                switch (keyword.get()) {
                    case "inherit" -> {
                        return new Said<>(Optional.empty(), true, List.of());
                    }
                    case "initial" -> {
                        return new Said<>(Optional.empty(), false, rules(candidates, at));
                    }
                    case "revert" -> at = after(candidates, at, true);
                    case "revert-layer" -> at = after(candidates, at, false);
                    default -> {
                        return unset(property);
                    }
                }
                continue;
            }
            Optional<T> result = value.flatMap(read);
            if (result.isPresent()) {
                return new Said<>(result, false, rules(candidates, at));
            }
            // A value with var() that comes to nothing counts all the same (CSS Variables 1, section 3.1).
            if (entry.refers()) {
                break;
            }
            at++;
        }
        return unset(property);
    }

    private static <T> Said<T> unset(Property property) {
        return new Said<>(Optional.empty(), property.isInherited(), List.of());
    }

    /** The first candidate of another origin, or of another layer. */
    private static int after(List<Candidate> candidates, int at, boolean origin) {
        int next = at + 1;
        while (next < candidates.size() && candidates.get(at).isOfSame(candidates.get(next), origin)) {
            next++;
        }
        return next;
    }

    private static List<Rule> rules(List<Candidate> candidates, int at) {
        return candidates.get(at).isAuthors()
                ? candidates.subList(at, candidates.size()).stream()
                        .filter(Candidate::isAuthors)
                        .map(Candidate::rule)
                        .distinct()
                        .toList()
                : List.of();
    }
}
