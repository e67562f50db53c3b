package app.unciala.core.css.selector;

import app.unciala.font.budget.Budget;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * One complex selector: compounds from left to right, each with the combinator that stands before it.
 *
 * @param pseudoElement the name of the pseudo-element it ends in, such as {@code before}
 * @param text as it was written
 * @param needed what has to be around an element that it matches; of a relative selector, what has to be below the element
 *     in which it is looked for
 */
public record Selector(List<Step> steps, Optional<String> pseudoElement, String text, KeyFilter needed) {
    /** What stands between two compounds. */
    enum Combinator {
        DESCENDANT,
        CHILD,
        NEXT,
        LATER;

        boolean isOfSiblings() {
            return this == NEXT || this == LATER;
        }
    }

    /** A compound after a combinator; that of the first counts in relative selectors only. */
    record Step(Combinator combinator, List<Simple> simples) {
        /** What an element must have, the thing that fewest elements share. */
        Optional<Key> key() {
            Optional<Key> best = Optional.empty();
            for (Simple simple : simples) {
                Optional<Key> key = simple.key();
                boolean better = key.isPresent()
                        && (best.isEmpty()
                                || key.get().kind().compareTo(best.get().kind()) < 0);
                best = better ? key : best;
            }
            return best;
        }

        boolean matches(Element element, Matching matching) {
            for (Simple simple : simples) {
                if (!simple.matches(element, matching)) {
                    return false;
                }
            }
            return true;
        }
    }

    Selector(List<Step> steps, Optional<String> pseudoElement, String text) {
        this(List.copyOf(steps), pseudoElement, text, needed(steps));
    }

    /** A selector that is looked for from another element on, as in {@code :has()}. */
    static Selector relative(List<Step> steps, Optional<String> pseudoElement, String text) {
        List<Key> keys = steps.stream().flatMap(step -> step.key().stream()).toList();
        return new Selector(List.copyOf(steps), pseudoElement, text, KeyFilter.NOTHING.with(keys));
    }

    private static KeyFilter needed(List<Step> steps) {
        return KeyFilter.NOTHING.with(ancestorKeys(steps));
    }

    /** What has to be around an element: of each compound that stands for an ancestor one thing, the nearest first. */
    private static List<Key> ancestorKeys(List<Step> steps) {
        List<Key> keys = new ArrayList<>();
        for (int i = steps.size() - 1; i > 0; i--) {
            Combinator combinator = steps.get(i).combinator();
            // What is around a sibling is around the element too; the sibling itself is not.
            if (!combinator.isOfSiblings()) {
                steps.get(i - 1).key().ifPresent(keys::add);
            }
        }
        return keys;
    }

    /** The elements that a selector was matched with are counted, so that a page cannot keep it busy without end. */
    public static final class Matching {
        private long left;
        private final Optional<Element> scope;

        public Matching(long most) {
            this(most, Optional.empty());
        }

        private Matching(long most, Optional<Element> scope) {
            left = most;
            this.scope = scope;
        }

        /** Whether one more may be tried. */
        boolean goesOn() {
            Budget.check();
            return left > 0 && left-- > 0;
        }

        /** Whether it was given up, so that what it said since is not known to be true. */
        public boolean isSpent() {
            return left <= 0;
        }

        Optional<Element> scope() {
            return scope;
        }
    }

    /** Specificity (section 17): ids, classes, types, one number that orders as the three do. */
    public long specificity() {
        long sum = pseudoElement.isPresent() ? 1 : 0;
        for (Step step : steps) {
            for (Simple simple : step.simples()) {
                sum += simple.specificity();
            }
        }
        return sum;
    }

    public boolean matches(Element element, Matching matching) {
        return element.keysAbove().mayHold(needed) && matches(element, steps.size() - 1, matching) == Found.YES;
    }

    /** Whether there is a match, none here, or none for any ancestor or sibling before either. */
    private enum Found {
        YES,
        NO,
        NOWHERE
    }

    private Found matches(Element element, int at, Matching matching) {
        if (!matching.goesOn()) {
            return Found.NOWHERE;
        }
        Step step = steps.get(at);
        if (!step.matches(element, matching)) {
            return Found.NO;
        }
        if (at == 0) {
            return Found.YES;
        }
        Element above = element.above();
        Element before = element.before();
        return switch (step.combinator()) {
            case CHILD -> above == null ? Found.NOWHERE : matches(above, at - 1, matching);
            case NEXT -> before == null ? Found.NO : matches(before, at - 1, matching);
            case DESCENDANT -> {
                for (Element up = above; up != null; up = up.above()) {
                    Found found = matches(up, at - 1, matching);
                    if (found != Found.NO) {
                        yield found;
                    }
                }
                yield Found.NOWHERE;
            }
            case LATER -> {
                for (Element other = before; other != null; other = other.before()) {
                    Found found = matches(other, at - 1, matching);
                    if (found != Found.NO) {
                        yield found;
                    }
                }
                yield Found.NO;
            }
        };
    }

    /** Whether some element that stands to {@code anchor} as this relative selector says is matched. */
    boolean matchesFrom(Element anchor, Matching matching) {
        Element around = steps.get(0).combinator().isOfSiblings() ? anchor.above() : anchor;
        return around != null && around.keysBelow().mayHold(needed) && reach(anchor, 0, matching);
    }

    private boolean reach(Element from, int at, Matching matching) {
        Combinator combinator = steps.get(at).combinator();
        return switch (combinator) {
            case CHILD -> from.children().stream().anyMatch(child -> fits(child, at, matching));
            case DESCENDANT ->
                from.children().stream().anyMatch(child -> fits(child, at, matching) || reach(child, at, matching));
            case NEXT, LATER -> {
                List<Element> all = from.siblings();
                int until = combinator == Combinator.NEXT ? Math.min(all.size(), from.index() + 1) : all.size();
                yield all.subList(from.index(), until).stream().anyMatch(next -> fits(next, at, matching));
            }
        };
    }

    private boolean fits(Element element, int at, Matching matching) {
        return matching.goesOn()
                && steps.get(at).matches(element, matching)
                && (at == steps.size() - 1 || reach(element, at + 1, matching));
    }

    /** What every element it matches has, by which it is looked up: an id, a class, a type; nothing where it has none. */
    public Optional<Key> key() {
        return steps.get(steps.size() - 1).key();
    }

    /** An id or a class that some element around every element it matches has; nothing where it asks for none. */
    public Optional<Key> ancestorKey() {
        return ancestorKeys(steps).stream()
                .filter(key -> key.kind() != Key.Kind.TYPE)
                .min(Comparator.comparing(Key::kind));
    }

    /** One thing that an element has; the kind that fewer elements share comes first. */
    public record Key(Kind kind, String name) {
        public enum Kind {
            ID,
            CLASS,
            TYPE
        }
    }
}
