package app.unciala.core.css.selector;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.selector.Selector.Matching;
import app.unciala.core.css.syntax.StyleSheet;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Selectors on one small page. That Chromium matches as we do is shown on pages made at random in the browser tests.
 */
class SelectorTest {
    /** {@code html > body > (h1#top.title, ul.list[lang=de-AT] > (li, li.a, li.a.b > a[href]), form, p)}. */
    private final Element html = Element.root("html", Map.of("lang", "en"), 1);

    private final List<Element> all = new ArrayList<>();

    SelectorTest() {
        all.add(html);
        Element body = add(html, "body", Map.of());
        add(body, "h1", Map.of("id", "top", "class", "title  Big"));
        Element list = add(body, "ul", Map.of("class", "list", "lang", "de-AT"));
        add(list, "li", Map.of());
        add(list, "li", Map.of("class", "a"));
        Element third = add(list, "li", Map.of("class", "a b"));
        add(third, "a", Map.of("href", "#", "data-x", "One-two"));
        Element fields = add(body, "fieldset", Map.of("disabled", ""));
        add(fields, "input", Map.of("type", "CHECKBOX", "checked", ""));
        add(fields, "input", Map.of("placeholder", "Name", "required", ""));
        add(body, "p", Map.of()).hasText();
    }

    private Element add(Element parent, String tag, Map<String, String> attributes) {
        Element added = parent.add(tag, attributes, 1);
        all.add(added);
        return added;
    }

    @ParameterizedTest
    @CsvSource(
            delimiterString = "=>",
            value = {
                "li                          => 3",
                "LI.a                        => 2",
                "li.A                        => 0",
                "#top.title.Big              => 1",
                "body > li                   => 0",
                "body li                     => 3",
                "h1 + ul                     => 1",
                "h1 ~ p                      => 1",
                "li + li + li                => 1",
                "*                           => 12",
                ":root                       => 1",
                "li:first-child              => 1",
                "li:last-of-type a           => 1",
                "li:nth-child(2n+1)          => 2",
                "li:nth-child(-n+2)          => 2",
                "li:nth-child(even)          => 1",
                "li:nth-last-child(1)        => 1",
                "li:nth-child(1 of .a)       => 1",
                "li:nth-child(2 of .a)       => 1",
                "body > :nth-of-type(1)      => 4",
                ":empty                      => 6",
                "li:not(.a, .b)              => 1",
                ":is(li, :nonsense, a)       => 4",
                ":where(ul) > .b             => 1",
                "ul:has(> .b)                => 1",
                "body:has(a[href])           => 1",
                "li:has(+ .b)                => 1",
                ":has(h1 ~ p)                => 2",
                "[data-x='One-two']          => 1",
                "[data-x='one-two' i]        => 1",
                "[data-x|=One]               => 1",
                "[data-x^=One][data-x$=two]  => 1",
                "[data-x*=e-t]               => 1",
                "[class~=b]                  => 1",
                "[class~='']                 => 0",
                "[type=checkbox]             => 1",
                ":lang(de)                   => 5",
                ":lang(en)                   => 7",
                ":link                       => 1",
                ":checked                    => 1",
                ":disabled                   => 3",
                ":required                   => 1",
                ":placeholder-shown          => 1",
                ":hover, :focus              => 0",
                "*|li                        => 3",
            })
    void matches(String selector, int count) {
        List<Selector> selectors = read(selector);
        assertThat(selectors).as(selector).isNotEmpty();
        assertThat(all.stream()
                        .filter(element ->
                                selectors.stream().anyMatch(one -> one.matches(element, new Matching(100_000))))
                        .count())
                .as(selector)
                .isEqualTo(count);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "li,",
                "> li",
                "li >",
                "li > > a",
                "..a",
                "#1",
                "[data-x",
                "[=x]",
                "[a=b c]",
                ":nonsense",
                "::nonsense",
                ":not(:nonsense)",
                ":nth-child(2 n)",
                ":nth-child()",
                "li::before a",
                "svg|li",
                "a:has()",
                ":nth-of-type(1 of a)",
                "li!",
                "a b ! c",
                ":is",
                "::before::after x"
            })
    void whatBrowsersDoNotTakeIsNoSelector(String selector) {
        assertThat(read(selector)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "li           | 0 0 1",
                "li.a         | 0 1 1",
                "#top li.a b  | 1 1 2",
                ":is(#a, b)   | 1 0 0",
                ":where(#a)   | 0 0 0",
                ":not(.a, b)  | 0 1 0",
                ":has(#x)     | 1 0 0",
                ":nth-child(2n of #a) | 1 1 0",
                "p::before    | 0 0 2",
                "*            | 0 0 0",
                "[x]:hover    | 0 2 0",
            })
    void weighs(String selector, String expected) {
        long specificity = read(selector).get(0).specificity();
        assertThat((specificity >> 40) + " " + (specificity >> 20 & 0xFFFFF) + " " + (specificity & 0xFFFFF))
                .isEqualTo(expected);
    }

    @Test
    void aPseudoElementIsToldApart() {
        assertThat(read("p::before").get(0).pseudoElement()).contains("before");
        assertThat(read("p:after").get(0).pseudoElement()).contains("after");
        assertThat(read("p::-webkit-thing").get(0).pseudoElement()).contains("-webkit-thing");
    }

    @Test
    void whatIsTriedTooOftenIsGivenUp() {
        Element deep = html;
        for (int i = 0; i < 300; i++) {
            deep = deep.add("div", Map.of(), 1);
        }
        // Any div may be any of the steps, and none stands below what the first step asks for.
        Selector slow = read(":is(nav, aside) > div div div div div div div").get(0);
        assertThat(slow.matches(deep, new Matching(100_000_000))).isFalse();

        Matching few = new Matching(1000);
        assertThat(slow.matches(deep, few)).isFalse();
        assertThat(few.isSpent()).isTrue();

        Matching has = new Matching(50_000);
        read(":has(div div div div div div:not(div))").get(0).matches(html, has);
        assertThat(has.isSpent()).isTrue();
    }

    @Test
    void aPathMatchesItsElementAlone() {
        for (Element element : all) {
            Selector path = read(element.path()).get(0);
            assertThat(all.stream().filter(other -> path.matches(other, new Matching(10_000))))
                    .containsExactly(element);
        }
    }

    private static List<Selector> read(String selector) {
        StyleSheet sheet = StyleSheet.read(selector + "{}");
        return sheet.rules().stream()
                .limit(1)
                .flatMap(rule -> SelectorParser.read(sheet, rule.prelude()).stream())
                .flatMap(List::stream)
                .toList();
    }
}
