package app.unciala.server.family;

import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.contains;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import app.unciala.core.face.FaceReport;
import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import app.unciala.server.family.FaceFileEntity.NewFile;
import app.unciala.server.history.HistoryService;
import app.unciala.server.http.Problem;
import app.unciala.server.site.SiteService;
import app.unciala.server.storage.FileStore;
import app.unciala.server.testing.Samples;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class FamilyServiceTest {
    private final FamilyRepository families = mock();
    private final FaceFileRepository files = mock();
    private final SiteService sites = mock();
    private final HistoryService history = mock();
    private final FamilyService service =
            new FamilyService(families, files, mock(FileStore.class), sites, history, Clock.systemUTC());

    private final FamilyEntity family = new FamilyEntity("f", "Wendlow", Instant.EPOCH);
    private final FaceFileEntity only = file("one");

    @BeforeEach
    void hold() {
        when(families.findById("f")).thenReturn(Optional.of(family));
        when(files.findById("one")).thenReturn(Optional.of(only));
        when(files.findByFamilyId("f")).thenReturn(List.of(only));
    }

    @Test
    void theOnlyFileOfAnAskedFaceStays() {
        when(sites.askingFor(eq("f"), any())).thenReturn(List.of("Fernway"));
        assertThatThrownBy(() -> service.remove("f", "one"))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("Fernway asks");
        verify(files, never()).delete(any());
    }

    @Test
    void anAskedFaceMayLoseAFileWhenAnotherStays() {
        when(sites.askingFor(eq("f"), any())).thenReturn(List.of("Fernway"));
        when(files.findByFamilyId("f")).thenReturn(List.of(only, file("two")));
        service.remove("f", "one");
        verify(files).delete(only);
        verify(families, never()).delete(any());
        verify(history).record(eq("family"), eq("f"), contains("Removed"));
    }

    @Test
    void aFamilyLeftEmptyGoes() {
        service.remove("f", "one");
        verify(families).delete(family);
    }

    @Test
    void aFileOfAnotherFamilyIsNotFound() {
        assertThatThrownBy(() -> service.remove("g", "one"))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("one");
    }

    private static FaceFileEntity file(String id) {
        byte[] bytes = Samples.font("Wendlow-Regular.ttf");
        FaceReport report = FaceReport.of(FontReader.read(bytes).faces().get(0));
        NewFile file = new NewFile(
                id + ".ttf",
                "0".repeat(64),
                bytes.length,
                FontFormat.TTF,
                report.identity().slot(),
                report,
                null);
        return new FaceFileEntity(id, "f", file, Instant.EPOCH, "admin");
    }
}
