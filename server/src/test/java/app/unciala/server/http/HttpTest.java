package app.unciala.server.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.SlotView;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;

class HttpTest {
    @Test
    void versionsAreComparedAsTagsAreWritten() {
        assertThat(Versions.expected("\"7\"")).isEqualTo(7);
        assertThat(Versions.expected("W/\"7\"")).isEqualTo(7);
        assertThatThrownBy(() -> Versions.expected("\"abc\"")).isInstanceOf(Fault.class);
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
