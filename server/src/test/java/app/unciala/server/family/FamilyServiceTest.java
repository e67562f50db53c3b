package app.unciala.server.family;

import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.server.family.FaceFileEntity.NewFile;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.DeletedRows;
import app.unciala.server.history.HistoryService;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Links;
import app.unciala.server.license.LicenseService;
import app.unciala.server.site.SiteService;
import app.unciala.server.storage.FileStore;
import app.unciala.server.storage.StoredFiles;
import app.unciala.server.testing.Samples;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionCallback;
import org.springframework.transaction.support.TransactionTemplate;

class FamilyServiceTest {
    private final FamilyRepository families = mock();
    private final FaceFileRepository files = mock();
    private final SiteService sites = mock();
    private final LicenseService licenses = mock();
    private final Links links = mock();
    private final HistoryService history = mock();
    private final FileStore store = mock();
    private final TransactionTemplate transaction = mock();
    private final FamilyService service = new FamilyService(
            families,
            files,
            store,
            mock(StoredFiles.class),
            new FamilyRecords(files, sites, licenses),
            new LeavingFiles(sites, links, mock(EntityManager.class), Clock.systemUTC()),
            new FamilyChanges(files, links, mock(Changes.class)),
            history,
            mock(Changes.class),
            mock(EntityManager.class),
            mock(JdbcClient.class),
            mock(DeletedRows.class),
            transaction,
            Clock.systemUTC());

    private final FamilyEntity family = new FamilyEntity("f", "Wendlow", Instant.EPOCH);
    private final FaceFileEntity only = file("one");

    @BeforeEach
    void hold() {
        when(families.findById("f")).thenReturn(Optional.of(family));
        when(files.findById("one")).thenReturn(Optional.of(only));
        when(files.findByFamilyId("f")).thenReturn(List.of(only));
        when(transaction.execute(any()))
                .thenAnswer(call -> call.<TransactionCallback<?>>getArgument(0).doInTransaction(null));
    }

    @Test
    void theOnlyFileOfAnAskedFaceStays() {
        when(sites.askingFor(eq("f"), any())).thenReturn(List.of("Fernway"));
        assertThatThrownBy(() -> service.remove("f", "one", 0))
                .isInstanceOf(Fault.class)
                .hasMessageContaining("Fernway asks");
    }

    @Test
    void anAskedFaceMayLoseAFileWhenAnotherStays() {
        when(sites.askingFor(eq("f"), any())).thenReturn(List.of("Fernway"));
        when(files.findByFamilyId("f")).thenReturn(List.of(only, file("two")));
        service.remove("f", "one", 0);
        verify(history)
                .record(argThat(deed ->
                        deed.text().startsWith("Removed") && deed.reversal().isPresent()));
    }

    @Test
    void anOldVersionIsNotEdited() {
        assertThatThrownBy(() -> service.remove("f", "one", 3))
                .isInstanceOf(Fault.class)
                .hasMessageContaining("Someone changed this");
    }

    @Test
    void aFileOfAnotherFamilyIsNotFound() {
        when(families.findById("g")).thenReturn(Optional.of(new FamilyEntity("g", "Other", Instant.EPOCH)));
        assertThatThrownBy(() -> service.remove("g", "one", 0))
                .isInstanceOf(Fault.class)
                .hasMessageContaining("one");
    }

    private static FaceFileEntity file(String id) {
        byte[] bytes = Samples.font("Wendlow-Regular.ttf");
        Sfnt face = FontReader.read(bytes).faces().get(0);
        FaceReport report = FaceReport.of(face);
        NewFile file = new NewFile(
                id + ".ttf",
                "0".repeat(64),
                bytes.length,
                FontFormat.TTF,
                report.identity().slot(),
                FileFacts.of(face, report),
                null);
        return new FaceFileEntity(id, "f", file, Instant.EPOCH, "admin");
    }
}
