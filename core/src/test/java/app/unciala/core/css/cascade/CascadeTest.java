package app.unciala.core.css.cascade;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.cascade.PageSheets.Sheet;
import app.unciala.core.css.selector.Element;
import app.unciala.font.face.Slope;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The style of {@code <p id="p" class="a">} inside {@code html > body}, under style sheets of a few rules. */
class CascadeTest {
    private final Map<String, String> imported = new HashMap<>();
    private Viewport viewport = Viewport.LAPTOP;
    private String attribute = "";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "p { font-weight: 300 } p { font-weight: 500 }                                          | 500",
                ".a { font-weight: 300 } p { font-weight: 500 }                                         | 300",
                "#p { font-weight: 300 } .a.a { font-weight: 500 }                                      | 300",
                "p { font-weight: 300 !important } #p { font-weight: 500 }                              | 300",
                "p { font-weight: 300; font-weight: bolld }                                             | 300",
                "p { font-weight: 1001 }                                                                | 400",
                "body { font-weight: 300 } p { font-weight: bolder }                                    | 400",
                "body { font-weight: 700 } p { font-weight: lighter }                                   | 400",
                "@layer b, a; @layer a { p { font-weight: 300 } } @layer b { #p { font-weight: 500 } }  | 300",
                "p { font-weight: 300 } @layer a { #p { font-weight: 500 } }                            | 300",
                "p { font-weight: 300 !important } @layer a { p { font-weight: 500 !important } }       | 500",
                "@layer a { @layer b { p { font-weight: 300 } } p { font-weight: 500 } }                | 500",
                "@layer a { p { font-weight: 300 } } p { font-weight: 500; font-weight: revert-layer }  | 300",
                "body { font-weight: 300 } p { font-weight: 500; font-weight: revert }                  | 300",
                "body { font-weight: 300 } p { font-weight: initial }                                   | 400",
                "body { font-weight: 300 } p { all: unset }                                             | 300",
                ":root { --w: 600 } p { font-weight: var(--w) }                                         | 600",
                "p { font-weight: var(--none, 200) }                                                    | 200",
                "body { font-weight: 300 } p { font-weight: 500; font-weight: var(--none) }             | 300",
                ":root { --a: var(--b); --b: var(--a) } p { font-weight: var(--a, 200) }                | 200",
                ":root { --a: 2; --b: calc(var(--a) * 100) } p { font-weight: var(--b) }                | 200",
                "@property --w { syntax: '*'; inherits: false; initial-value: 250 } body { --w: 900 } p { font-weight: var(--w) } | 250",
                "@property --w { syntax: '*'; inherits: false; initial-value: 250 } p { --w: var(--none); font-weight: var(--w) } | 250",
                "@property --w { syntax: '*'; inherits: true; initial-value: 250 } body { --w: 900 } p { --w: var(--w); font-weight: var(--w) } | 900",
                "@property --w { syntax: '*'; inherits: true; initial-value: 250 } body { --w: 900 } p { --w: initial; font-weight: var(--w) } | 250",
                "@property --w { syntax: '*'; inherits: false; initial-value: 250 } body { --w: 900 } p { --w: inherit; font-weight: var(--w) } | 900",
                "p { font: italic 350 12px/1 Ostrel }                                                   | 350",
                "body { p { font-weight: 300 } }                                                        | 300",
                "body { & > .a { font-weight: 300 } }                                                   | 300",
                "p { &.a { font-weight: 300 } &.b { font-weight: 500 } }                                | 300",
                ".a { html & { font-weight: 300 } }                                                     | 300",
                "p { @media (width > 100px) { font-weight: 300 } }                                      | 300",
                "@scope (body) { p { font-weight: 300 } :scope { font-weight: 500 } }                   | 300",
                "@scope (.a) { p { font-weight: 300 } }                                                 | 400",
                "@scope (.a) { :scope { font-weight: 300 } }                                            | 300",
                "@media print { p { font-weight: 300 } }                                                | 400",
                "@supports (display: grid) { p { font-weight: 300 } }                                   | 300",
                "@supports not (-moz-appearance: none) { p { font-weight: 300 } }                       | 300",
                "@supports selector(:has(a)) and (font-weight: 5) { p { font-weight: 300 } }            | 300",
                "@supports (font-weight: 5000) { p { font-weight: 300 } }                               | 400",
                "@supports selector(:nonsense) { p { font-weight: 300 } }                               | 400",
                "@unknown { p { font-weight: 300 } }                                                    | 400",
                "p, :nonsense { font-weight: 300 }                                                      | 400",
            })
    void theWeightIs(String css, double weight) {
        assertThat(style(css).weight()).isEqualTo(weight);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "p { font-size: 2em }                                          | 32",
                "html { font-size: 10px } p { font-size: 1.5rem }              | 15",
                "body { font-size: 20px } p { font-size: 50% }                 | 10",
                "p { font-size: calc(1em + 2 * 4px) }                          | 24",
                "p { font-size: clamp(10px, 2vw, 20px) }                       | 20",
                "p { font-size: min(1em, 12px) }                               | 12",
                "p { font-size: max(10vw, 1px) }                               | 128",
                "p { font-size: x-large }                                      | 24",
                "p { font-size: larger }                                       | 19.2",
                "p { font-size: 12pt }                                         | 16",
                "p { font-size: -2px }                                         | 16",
                "p { font-size: 12 }                                           | 16",
                "p { font-family: monospace }                                  | 13",
                "p { font-family: monospace, monospace }                       | 16",
                "p { font-family: monospace; font-size: 1em }                  | 13",
                "body { font-size: 20px } p { font-family: monospace }         | 20",
                "body { font-size: 1.5em } p { font-family: monospace }        | 19.5",
            })
    void theSizeIs(String css, double size) {
        assertThat(style(css).size()).isEqualTo(size, org.assertj.core.data.Offset.offset(0.001));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "(min-width: 1280px)                              | true",
                "(max-width: 1279px)                              | false",
                "screen and (width >= 600px)                      | true",
                "(400px < width < 1280px)                         | false",
                "(400px < width <= 1280px)                        | true",
                "not all and (monochrome)                         | true",
                "not screen                                       | false",
                "only screen                                      | true",
                "print, (orientation: landscape)                  | true",
                "(hover: hover) and (pointer: fine)               | true",
                "(prefers-color-scheme: dark)                     | false",
                "(min-resolution: 2dppx)                          | false",
                "(min-aspect-ratio: 16/10)                        | true",
                "((width > 100px) and (not (width > 2000px)))     | true",
                "(width > 100px) or (width < 10px)                | true",
                "(width > 100px) and (width < 10px) or (color)    | false",
                "nonsense                                         | false",
                "(min-width: nonsense)                            | false",
                "(min-width: calc(1000px + 10em))                 | true",
            })
    void mediaHold(String query, boolean holds) {
        assertThat(style("@media " + query + " { p { font-weight: 300 } }").weight())
                .isEqualTo(holds ? 300.0 : 400.0);
    }

    @Test
    void aPhoneHasItsOwnRules() {
        viewport = Viewport.PHONE;
        assertThat(style("@media (width < 600px) { p { font-weight: 300 } }").weight())
                .isEqualTo(300);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "p { font: italic 16px Ostrel, serif }                  | Ostrel/serif",
                "p { font-family: Ostrel Text, 'serif', \"A, b\" }      | Ostrel Text/serif/A, b",
                "p { font-family: 2 Ostrel }                            | Times New Roman",
                "p { font-family: inherit, serif }                      | Times New Roman",
                "p { font-family: inherit }                             | Times New Roman",
                "p { font: bold Ostrel }                                | Times New Roman",
                "p { font: 12px/normal var(--f) } html { --f: A, b }    | A/b",
                "p { font: menu }                                       | system-ui",
            })
    void theFamiliesAre(String css, String families) {
        assertThat(style(css).families().stream().map(FamilyName::name).collect(Collectors.joining("/")))
                .isEqualTo(families);
    }

    @Test
    void slopesWidthsAndWhatMayBeFaked() {
        assertThat(style("p { font-style: oblique 0deg }").slope()).isEqualTo(Slope.UPRIGHT);
        assertThat(style("p { font-style: oblique 100deg }").slope()).isEqualTo(Slope.UPRIGHT);
        assertThat(style("p { font: oblique 20deg 12px A }").slope()).isEqualTo(Slope.OBLIQUE);
        assertThat(style("p { font-stretch: condensed }").width()).isEqualTo(75);
        assertThat(style("p { font-width: 110% }").width()).isEqualTo(110);
        TextStyle style = style("p { font-synthesis: weight }");
        assertThat(style.fakesBold()).isTrue();
        assertThat(style.fakesSlope()).isFalse();
        assertThat(style("p { text-transform: uppercase }").transformed("straße"))
                .isEqualTo("STRASSE");
        assertThat(style("p { text-transform: capitalize }").transformed("one o'two"))
                .isEqualTo("One O'two");
    }

    @Test
    void theRulesThatWereBeatenAreTold() {
        String css = "p { font-family: A }\n.a { font-family: B }\nbody { font-family: C }";
        assertThat(style(css).familyRules())
                .containsExactly(
                        new Rule("https://a.example/a.css", 2, ".a"), new Rule("https://a.example/a.css", 1, "p"));
        assertThat(style("body { font-family: C }").familyRule())
                .as("inherited from the body")
                .contains(new Rule("https://a.example/a.css", 1, "body"));
        attribute = "font-family: D; font-family: E !important";
        assertThat(style("#p { font-family: A }").familyRule()).contains(new Rule("https://a.example/", 3, "style"));
    }

    @Test
    void importsComeFirstAndTheirConditionsHold() {
        imported.put("b.css", "p { font-weight: 300; font-style: italic }");
        assertThat(style("@import 'b.css'; p { font-weight: 500 }").weight()).isEqualTo(500);
        assertThat(style("@import url(b.css) print;").weight()).isEqualTo(400);
        assertThat(style("@import url('b.css') layer(x) supports(display: grid) screen;")
                        .weight())
                .isEqualTo(300);
        assertThat(style("@import 'b.css' supports(not (display: grid));").weight())
                .isEqualTo(400);
        assertThat(style("p {} @import 'b.css';").weight()).as("too late").isEqualTo(400);
        imported.put("b.css", "@import 'b.css'; p { font-weight: 300 }");
        assertThat(style("@import 'b.css';").weight()).as("a circle").isEqualTo(300);
    }

    @Test
    void whatIsDamagedOrWithoutEndIsReadAsFarAsItGoes() {
        assertThat(style("p { font-weight: 300; } } p { font-weight: 500 } .a { font-weight: 200")
                        .weight())
                .isEqualTo(200);
        assertThat(style("p { font-size: " + "calc(".repeat(5000) + "1px").size())
                .isEqualTo(16);
        assertThat(style("p { font-weight: 300 }" + " @media (width) {".repeat(1000) + " p { font-weight: 500 }")
                        .weight())
                .isEqualTo(300);
        String doubling = ":root { --a0: xxxxxxxxxx; "
                + IntStream.range(0, 60)
                        .mapToObj(i -> "--a" + (i + 1) + ": var(--a" + i + ") var(--a" + i + ");")
                        .collect(Collectors.joining())
                + " } p { font-family: var(--a60), serif; font-weight: 300 }";
        assertThat(style(doubling).weight()).isEqualTo(300);
        String chain = IntStream.range(0, 20_000)
                .mapToObj(i -> "--a" + i + ": var(--a" + (i + 1) + ");")
                .collect(Collectors.joining("", ":root { ", " --a20000: 300 } p { font-weight: var(--a0) }"));
        assertThat(style(chain).weight())
                .as("a longer chain than is followed is invalid")
                .isEqualTo(400);
        assertThat(style(chain.replace("--a300: var(--a301);", "--a300: 300;")).weight())
                .isEqualTo(300);
        assertThat(style("p { font-weight: 500; font-weight: " + "var(--none, ".repeat(5000) + "300")
                        .weight())
                .as("more fallbacks inside each other than are read: invalid, and so inherited")
                .isEqualTo(400);
        String layers = IntStream.range(0, 20_000).mapToObj(i -> "a" + i).collect(Collectors.joining("."));
        assertThat(style("@layer " + layers + " { p { font-weight: 300 } }").weight())
                .isEqualTo(300);
    }

    private TextStyle style(String css) {
        PageSheets sheets = new PageSheets(viewport, (address, base) -> Optional.ofNullable(imported.get(address))
                .map(text -> Sheet.of("https://a.example/" + address, text)));
        sheets.add(Sheet.of("https://a.example/a.css", css), "");
        Cascade cascade = new Cascade(sheets, viewport, "https://a.example/", false);
        Element html = Element.root("html", Map.of(), 1);
        Element body = html.add("body", Map.of(), 2);
        Element p = body.add("p", Map.of("id", "p", "class", "a", "style", attribute), 3);
        return cascade.of(p, cascade.of(body, cascade.ofRoot(html)));
    }
}
