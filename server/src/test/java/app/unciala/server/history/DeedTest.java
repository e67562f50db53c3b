package app.unciala.server.history;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import app.unciala.server.fault.Fault;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.HistoryService.FieldChange;
import app.unciala.server.inventory.Changes;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class DeedTest {
    private final HistoryRepository entries = mock();
    private final HistoryService history = mock();
    private final Reverser reverser = mock();
    private final UndoService undo = new UndoService(entries, history, List.of(reverser), mock(Changes.class));

    @Test
    void onlyFieldsThatDifferAreKept() {
        Deed deed = Deed.of("license", "l", "Name", "Changed")
                .changing(
                        Map.of("name", "Old", "vendor", "Same", "notes", "gone"),
                        Map.of("name", "New", "vendor", "Same", "proof", "order 7"));
        assertThat(deed.changes())
                .containsExactlyInAnyOrder(
                        new FieldChange("name", "Old", "New"),
                        new FieldChange("notes", "gone", ""),
                        new FieldChange("proof", "", "order 7"));
        assertThat(Deed.of("a", "b", "c", "d")
                        .changing(Map.of("x", "1"), Map.of("x", "1"))
                        .changes())
                .isEmpty();
    }

    @Test
    void anEntryCutsWhatIsTooLongAndIsUndoneOnce() {
        HistoryEntry entry = entry(Optional.of(new Reversal("kind", List.of("id"))));
        assertThat(entry.toRecord().text()).hasSize(2000);
        assertThat(entry.toRecord().subjectName()).hasSize(300);
        assertThat(entry.toRecord().undoable()).isTrue();
        entry.undo();
        assertThat(entry.toRecord().undoable()).isFalse();
        assertThat(entry.toRecord().undone()).isTrue();
    }

    @Test
    void undoingAsksTheReverserOfItsKindAndIsRecorded() {
        when(entries.findById(7L)).thenReturn(Optional.of(entry(Optional.of(new Reversal("kind", List.of("id"))))));
        when(reverser.reverses("kind")).thenReturn(true);
        undo.undo("7");
        verify(reverser).reverse(new Reversal("kind", List.of("id")));
        verify(history).record(any(Deed.class));
        assertThatThrownBy(() -> undo.undo("7")).isInstanceOf(Fault.class).hasMessageContaining("can’t be undone");
    }

    @Test
    void whatWasBuiltOnStaysDone() {
        when(entries.findById(7L)).thenReturn(Optional.of(entry(Optional.of(new Reversal("kind", List.of())))));
        when(reverser.reverses("kind")).thenReturn(true);
        doThrow(Fault.conflict("in use")).when(reverser).reverse(any());
        assertThatThrownBy(() -> undo.undo("7")).hasMessage("in use");
        verify(history, never()).record(any(Deed.class));
    }

    @Test
    void entriesThatAreNotThereOrHaveNoReversalAreNamed() {
        for (String odd : List.of("", "x", "-1", "99999999999999999999", "1; drop")) {
            assertThatThrownBy(() -> undo.undo(odd)).isInstanceOf(Fault.class).hasMessageContaining("no entry");
        }
        when(entries.findById(8L)).thenReturn(Optional.of(entry(Optional.empty())));
        assertThatThrownBy(() -> undo.undo("8")).hasMessageContaining("can’t be undone");
    }

    private static HistoryEntry entry(Optional<Reversal> reversal) {
        Deed deed = Deed.of("family", "f", "n".repeat(400), "t".repeat(3000));
        return new HistoryEntry(
                Instant.EPOCH, "admin", reversal.map(deed::undoneBy).orElse(deed));
    }
}
