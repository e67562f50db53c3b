package app.unciala.core.css.selector;

import app.unciala.core.css.selector.Selector.Key;
import app.unciala.core.css.selector.Selector.Matching;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;

/** One condition on an element. */
sealed interface Simple {
    long ID = 1L << 40;
    long CLASS = 1L << 20;
    long TYPE = 1;

    boolean matches(Element element, Matching matching);

    long specificity();

    default Optional<Key> key() {
        return Optional.empty();
    }

    record Any() implements Simple {
        @Override
        public boolean matches(Element element, Matching matching) {
            return true;
        }

        @Override
        public long specificity() {
            return 0;
        }
    }

    record Type(String name) implements Simple {
        @Override
        public boolean matches(Element element, Matching matching) {
            return element.tag().equals(name);
        }

        @Override
        public long specificity() {
            return TYPE;
        }

        @Override
        public Optional<Key> key() {
            return Optional.of(new Key(Key.Kind.TYPE, name));
        }
    }

    record Id(String name) implements Simple {
        @Override
        public boolean matches(Element element, Matching matching) {
            return element.id().equals(name);
        }

        @Override
        public long specificity() {
            return ID;
        }

        @Override
        public Optional<Key> key() {
            return Optional.of(new Key(Key.Kind.ID, name));
        }
    }

    record ClassName(String name) implements Simple {
        @Override
        public boolean matches(Element element, Matching matching) {
            return element.classes().contains(name);
        }

        @Override
        public long specificity() {
            return CLASS;
        }

        @Override
        public Optional<Key> key() {
            return Optional.of(new Key(Key.Kind.CLASS, name));
        }
    }

    /** An attribute selector; {@code operator} is 0 for presence, or the character before the equals sign. */
    record Attribute(String name, char operator, String value, boolean anyCase) implements Simple {
        @Override
        public boolean matches(Element element, Matching matching) {
            return element.attribute(name)
                    .filter(found -> anyCase
                            ? holds(found.toLowerCase(Locale.ROOT), value.toLowerCase(Locale.ROOT))
                            : holds(found, value))
                    .isPresent();
        }

        private boolean holds(String found, String asked) {
            return switch (operator) {
                case '=' -> found.equals(asked);
                case '~' ->
                    !asked.isEmpty() && List.of(found.split("[ \\t\\n\\r\\f]+")).contains(asked);
                case '|' -> found.equals(asked) || found.startsWith(asked + "-");
                case '^' -> !asked.isEmpty() && found.startsWith(asked);
                case '$' -> !asked.isEmpty() && found.endsWith(asked);
                case '*' -> !asked.isEmpty() && found.contains(asked);
                default -> true;
            };
        }

        @Override
        public long specificity() {
            return CLASS;
        }
    }

    /** A pseudo-class that looks at the element alone. */
    record State(String name, Predicate<Element> holds) implements Simple {
        @Override
        public boolean matches(Element element, Matching matching) {
            return holds.test(element);
        }

        @Override
        public long specificity() {
            return CLASS;
        }
    }

    /** {@code :is()}, {@code :where()}, {@code :not()} and the nesting selector. */
    record AnyOf(List<Selector> selectors, boolean negated, boolean weighs) implements Simple {
        @Override
        public boolean matches(Element element, Matching matching) {
            return negated != selectors.stream().anyMatch(selector -> selector.matches(element, matching));
        }

        @Override
        public long specificity() {
            return weighs ? heaviest(selectors) : 0;
        }

        @Override
        public Optional<Key> key() {
            return negated || selectors.size() != 1
                    ? Optional.empty()
                    : selectors.get(0).key();
        }
    }

    /** {@code :has()}. */
    record Has(List<Selector> selectors) implements Simple {
        @Override
        public boolean matches(Element element, Matching matching) {
            return selectors.stream().anyMatch(selector -> selector.matchesFrom(element, matching));
        }

        @Override
        public long specificity() {
            return heaviest(selectors);
        }
    }

    /** {@code :nth-child()} and its like; with {@code of}, only the siblings it matches are counted. */
    record Nth(int step, int offset, boolean fromEnd, boolean ofType, List<Selector> of) implements Simple {
        @Override
        public boolean matches(Element element, Matching matching) {
            int index = of.isEmpty() ? plainIndex(element) : indexAmong(element, matching);
            return index > 0
                    && (step == 0 ? index == offset : (index - offset) % step == 0 && (index - offset) / step >= 0);
        }

        private int plainIndex(Element element) {
            if (ofType) {
                return fromEnd ? element.indexOfTypeFromEnd() : element.indexOfType();
            }
            return fromEnd ? element.indexFromEnd() : element.index();
        }

        /** Its place among the siblings that match, or 0 when it does not itself. */
        private int indexAmong(Element element, Matching matching) {
            if (of.stream().noneMatch(selector -> selector.matches(element, matching))) {
                return 0;
            }
            List<Element> all = element.siblings();
            List<Element> counted =
                    fromEnd ? all.subList(element.index() - 1, all.size()) : all.subList(0, element.index());
            return (int) counted.stream()
                    .filter(other -> of.stream().anyMatch(selector -> selector.matches(other, matching)))
                    .count();
        }

        @Override
        public long specificity() {
            return CLASS + (of.isEmpty() ? 0 : heaviest(of));
        }
    }

    static long heaviest(List<Selector> selectors) {
        return selectors.stream().mapToLong(Selector::specificity).max().orElse(0);
    }
}
