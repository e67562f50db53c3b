package app.unciala.core.css.selector;

import app.unciala.core.css.selector.Selector.Key;
import app.unciala.core.css.selector.Selector.Matching;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

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

    /** A type, id or class selector. */
    record Named(Key.Kind kind, String name) implements Simple {
        @Override
        public boolean matches(Element element, Matching matching) {
            return switch (kind) {
                case TYPE -> element.tag().equals(name);
                case ID -> element.id().equals(name);
                case CLASS -> element.classes().contains(name);
            };
        }

        @Override
        public long specificity() {
            return switch (kind) {
                case TYPE -> TYPE;
                case ID -> ID;
                case CLASS -> CLASS;
            };
        }

        @Override
        public Optional<Key> key() {
            return Optional.of(new Key(kind, name));
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
    record PseudoClass(String name, Predicate<Element> holds) implements Simple {
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
        private static final Pattern AN_PLUS_B = Pattern.compile(
                "(?:(even)|(odd)|([+-]?\\d*)n(?:\\s*([+-])\\s*(\\d+))?|([+-]?\\d+))", Pattern.CASE_INSENSITIVE);

        /** From a formula such as {@code 2n+1} (CSS Syntax 3, section 6); nothing when it is none. */
        static Optional<Simple> of(String formula, boolean fromEnd, boolean ofType, List<Selector> among) {
            Matcher matcher = AN_PLUS_B.matcher(formula);
            if (!matcher.matches()) {
                return Optional.empty();
            }
            if (matcher.group(1) != null || matcher.group(2) != null) {
                return Optional.of(new Nth(2, matcher.group(1) != null ? 0 : 1, fromEnd, ofType, among));
            }
            try {
                if (matcher.group(6) != null) {
                    return Optional.of(new Nth(0, Integer.parseInt(matcher.group(6)), fromEnd, ofType, among));
                }
                String a = matcher.group(3);
                int step = Integer.parseInt(a.isEmpty() || a.equals("+") || a.equals("-") ? a + "1" : a);
                int offset = matcher.group(5) == null ? 0 : Integer.parseInt(matcher.group(4) + matcher.group(5));
                return Optional.of(new Nth(step, offset, fromEnd, ofType, among));
            } catch (NumberFormatException e) {
                return Optional.empty();
            }
        }

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
