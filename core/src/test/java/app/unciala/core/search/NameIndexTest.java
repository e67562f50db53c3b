package app.unciala.core.search;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.search.NameIndex.Family;
import app.unciala.core.search.NameIndex.Found;
import app.unciala.core.search.NameIndex.Nearness;
import app.unciala.core.search.NameIndex.Style;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NameIndexTest {
    private static final NameIndex INDEX = new NameIndex(List.of(
            family(
                    "lato",
                    "Lato",
                    style(100, Slope.UPRIGHT, "Hairline"),
                    style(400, Slope.UPRIGHT, "Regular"),
                    style(700, Slope.ITALIC, "Bold Italic"),
                    style(900, Slope.UPRIGHT, "Heavy")),
            family("ebg", "EB Garamond", style(400, Slope.UPRIGHT, "Regular"), style(400, Slope.ITALIC, "Italic")),
            family("open", "Open Sans", style(400, Slope.UPRIGHT, "Regular"), style(600, Slope.UPRIGHT, "Semibold")),
            family("opencond", "Open Sans Condensed", style(300, Slope.UPRIGHT, "Light")),
            family("peres", "Pères Éditions", style(400, Slope.UPRIGHT, "Regular")),
            family("din", "Harrow 1451", style(400, Slope.UPRIGHT, "Regular"))));

    @ParameterizedTest
    @CsvSource({
        "lato, lato, SAME_NAME",
        "LATO, lato, SAME_NAME",
        "lat, lato, BEGINS_SO",
        "opensans, open, SAME_NAME",
        "open-sans, open, SAME_NAME",
        "OpenSans, open, SAME_NAME",
        "sans open, open, HAS_THE_WORDS",
        "peres editions, peres, SAME_NAME",
        "garamond, ebg, HAS_THE_WORDS",
        "garmond, ebg, A_LETTER_WRONG",
        "graamond, ebg, A_LETTER_WRONG",
        "eb gramon, ebg, A_LETTER_WRONG",
        "latto, lato, A_LETTER_WRONG",
        "harrow1451, din, SAME_NAME",
        "1451, din, HAS_THE_WORDS",
        "open serif, open, RESEMBLES",
    })
    void aNameHalfRememberedFindsTheFamily(String typed, String id, Nearness nearness) {
        Found first = INDEX.find(typed, 10).get(0);
        assertThat(first.familyId()).isEqualTo(id);
        assertThat(first.nearness()).isEqualTo(nearness);
    }

    @ParameterizedTest
    @CsvSource({
        "lato blk, lato, 900, UPRIGHT",
        "lato black, lato, 900, UPRIGHT",
        "Lato Heavy, lato, 900, UPRIGHT",
        "Lato Hairline, lato, 100, UPRIGHT",
        "lato thin, lato, 100, UPRIGHT",
        "lato bd ital, lato, 700, ITALIC",
        "lato 900, lato, 900, UPRIGHT",
        "latto blk, lato, 900, UPRIGHT",
        "garmond it, ebg, 400, ITALIC",
        "open sans sb, open, 600, UPRIGHT",
        "opensans semi bold, open, 600, UPRIGHT",
    })
    void wordsForAStyleLeadToTheFace(String typed, String id, double weight, Slope slope) {
        Found first = INDEX.find(typed, 10).get(0);
        assertThat(first.familyId()).isEqualTo(id);
        assertThat(first.nearness()).isNotEqualTo(Nearness.RESEMBLES);
        assertThat(first.slot()).contains(Slot.of(weight, 100, slope));
    }

    @Test
    void aFaceThatIsNotHeldIsNoHit() {
        assertThat(INDEX.find("lato semi bold", 5)).allSatisfy(found -> {
            assertThat(found.nearness()).isEqualTo(Nearness.RESEMBLES);
            assertThat(found.slot()).isEmpty();
        });
    }

    @Test
    void aFamilyWhoseNameHasAWordForAStyleIsFoundByItsName() {
        assertThat(INDEX.find("open sans condensed", 5).get(0).familyId()).isEqualTo("opencond");
    }

    @ParameterizedTest
    @CsvSource({"zzz", "helvet", "lo", "9", "''", "---", "漢字"})
    void whatIsNotHeldIsNotFound(String typed) {
        assertThat(INDEX.find(typed, 5)).isEmpty();
    }

    @Test
    void anyOneLetterWrongInALongNameStillFindsIt() {
        Random random = new Random(5);
        for (int i = 0; i < 2000; i++) {
            StringBuilder name = new StringBuilder("garamond");
            int at = random.nextInt(name.length());
            switch (random.nextInt(3)) {
                case 0 -> name.setCharAt(at, (char) ('a' + random.nextInt(26)));
                case 1 -> name.deleteCharAt(at);
                default -> name.insert(at, (char) ('a' + random.nextInt(26)));
            }
            assertThat(INDEX.find(name.toString(), 3)).as(name.toString()).isNotEmpty();
            assertThat(INDEX.find(name.toString(), 3).get(0).familyId()).isEqualTo("ebg");
        }
    }

    @Test
    void everyFamilyIsFoundFirstByItsOwnNameAmongThousands() {
        List<Family> families =
                IntStream.range(0, 3000).mapToObj(i -> family("f" + i, name(i))).toList();
        NameIndex index = new NameIndex(families);
        assertThat(index.size()).isEqualTo(3000);
        Stream.of(0, 17, 1234, 2999).forEach(i -> {
            assertThat(index.find(name(i).toUpperCase(Locale.ROOT), 5).get(0))
                    .isEqualTo(new Found("f" + i, Nearness.SAME_NAME, java.util.Optional.empty()));
        });
        assertThat(index.find("ka", 7)).hasSize(7);
    }

    private static String name(int i) {
        String[] parts = {"ka", "lo", "mi", "ren", "su", "ta", "vel", "wo", "xi", "zan"};
        return parts[i / 1000] + parts[i / 100 % 10] + " " + parts[i / 10 % 10] + parts[i % 10];
    }

    private static Family family(String id, String name, Style... styles) {
        return new Family(id, name, List.of(styles));
    }

    private static Style style(double weight, Slope slope, String name) {
        return new Style(Slot.of(weight, 100, slope), name);
    }
}
