package app.unciala.core.css.cascade;

import app.unciala.core.css.cascade.StyleRules.Block;
import app.unciala.core.css.cascade.StyleRules.Origin;
import app.unciala.core.css.cascade.StyleRules.Selected;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The declarations that apply to one element, by property. */
final class DeclaredValues {
    static final int AFTER_ALL_LAYERS = Integer.MAX_VALUE;
    static final int BEFORE_ALL_LAYERS = -1;

    private final Map<Property, List<DeclaredValue>> byProperty = new EnumMap<>(Property.class);
    private final Map<String, List<DeclaredValue>> custom = new HashMap<>();

    /**
     * One declaration, with all that the cascade sorts by.
     *
     * @param by nothing for a declaration in an attribute of the element
     * @param place the place among all layers of a declaration that no selector brings
     * @param index its place among the declarations of its rule
     */
    record DeclaredValue(Block block, Optional<Selected> by, int place, long specificity, int index, Entry entry)
            implements Comparable<DeclaredValue> {
        /** In ascending order of precedence (CSS Cascading 5, section 6.1). */
        @Override
        public int compareTo(DeclaredValue other) {
            if (level() != other.level()) {
                return Integer.compare(level(), other.level());
            }
            int layer = layer();
            int otherLayer = other.layer();
            if (layer != otherLayer) {
                int layers = Integer.compare(layer, otherLayer);
                boolean reversed = entry.important() && layer != AFTER_ALL_LAYERS && otherLayer != AFTER_ALL_LAYERS;
                return reversed ? -layers : layers;
            }
            if (specificity != other.specificity) {
                return Long.compare(specificity, other.specificity);
            }
            int order = Integer.compare(block.order(), other.block.order());
            return order != 0 ? order : Integer.compare(index, other.index);
        }

        /** The place of its layer among all layers, which changes when more layers are named. */
        int layer() {
            return by.isPresent() ? block.layer().order() : place;
        }

        private int level() {
            boolean author = isAuthors();
            return entry.important() ? author ? 2 : 3 : author ? 1 : 0;
        }

        boolean isAuthors() {
            return block.origin() == Origin.AUTHOR;
        }

        /** Whether another is of the same origin, or of the same layer too. */
        boolean isOfSame(DeclaredValue other, boolean originOnly) {
            return block.origin() == other.block.origin() && (originOnly || layer() == other.layer());
        }

        Rule rule() {
            return by.map(Selected::rule).orElseGet(() -> new Rule(block.url(), block.line(), "style"));
        }
    }

    /** The same declarations, to which others can be added. */
    DeclaredValues copy() {
        DeclaredValues copy = new DeclaredValues();
        byProperty.forEach((property, list) -> copy.byProperty.put(property, new ArrayList<>(list)));
        custom.forEach((name, list) -> copy.custom.put(name, new ArrayList<>(list)));
        return copy;
    }

    void addAll(Selected selected) {
        addAll(
                selected.block(),
                Optional.of(selected),
                AFTER_ALL_LAYERS,
                selected.selector().specificity());
    }

    /** Adds what an attribute says, before or after what stands in layers. */
    void addAll(Block attribute, int layer) {
        addAll(attribute, Optional.empty(), layer, 0);
    }

    /** Adds what wins over all that there is. */
    void addWinning(Block block) {
        addAll(block, Optional.empty(), AFTER_ALL_LAYERS, Long.MAX_VALUE);
        order();
    }

    private void addAll(Block block, Optional<Selected> by, int place, long specificity) {
        for (int i = 0; i < block.entries().size(); i++) {
            Entry entry = block.entries().get(i);
            DeclaredValue candidate = new DeclaredValue(block, by, place, specificity, i, entry);
            if (entry.property() == null) {
                custom.computeIfAbsent(entry.name(), any -> new ArrayList<>()).add(candidate);
            } else {
                byProperty
                        .computeIfAbsent(entry.property(), any -> new ArrayList<>())
                        .add(candidate);
            }
        }
    }

    /** Sorts by precedence, the winning declarations first. */
    void order() {
        byProperty.values().forEach(list -> list.sort(Collections.reverseOrder()));
        custom.values().forEach(list -> list.sort(Collections.reverseOrder()));
    }

    boolean isEmpty() {
        return byProperty.isEmpty() && custom.isEmpty();
    }

    /** Those of a property, the winning one first. */
    List<DeclaredValue> of(Property property) {
        return byProperty.getOrDefault(property, List.of());
    }

    Map<String, List<DeclaredValue>> custom() {
        return custom;
    }
}
