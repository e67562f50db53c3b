package app.unciala.core.css.selector;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.selector.Selector.Key;
import app.unciala.core.css.selector.Selector.Matching;
import app.unciala.core.css.selector.Simple.Has;
import app.unciala.core.css.syntax.StyleSheet;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class KeyFilterTest {
    @Test
    void whatIsInItIsNeverMissed() {
        Random random = new Random(5);
        for (int round = 0; round < 300; round++) {
            List<Key> keys = new ArrayList<>();
            for (int i = 0; i <= random.nextInt(40); i++) {
                keys.add(key(random));
            }
            KeyFilter filter =
                    KeyFilter.NOTHING.with(keys.subList(0, keys.size() / 2)).with(keys);
            keys.forEach(key -> assertThat(filter.mayHold(KeyFilter.NOTHING.with(List.of(key))))
                    .isTrue());
            assertThat(filter.mayHold(KeyFilter.NOTHING.with(keys))).isTrue();
        }
        assertThat(KeyFilter.NOTHING.mayHold(KeyFilter.NOTHING)).isTrue();
    }

    @Test
    void mostOfWhatIsNotInItIsTold() {
        KeyFilter few =
                KeyFilter.NOTHING.with(List.of(new Key(Key.Kind.TYPE, "body"), new Key(Key.Kind.CLASS, "card")));
        Random random = new Random(6);
        long held = random.ints(1000)
                .mapToObj(i -> KeyFilter.NOTHING.with(List.of(new Key(Key.Kind.CLASS, "c" + i))))
                .filter(few::mayHold)
                .count();
        assertThat(held).isLessThan(50);
    }

    /** The filter only saves work: selectors match what they would match without it. */
    @Test
    void selectorsMatchAsTheyWouldWithoutIt() {
        Random random = new Random(7);
        List<Element> all = tree(random, 120);
        int matched = 0;
        for (int i = 0; i < 1000; i++) {
            String text = part(random) + combinator(random) + part(random) + combinator(random) + part(random);
            StyleSheet sheet = StyleSheet.read(text + "{}");
            Selector selector = SelectorParser.read(sheet, sheet.rules().get(0).prelude())
                    .orElseThrow()
                    .get(0);
            Selector unfiltered =
                    new Selector(selector.steps(), selector.pseudoElement(), selector.text(), KeyFilter.NOTHING);
            for (Element element : all) {
                boolean matches = selector.matches(element, new Matching(100_000));
                assertThat(matches).as(text).isEqualTo(unfiltered.matches(element, new Matching(100_000)));
                matched += matches ? 1 : 0;
            }
        }
        assertThat(matched).as("the comparison has something to compare").isGreaterThan(1000);
    }

    @Test
    void whatIsLookedForBelowIsFoundAsItWouldBeWithoutIt() {
        Random random = new Random(8);
        int matched = 0;
        int tried = 0;
        for (int i = 0; i < 600; i++) {
            List<Element> all = tree(random, 20);
            String text = combinator(random) + part(random) + combinator(random) + part(random);
            StyleSheet sheet = StyleSheet.read(":has(" + text + "){}");
            Has has = (Has) SelectorParser.read(sheet, sheet.rules().get(0).prelude())
                    .orElseThrow()
                    .get(0)
                    .steps()
                    .get(0)
                    .simples()
                    .get(0);
            Selector selector = has.selectors().get(0);
            Selector unfiltered =
                    new Selector(selector.steps(), selector.pseudoElement(), selector.text(), KeyFilter.NOTHING);
            for (Element element : all) {
                boolean matches = selector.matchesFrom(element, new Matching(10_000));
                assertThat(matches).as(text).isEqualTo(unfiltered.matchesFrom(element, new Matching(10_000)));
                matched += matches ? 1 : 0;
                tried++;
            }
        }
        assertThat(matched).as("the comparison has something to compare").isBetween(tried / 100, tried / 2);
    }

    /** What is in no element below is not looked for in each of them. */
    @Test
    void nothingIsTriedWhereAKeyIsMissing() {
        Element root = Element.root("html", Map.of(), 1);
        Element deep = root;
        for (int i = 0; i < 100; i++) {
            deep = deep.add("div", Map.of("class", "c" + i % 3), 1);
        }
        StyleSheet sheet = StyleSheet.read(":has(.c1 .gone, .gone + p){}");
        Matching few = new Matching(2);
        assertThat(SelectorParser.read(sheet, sheet.rules().get(0).prelude())
                        .orElseThrow()
                        .get(0)
                        .matches(root, few))
                .isFalse();
        assertThat(few.isSpent()).isFalse();
    }

    private static Key key(Random random) {
        Key.Kind[] kinds = Key.Kind.values();
        return new Key(kinds[random.nextInt(kinds.length)], "k" + random.nextInt(1000));
    }

    private static List<Element> tree(Random random, int count) {
        List<Element> all = new ArrayList<>(List.of(Element.root("html", Map.of(), 1)));
        for (int i = 0; i < count; i++) {
            Element parent = all.get(random.nextInt(all.size()));
            all.add(parent.add("t" + random.nextInt(4), Map.of("class", "c" + random.nextInt(4)), 1));
        }
        return all;
    }

    private static String part(Random random) {
        return random.nextBoolean() ? "t" + random.nextInt(4) : ".c" + random.nextInt(4);
    }

    private static String combinator(Random random) {
        return List.of(" ", " > ", " + ", " ~ ").get(random.nextInt(4));
    }
}
