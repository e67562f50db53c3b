package app.unciala.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SheetDifferenceTest {
    private static final String PACK = """
            @font-face { font-family: "Ostrel"; font-weight: 400; src: url("fonts/a.woff2") format("woff2") }
            @font-face { font-family: "Ostrel"; font-weight: 700; src: url("fonts/b.woff2") format("woff2") }
            h1, h2 { font-family: "Ostrel", serif; font-weight: 700 }
            @media (max-width: 600px) { p { font-size: 15px } }
            """;

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    a { font-family: "A", serif }  | a{font-family:'A',serif}
                    a > b { color: red }           | a>b { color :red; }
                    a { x: url("f.woff2") }        | a { x: url(f.woff2) }
                    a { /* said */ x: y }          | a { x: y } b { z: 1 }
                    @media print { a { x: y } }    | @media print{a{x:y}}
                    a { x: y !important }          | a { x: y!important }
                    """)
    void theWayOfWritingMakesNoDifference(String wanted, String found) {
        assertThat(SheetDifference.between(wanted, found)).isEmpty();
    }

    @Test
    void aRuleThatIsGoneOrOtherIsToldWithItsPlaces() {
        String live = "/* theme */\n@font-face { font-family: Other; src: url(o.woff2) }\n"
                + PACK.replace("fonts/b", "fonts/old")
                        .replace("h1, h2 {", "h1, h2, h3 {")
                        .replace("15px", "14px");
        assertThat(SheetDifference.between(PACK, PACK)).isEmpty();
        assertThat(SheetDifference.between(PACK, live))
                .containsExactly(
                        new SheetDifference(
                                "@font-face { font-family: \"Ostrel\"; font-weight: 700; src: url(\"fonts/b.woff2\")"
                                        + " format(\"woff2\") }",
                                2,
                                "@font-face { font-family: \"Ostrel\"; font-weight: 700; src: url(\"fonts/old.woff2\")"
                                        + " format(\"woff2\") }",
                                4),
                        new SheetDifference("h1, h2 { font-family: \"Ostrel\", serif; font-weight: 700 }", 3, null, 0),
                        new SheetDifference("p { font-size: 15px }", 4, "p { font-size: 14px }", 6));
    }

    @Test
    void whatIsNoStyleSheetLacksAllRulesAndLongOnesAreCut() {
        assertThat(SheetDifference.between(PACK, "<!doctype html>")).hasSize(4);
        assertThat(SheetDifference.between("a { b: " + "x".repeat(9_000) + " }", "")
                        .get(0)
                        .rule())
                .hasSizeLessThan(500)
                .endsWith("…");
    }
}
