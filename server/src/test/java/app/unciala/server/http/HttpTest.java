package app.unciala.server.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class HttpTest {
    private static final List<String> ALL =
            IntStream.range(0, 25).mapToObj(i -> "item-" + i).toList();

    @Test
    void pagesFollowEachOtherByCursorToTheEnd() {
        Page<String> first = Page.of(ALL, item -> item, null, 10);
        assertThat(first.items()).isEqualTo(ALL.subList(0, 10));
        Page<String> second = Page.of(ALL, item -> item, first.next(), 10);
        Page<String> third = Page.of(ALL, item -> item, second.next(), 10);
        assertThat(third.items()).isEqualTo(ALL.subList(20, 25));
        assertThat(third.next()).isNull();
        assertThat(Page.of(ALL, item -> item, "gone", 10).items()).isEmpty();
        assertThat(Page.of(ALL, item -> item, null, 0).items()).hasSize(1);
        assertThat(Page.of(List.<String>of(), item -> item, null, 10).next()).isNull();
    }

    @Test
    void versionsAreComparedAsTagsAreWritten() {
        assertThat(Versions.expected("\"7\"")).isEqualTo(7);
        assertThat(Versions.expected("W/\"7\"")).isEqualTo(7);
        assertThatCode(() -> Versions.check(7, 7)).doesNotThrowAnyException();
        assertThatThrownBy(() -> Versions.check(6, 7))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("Someone changed");
        assertThatThrownBy(() -> Versions.expected("\"abc\"")).isInstanceOf(Problem.class);
        assertThatThrownBy(() -> Versions.expected(null)).hasMessageContaining("If-Match");
    }

    @Test
    void identifiersAreShortSafeAndDoNotRepeat() {
        Set<String> ids = new HashSet<>();
        for (int i = 0; i < 10_000; i++) {
            ids.add(Ids.next());
        }
        assertThat(ids).hasSize(10_000).allMatch(id -> id.matches("[a-z2-9]{12}"));
    }

    @Test
    void aSlotIsReadWithItsDefaults() {
        SlotView view = new SlotView(700, 0, 0, 0, "italic", "", "");
        assertThat(SlotView.of(view.toSlot()))
                .isEqualTo(new SlotView(700, 700, 100, 100, "italic", "700-100-italic", "Bold Italic"));
        assertThatThrownBy(() -> new SlotView(0, 0, 100, 100, "upright", "", "").toSlot())
                .hasMessageContaining("between 1 and 1000");
    }
}
