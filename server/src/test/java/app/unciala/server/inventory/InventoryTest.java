package app.unciala.server.inventory;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.server.fault.Fault;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class InventoryTest {
    @ParameterizedTest
    @CsvSource({
        "Open Sans, opensans",
        "open-sans, opensans",
        "OPEN_SANS, opensans",
        "Ｏｐｅｎ Ｓａｎｓ, opensans",
        "Ostrel, ostrel",
        "' ', ''"
    })
    void aFamilyHasOneKeyHoweverItIsWritten(String name, String key) {
        assertThat(Texts.familyKey(name)).isEqualTo(key);
    }

    @Test
    void textsAreCutAndPathsShortened() {
        assertThat(Texts.cut("abcdef", 3)).isEqualTo("abc");
        assertThat(Texts.cut("ab", 3)).isEqualTo("ab");
        assertThat(Texts.baseName("a/b/c.ttf")).isEqualTo("c.ttf");
        assertThat(Texts.baseName("c.ttf")).isEqualTo("c.ttf");
    }

    @Test
    void longListsAreLookedUpInParts() {
        List<String> keys =
                IntStream.range(0, 2500).mapToObj(i -> "k" + i % 2300).toList();
        List<Integer> sizes = new ArrayList<>();
        List<String> seen = new ArrayList<>();
        Parts.of(keys, part -> {
            sizes.add(part.size());
            seen.addAll(part);
        });
        assertThat(sizes).containsExactly(1000, 1000, 300);
        assertThat(seen).doesNotHaveDuplicates().hasSize(2300);
        Parts.of(List.of(), part -> sizes.add(-1));
        assertThat(sizes).hasSize(3);
    }

    @Test
    void aSlotGoesThroughItsColumnsAndTheApi() {
        Slot variable = new Slot(new Range(100, 900), new Range(75, 100), Slope.ITALIC);
        assertThat(new SlotColumns(variable).toSlot()).isEqualTo(variable);
        assertThat(SlotView.of(variable).toSlot()).isEqualTo(variable);
    }

    @ParameterizedTest
    @CsvSource({
        "400, 400, 100, 100, wavy",
        "400, 400, 100, 100,",
        "0, 0, 100, 100, upright",
        "1001, 1001, 100, 100, upright",
        "400, 1200, 100, 100, upright",
        "400, 400, -5, 100, upright",
        "400, 400, 100, 5000, upright",
        "NaN, 400, 100, 100, upright",
        "Infinity, Infinity, 100, 100, upright"
    })
    void whatIsNoSlotIsRefusedByName(double weight, double weightMax, double width, double widthMax, String slope) {
        assertThatThrownBy(() -> new SlotView(weight, weightMax, width, widthMax, slope, "", "").toSlot())
                .isInstanceOfSatisfying(
                        Fault.class, fault -> assertThat(fault.field()).isPresent());
    }
}
