package app.unciala.core.css.cascade;

import app.unciala.core.css.selector.Element;
import app.unciala.core.css.selector.Selector;
import app.unciala.core.css.selector.Selector.Key;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;

/** Rules by what their selectors look for, so that an element is tried against few of them. */
final class StyleRules {
    /** Whose rules they are, in ascending order of precedence. */
    enum Origin {
        BROWSER,
        AUTHOR
    }

    /**
     * What a rule declares of the properties that are read.
     *
     * @param order its place among all rules; of two that are otherwise equal, the later one wins
     */
    record Block(Origin origin, Layer layer, int order, List<Entry> entries, String url, int line) {}

    /** A selector of a rule. */
    record Selected(Selector selector, Block block) {
        Rule rule() {
            return new Rule(block.url(), block.line(), selector.text());
        }
    }

    private final Map<String, Index> byPseudoElement = new HashMap<>();

    void add(Selected selected) {
        byPseudoElement
                .computeIfAbsent(selected.selector().pseudoElement().orElse(""), any -> new Index())
                .add(selected);
    }

    /** Those that may match an element, or its pseudo-element if one is named. */
    void forEach(Element element, String pseudoElement, Consumer<Selected> see) {
        Index index = byPseudoElement.get(pseudoElement);
        if (index != null) {
            index.forEach(element, see);
        }
    }

    /**
     * The rules for elements, or for one pseudo-element: by what the element has, and those of them by what an element
     * around it has, where they ask for that. Themes write hundreds of rules such as {@code .part > h2}, of which a
     * heading has few above it.
     */
    private static final class Index {
        private final Map<Key, Candidates> byKey = new HashMap<>();
        private final Candidates others = new Candidates();

        private void add(Selected selected) {
            selected.selector()
                    .key()
                    .map(key -> byKey.computeIfAbsent(key, any -> new Candidates()))
                    .orElse(others)
                    .add(selected);
        }

        private void forEach(Element element, Consumer<Selected> see) {
            Ancestors around = new Ancestors(element);
            others.forEach(around, see);
            for (Key key : element.keys()) {
                Candidates found = byKey.get(key);
                if (found != null) {
                    found.forEach(around, see);
                }
            }
        }
    }

    /** The keys of the elements around one, collected when they are first asked for. */
    private static final class Ancestors {
        private final Element element;
        private Set<Key> keys = Set.of();

        Ancestors(Element element) {
            this.element = element;
        }

        Set<Key> keys() {
            keys = keys.isEmpty() ? element.ancestorKeys() : keys;
            return keys;
        }
    }

    private static final class Candidates {
        private final Map<Key, List<Selected>> byAncestor = new HashMap<>();
        private final List<Selected> anywhere = new ArrayList<>();

        private void add(Selected selected) {
            selected.selector()
                    .ancestorKey()
                    .map(key -> byAncestor.computeIfAbsent(key, any -> new ArrayList<>()))
                    .orElse(anywhere)
                    .add(selected);
        }

        private void forEach(Ancestors around, Consumer<Selected> see) {
            anywhere.forEach(see);
            if (byAncestor.isEmpty()) {
                return;
            }
            for (Key key : around.keys()) {
                List<Selected> found = byAncestor.get(key);
                if (found != null) {
                    found.forEach(see);
                }
            }
        }
    }
}
