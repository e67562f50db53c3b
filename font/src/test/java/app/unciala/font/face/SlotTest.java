package app.unciala.font.face;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SlotTest {
    @Test
    void aKeyStandsForItsSlotAndNoOther() {
        Random random = new Random(7);
        for (int i = 0; i < 2000; i++) {
            Slot slot = new Slot(range(random, 1, 1000), range(random, 50, 200), slope(random));
            assertThat(Slot.ofKey(slot.key())).isEqualTo(slot);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "400", "400-100", "400-100-sideways", "0-100-upright", "x-100-upright", "400-0-italic"})
    void whatIsNoKeyIsRefused(String text) {
        assertThatThrownBy(() -> Slot.ofKey(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void anObliqueStandsForAnItalicButDoesNotServeIt() {
        Slot italic = Slot.of(400, 100, Slope.ITALIC);
        Slot oblique = Slot.of(400, 100, Slope.OBLIQUE);
        assertThat(oblique.serves(italic)).isFalse();
        assertThat(oblique.standsFor(italic)).isTrue();
        assertThat(Slot.of(400, 100, Slope.UPRIGHT).standsFor(italic)).isFalse();
    }

    private static Range range(Random random, int least, int most) {
        double min = least + random.nextInt(most - least);
        return random.nextBoolean() ? Range.of(min) : new Range(min, min + random.nextInt((int) (most - min) + 1));
    }

    private static Slope slope(Random random) {
        return Slope.values()[random.nextInt(Slope.values().length)];
    }
}
