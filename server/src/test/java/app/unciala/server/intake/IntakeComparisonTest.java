package app.unciala.server.intake;

import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import app.unciala.server.family.FamilyService;
import app.unciala.server.fault.Fault;
import app.unciala.server.storage.FileStore;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class IntakeComparisonTest {
    private final IntakeItemRepository items = mock();
    private final FamilyService families = mock();
    private final IntakeComparison comparison =
            new IntakeComparison(mock(IntakeFiles.class), items, families, mock(FileStore.class));

    @Test
    void aCopyOfWhatIsHeldNoMoreSaysThatThereIsNothingToCompareWith() {
        IntakeItemEntity item = mock();
        when(item.verdictOrKind()).thenReturn(Verdict.RENAMED_COPY);
        when(item.nearFileId()).thenReturn("removed");
        when(item.facts()).thenReturn(IntakeItemEntity.Facts.NONE);
        when(item.familyKey()).thenReturn("copy");
        when(items.findById("item")).thenReturn(Optional.of(item));
        when(families.ofFiles(any())).thenReturn(Map.of());
        when(families.withDrawing(any())).thenReturn(List.of());
        when(families.byKeys(any())).thenReturn(Map.of());
        assertThatThrownBy(() -> comparison.compare("intake", "item"))
                .isInstanceOf(Fault.class)
                .hasMessageContaining("Nothing is held yet");
    }
}
