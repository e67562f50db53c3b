package app.unciala.core.css;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.FontMatching.Match;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The cases that CSS Fonts Level 4, section 5.2, spells out. */
class FontMatchingTest {
    @ParameterizedTest
    @CsvSource({
        "400, '300 500', 500",
        "400, '300 600', 300",
        "400, '600 700', 600",
        "450, '400 500 600', 500",
        "500, '400 600', 400",
        "300, '200 400', 200",
        "300, '400 700', 400",
        "700, '600 900', 900",
        "600, '400 500', 500",
        "900, '100 400', 400"
    })
    void weightIsTakenInTheSpecifiedOrder(int asked, String held, int taken) {
        List<Slot> faces = Arrays.stream(held.split(" "))
                .map(weight -> Slot.of(Integer.parseInt(weight), 100, Slope.UPRIGHT))
                .toList();
        Match match =
                FontMatching.match(Slot.of(asked, 100, Slope.UPRIGHT), faces).orElseThrow();
        assertThat(match.face().weight().min()).isEqualTo(taken);
    }

    @Test
    void widthComesBeforeSlopeAndSlopeBeforeWeight() {
        Slot narrowItalic = Slot.of(400, 75, Slope.ITALIC);
        Slot normalUpright = Slot.of(900, 100, Slope.UPRIGHT);
        Slot asked = Slot.of(400, 75, Slope.UPRIGHT);
        assertThat(FontMatching.match(asked, List.of(normalUpright, narrowItalic))
                        .orElseThrow()
                        .face())
                .isEqualTo(narrowItalic);
        Slot wide = Slot.of(400, 150, Slope.UPRIGHT);
        assertThat(FontMatching.match(Slot.of(400, 125, Slope.UPRIGHT), List.of(normalUpright, wide))
                        .orElseThrow()
                        .face())
                .isEqualTo(wide);
        Slot oblique = Slot.of(900, 100, Slope.OBLIQUE);
        Slot upright = Slot.of(400, 100, Slope.UPRIGHT);
        assertThat(FontMatching.match(Slot.of(400, 100, Slope.ITALIC), List.of(upright, oblique))
                        .orElseThrow()
                        .face())
                .isEqualTo(oblique);
    }

    @Test
    void saysWhatTheBrowserFakes() {
        Slot regular = Slot.of(400, 100, Slope.UPRIGHT);
        Match boldItalic = FontMatching.match(Slot.of(700, 100, Slope.ITALIC), List.of(regular))
                .orElseThrow();
        assertThat(boldItalic.fakesBold()).isTrue();
        assertThat(boldItalic.fakesSlope()).isTrue();
        Slot variable = new Slot(new Range(100, 900), Range.of(100), Slope.UPRIGHT);
        Match exact = FontMatching.match(Slot.of(700, 100, Slope.UPRIGHT), List.of(regular, variable))
                .orElseThrow();
        assertThat(exact.face()).isEqualTo(variable);
        assertThat(exact.fakesBold()).isFalse();
        assertThat(FontMatching.match(regular, List.of())).isEmpty();
    }

    @Test
    void textCannotLeaveTheStringItStandsIn() {
        assertThat(CssText.quote("A\"; } body { x: \"\\")).isEqualTo("\"A\\\"; } body { x: \\\"\\\\\"");
        assertThat(CssText.quote("</style>\n")).isEqualTo("\"\\3c /style>\\a \"");
        assertThat(CssText.comment("a */ b")).doesNotContain("*/");
        assertThat(GenericFamily.SERIF.stackAfter("Harrow"))
                .isEqualTo("\"Harrow\", \"Georgia\", \"Times New Roman\", serif");
    }
}
