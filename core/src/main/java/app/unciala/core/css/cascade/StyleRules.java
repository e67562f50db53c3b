package app.unciala.core.css.cascade;

import app.unciala.core.css.selector.Element;
import app.unciala.core.css.selector.Selector;
import app.unciala.core.css.selector.Selector.Key;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/** Rules by what their selectors look for, so that an element is tried against few of them. */
final class StyleRules {
    /** Whose rules they are, those that count less first. */
    enum Origin {
        BROWSER,
        AUTHOR
    }

    /**
     * What a rule declares of the properties that are read.
     *
     * @param order of all rules, the later one counts
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

    /** The rules for elements, or for one pseudo-element. */
    private static final class Index {
        private final Map<Key, List<Selected>> byKey = new HashMap<>();
        private final List<Selected> others = new ArrayList<>();

        private void add(Selected selected) {
            selected.selector()
                    .key()
                    .ifPresentOrElse(
                            key -> byKey.computeIfAbsent(key, any -> new ArrayList<>())
                                    .add(selected),
                            () -> others.add(selected));
        }

        private void forEach(Element element, Consumer<Selected> see) {
            others.forEach(see);
            look(Key.Kind.TYPE, element.tag(), see);
            if (!element.id().isEmpty()) {
                look(Key.Kind.ID, element.id(), see);
            }
            for (String name : element.classes()) {
                look(Key.Kind.CLASS, name, see);
            }
        }

        private void look(Key.Kind kind, String name, Consumer<Selected> see) {
            List<Selected> found = byKey.get(new Key(kind, name));
            if (found != null) {
                found.forEach(see);
            }
        }
    }
}
