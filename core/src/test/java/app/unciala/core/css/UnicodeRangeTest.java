package app.unciala.core.css;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.BitSet;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class UnicodeRangeTest {
    @Test
    void whatIsWrittenIsReadAsItWas() {
        Random random = new Random(3);
        for (int i = 0; i < 200; i++) {
            BitSet characters = new BitSet();
            for (int range = 0; range <= random.nextInt(12); range++) {
                int first = random.nextInt(0x10FF00);
                characters.set(first, first + 1 + random.nextInt(200));
            }
            assertThat(UnicodeRange.read(UnicodeRange.of(characters))).contains(characters);
        }
    }

    @Test
    void questionMarksStandForAnyDigit() {
        BitSet expected = new BitSet();
        expected.set(0x400, 0x500);
        expected.set(0x20);
        assertThat(UnicodeRange.read("u+4??, U+20")).contains(expected);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "U+", "U+110000", "U+30-20", "U+4??-500", "20-7E", "U+1234567", "U+20,", "U+GG"})
    void whatIsNoRangeIsNone(String value) {
        assertThat(UnicodeRange.read(value)).isEmpty();
    }

    @Test
    void theRangeIsWrittenAsCssWantsIt() {
        BitSet characters = new BitSet();
        characters.set(0x20, 0x7F);
        characters.set(0xE9);
        characters.set(0x1F600, 0x1F602);
        assertThat(UnicodeRange.of(characters)).isEqualTo("U+20-7E, U+E9, U+1F600-1F601");
        String css = FontFaceRule.of(
                        "Harrow",
                        Slot.of(400, 100, Slope.UPRIGHT),
                        "a.woff2",
                        FontFormat.WOFF2,
                        Optional.of(characters))
                .css();
        assertThat(css).contains("  unicode-range: U+20-7E, U+E9, U+1F600-1F601;\n");
    }
}
