package app.unciala.core.css.cascade;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.Token;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FontValuesTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "-",
            value = {
                "16px Ostrel                              | normal  | normal | normal    | 16px                | Ostrel",
                "italic bold 1em/1.2 'A B', serif         | italic  | bold   | normal    | 1em                 | 'A B', serif",
                "bold italic condensed 1em Ostrel         | italic  | bold   | condensed | 1em                 | Ostrel",
                "normal normal 350 small-caps large A     | normal  | 350    | normal    | large               | A",
                "oblique 20deg 400 12px A                 | oblique | 400    | normal    | 12px                | A",
                "12px / normal A                          | normal  | normal | normal    | 12px                | A",
                "calc(1em + 2px)/2 A                      | normal  | normal | normal    | calc(1em + 2px)     | A",
                "300 clamp(1px, 2vw, 3px) A, B            | normal  | 300    | normal    | clamp(1px, 2vw, 3px)| A, B",
            })
    void aShorthandSaysAllOfIt(String font, String style, String weight, String width, String size, String family) {
        Map<Property, List<Token>> said = said(font);
        StyleSheet sheet = StyleSheet.read("a{font:" + font + "}");
        Map<Property, List<Token>> parts = FontValues.expanded(
                "font", sheet.rules().get(0).declarations().get(0).value());
        assertThat(sheet.source(parts.get(Property.SIZE))).isEqualTo(size);
        assertThat(sheet.source(parts.get(Property.FAMILY))).isEqualTo(family);
        assertThat(said.get(Property.STYLE).get(0).value()).isEqualTo(style);
        assertThat(said.get(Property.WIDTH).get(0).value()).isEqualTo(width);
        Token first = said.get(Property.WEIGHT).get(0);
        assertThat(first.is(Token.Kind.NUMBER) ? String.valueOf((int) first.number()) : first.value())
                .isEqualTo(weight);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "Ostrel", "16px", "italic", "bold Ostrel serif", "12px/", "12px/2", "italic 12px"})
    void whatIsNoShorthandSaysNothing(String font) {
        Map<Property, List<Token>> said = said(font);
        assertThat(said.getOrDefault(Property.FAMILY, List.of()).isEmpty()
                        || FontSize.said(
                                        said.get(Property.SIZE),
                                        TextStyle.INITIAL,
                                        FontSize.Family.PROPORTIONAL,
                                        new Lengths(16, 16, 16, Viewport.LAPTOP))
                                .isEmpty())
                .isTrue();
    }

    @Test
    void relativeWeightsAreThoseOfTheTable() {
        double[] inherited = {50, 100, 349, 350, 549, 550, 749, 750, 899, 900, 1000};
        double[] bolder = {400, 400, 400, 700, 700, 900, 900, 900, 900, 900, 1000};
        double[] lighter = {50, 100, 100, 100, 100, 400, 400, 700, 700, 700, 700};
        for (int i = 0; i < inherited.length; i++) {
            assertThat(FontValues.bolder(inherited[i])).isEqualTo(bolder[i]);
            assertThat(FontValues.lighter(inherited[i])).isEqualTo(lighter[i]);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "90deg, 90",
        "100grad, 90",
        "0.25turn, 90",
        "0, 0",
        "-14deg, -14",
        "91deg, -1",
        "1, -1",
        "1px, -1",
    })
    void anglesAreDegrees(String angle, double degrees) {
        assertThat(FontValues.degrees(StyleSheet.tokens(angle).get(0)).orElse(-1))
                .isEqualTo(degrees);
    }

    private static Map<Property, List<Token>> said(String font) {
        return FontValues.expanded("font", StyleSheet.trimmed(StyleSheet.tokens(font)));
    }
}
