package app.unciala.core.css.cascade;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.cascade.StyleRules.Block;
import app.unciala.core.css.cascade.StyleRules.Origin;
import app.unciala.core.css.cascade.StyleRules.Selected;
import app.unciala.core.css.selector.Element;
import app.unciala.core.css.selector.Selector;
import app.unciala.core.css.selector.Selector.Matching;
import app.unciala.core.css.selector.SelectorParser;
import app.unciala.core.css.syntax.StyleSheet;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class StyleRulesTest {
    private static final Block BLOCK = new Block(Origin.AUTHOR, Layer.outermost(), 0, List.of(), "a.css", 1);

    /** The index only saves work: each element is given every selector that matches it, and each once. */
    @Test
    void everySelectorThatMatchesIsFoundOnce() {
        Random random = new Random(12);
        List<Element> page = page(random);
        List<Selector> selectors = new ArrayList<>();
        StyleRules rules = new StyleRules();
        for (int i = 0; i < 600; i++) {
            Selector selector = selector(random);
            selectors.add(selector);
            rules.add(new Selected(selector, BLOCK));
        }
        int found = 0;
        int tried = 0;
        for (Element element : page) {
            List<Selector> given = new ArrayList<>();
            rules.forEach(element, "", selected -> given.add(selected.selector()));
            List<Selector> matched = given.stream()
                    .filter(selector -> matches(selector, element))
                    .toList();
            List<Selector> expected = selectors.stream()
                    .filter(selector -> matches(selector, element))
                    .toList();
            assertThat(matched).as(element.path()).containsExactlyInAnyOrderElementsOf(expected);
            found += matched.size();
            tried += given.size();
        }
        assertThat(found).as("there is something to find").isGreaterThan(2000);
        assertThat(tried).as("few are tried in vain").isLessThan(page.size() * selectors.size() / 2);
    }

    @Test
    void rulesUnderClassesThatAreNotThereAreNotTried() {
        StyleRules rules = new StyleRules();
        for (int i = 0; i < 100; i++) {
            rules.add(new Selected(read(".part-" + i + " h2"), BLOCK));
        }
        rules.add(new Selected(read("#top .part-7 > h2"), BLOCK));
        Element root = Element.root("html", Map.of("id", "top"), 1);
        Element heading = root.add("section", Map.of("class", "part-7 wide"), 2).add("h2", Map.of(), 3);
        List<String> given = new ArrayList<>();
        rules.forEach(heading, "", selected -> given.add(selected.selector().text()));
        assertThat(given).containsExactlyInAnyOrder(".part-7 h2", "#top .part-7 > h2");
    }

    private static boolean matches(Selector selector, Element element) {
        return selector.matches(element, new Matching(100_000));
    }

    private static List<Element> page(Random random) {
        List<Element> all = new ArrayList<>(List.of(Element.root("html", Map.of("class", "c0"), 1)));
        for (int i = 0; i < 200; i++) {
            Element parent = all.get(random.nextInt(all.size()));
            Map<String, String> attributes = random.nextInt(10) == 0
                    ? Map.of("id", "i" + random.nextInt(9))
                    : Map.of("class", "c" + random.nextInt(8) + " c" + random.nextInt(8));
            all.add(parent.add("t" + random.nextInt(4), attributes, 1));
        }
        return all;
    }

    private static Selector selector(Random random) {
        StringBuilder text = new StringBuilder(compound(random));
        for (int i = random.nextInt(3); i > 0; i--) {
            text.append(List.of(" ", " > ", " + ", " ~ ").get(random.nextInt(4)))
                    .append(compound(random));
        }
        return read(text.toString());
    }

    private static String compound(Random random) {
        return switch (random.nextInt(6)) {
            case 0 -> "#i" + random.nextInt(9);
            case 1 -> "t" + random.nextInt(4);
            case 2 -> "t" + random.nextInt(4) + ".c" + random.nextInt(8);
            case 3 -> ":is(.c" + random.nextInt(8) + ", t" + random.nextInt(4) + ")";
            case 4 -> "*";
            default -> ".c" + random.nextInt(8);
        };
    }

    private static Selector read(String text) {
        StyleSheet sheet = StyleSheet.read(text + "{}");
        return SelectorParser.read(sheet, sheet.rules().get(0).prelude())
                .orElseThrow()
                .get(0);
    }
}
