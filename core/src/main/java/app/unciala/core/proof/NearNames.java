package app.unciala.core.proof;

import app.unciala.core.search.WrongLetters;
import app.unciala.font.budget.Budget;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The families that are declared, to find the one that a name was probably meant for. Letters are compared for at most
 * {@value #MOST_COMPARED} pairs of names, so that a style sheet of thousands of names takes no longer than a moment; names
 * beyond that are found by case, signs and words of style only.
 */
final class NearNames {
    private static final int MOST_COMPARED = 100_000;

    private final Map<String, String> byPlain = new HashMap<>();
    private final Map<String, String> withoutStyle = new HashMap<>();
    private final List<Declared> all = new ArrayList<>();
    private final Map<String, Optional<String>> known = new HashMap<>();
    private int compared;

    private record Declared(String plain, String family) {}

    NearNames(Collection<String> families) {
        for (String family : families) {
            String plain = Names.plain(family);
            byPlain.putIfAbsent(plain, family);
            WordsOfStyle.divide(family)
                    .ifPresent(divided -> withoutStyle.putIfAbsent(Names.plain(divided.family()), family));
            all.add(new Declared(plain, family));
        }
    }

    /** The family whose name differs in case, hyphens, spaces and accents only. */
    Optional<String> same(String name) {
        return Optional.ofNullable(byPlain.get(Names.plain(name)));
    }

    /** The family that was probably meant: the same but for case and signs, for words of style, or for a letter or two. */
    Optional<String> of(String name) {
        return known.computeIfAbsent(name, this::find);
    }

    private Optional<String> find(String name) {
        String plain = Names.plain(name);
        return same(name)
                .or(() -> WordsOfStyle.divide(name).flatMap(divided -> same(divided.family())))
                .or(() -> Optional.ofNullable(withoutStyle.get(plain)))
                .or(() -> byLetters(plain));
    }

    private Optional<String> byLetters(String plain) {
        int most = plain.length() < 5 ? 1 : 2;
        if (plain.length() <= 2) {
            return Optional.empty();
        }
        for (Declared one : all) {
            Budget.check();
            if (Math.abs(one.plain().length() - plain.length()) <= most) {
                if (compared++ >= MOST_COMPARED) {
                    return Optional.empty();
                }
                if (WrongLetters.between(one.plain(), plain, most) <= most) {
                    return Optional.of(one.family());
                }
            }
        }
        return Optional.empty();
    }
}
