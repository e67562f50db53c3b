package app.unciala.server.family;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import app.unciala.core.license.Verdict;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.server.family.FaceFileEntity.NewFile;
import app.unciala.server.family.MadeFormats.Asked;
import app.unciala.server.family.MadeFormats.Makeable;
import app.unciala.server.family.MadeFormats.Making;
import app.unciala.server.fault.Fault;
import app.unciala.server.fault.FullDisk;
import app.unciala.server.history.Actor;
import app.unciala.server.history.HistoryService;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.job.Jobs;
import app.unciala.server.license.LicenseService;
import app.unciala.server.storage.FileStore;
import app.unciala.server.testing.Samples;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionCallback;
import org.springframework.transaction.support.TransactionTemplate;

/** What the job of making formats takes up, and that one failure does not stop the rest. */
class MadeFormatsUnitTest {
    private final FamilyRepository families = mock();
    private final FaceFileRepository files = mock();
    private final FileStore store = mock();
    private final LicenseService licenses = mock();
    private final Jobs jobs = mock();
    private final Actor actor = mock();
    private final TransactionTemplate transaction = mock();

    @SuppressWarnings("unchecked")
    private final OneTimeTask<Asked> job = mock(OneTimeTask.class);

    private final MadeFormats formats = new MadeFormats(
            families,
            files,
            store,
            licenses,
            mock(FamilyChanges.class),
            mock(Changes.class),
            mock(HistoryService.class),
            actor,
            job,
            jobs,
            mock(EntityManager.class),
            transaction,
            Clock.systemUTC());

    @BeforeEach
    void hold() {
        when(actor.name()).thenReturn("priya");
        when(families.findById("f")).thenReturn(Optional.of(new FamilyEntity("f", "Wendlow", Instant.EPOCH)));
        when(transaction.execute(any()))
                .thenAnswer(call -> call.<TransactionCallback<?>>getArgument(0).doInTransaction(null));
    }

    @Test
    void aFormatOfAFamilyIsMadeByOneJobAtATime() {
        List<FaceFileEntity> held = List.of(file("one", FontFormat.TTF, 1));
        when(files.findByFamilyId("f")).thenReturn(held);
        assertThat(formats.makeAll("f", "woff2", true).running()).isTrue();
        formats.makeAll("f", "woff2", true);
        formats.makeAll("f", "woff", true);
        verify(jobs).soonWith(job, new Asked("f", FontFormat.WOFF2, true, "priya"));
        verify(jobs).soonWith(job, new Asked("f", FontFormat.WOFF, true, "priya"));
        doThrow(Fault.notFound("stored file", "0")).when(store).file(any());
        when(files.findById("one")).thenReturn(Optional.of(held.get(0)));
        formats.run(new Asked("f", FontFormat.WOFF2, true, "priya"));
        formats.makeAll("f", "woff2", true);
        verify(jobs, times(2)).soonWith(job, new Asked("f", FontFormat.WOFF2, true, "priya"));
    }

    @Test
    void onlyWhatIsAllowedIsTakenUpUnlessSomebodySaysAnyway() {
        Asked asked = new Asked("f", FontFormat.WOFF2, false, "priya");
        Asked anyway = new Asked("f", FontFormat.WOFF2, true, "priya");
        assertThat(asked.takes(face(Verdict.ALLOWED))).isTrue();
        assertThat(asked.takes(face(Verdict.NOT_STATED))).isFalse();
        assertThat(anyway.takes(face(Verdict.NOT_STATED))).isTrue();
        assertThat(anyway.takes(face(Verdict.REFUSED))).isFalse();
    }

    @Test
    void theFileToMakeItOfIsADesktopFileThatCameBeforeOthers() {
        List<FaceFileEntity> held = List.of(
                file("web", FontFormat.WOFF, 1), file("younger", FontFormat.TTF, 3), file("older", FontFormat.TTF, 2));
        when(files.findByFamilyId("f")).thenReturn(held);
        assertThat(formats.plan("f", "woff2").faces())
                .extracting(Makeable::fileId)
                .containsExactly("older");
        assertThat(formats.plan("f", "woff").faces()).as("held already").isEmpty();
    }

    @Test
    void aFaceThatCannotBeReadIsNamedAndTheRestGoesOn() {
        List<FaceFileEntity> held = List.of(file("one", FontFormat.TTF, 1));
        when(files.findByFamilyId("f")).thenReturn(held);
        when(files.findById("one")).thenReturn(Optional.of(held.get(0)));
        doThrow(Fault.notFound("stored file", "0")).when(store).file(any());
        formats.run(new Asked("f", FontFormat.WOFF2, true, "priya"));
        Making making = formats.plan("f", "woff2").making();
        assertThat(making.running()).isFalse();
        assertThat(making.failures()).singleElement().asString().startsWith("one.ttf: There is no stored file");
        verify(store, never()).put(any(byte[].class));
    }

    @Test
    void aFailureThatNobodyForesawEndsTheJobTooAndSaysSo() {
        List<FaceFileEntity> held = List.of(file("one", FontFormat.TTF, 1));
        when(files.findByFamilyId("f")).thenReturn(held);
        when(files.findById("one")).thenReturn(Optional.of(held.get(0)));
        doThrow(new UncheckedIOException(new IOException("No space left on device")))
                .when(store)
                .file(any());
        formats.run(new Asked("f", FontFormat.WOFF2, true, "priya"));
        Making making = formats.plan("f", "woff2").making();
        assertThat(making.running()).isFalse();
        assertThat(making.failures()).containsExactly("one.ttf: " + FullDisk.SENTENCE);
        assertThat(formats.plan("f", "woff").making())
                .as("each format has its own progress")
                .isEqualTo(Making.NONE);
    }

    @Test
    void aFamilyThatIsGoneByThenEndsTheJob() {
        formats.run(new Asked("gone", FontFormat.WOFF2, true, "priya"));
        verify(store, never()).put(any(byte[].class));
    }

    @Test
    void nothingToMakeIsNoJob() {
        when(files.findByFamilyId("f")).thenReturn(List.of());
        assertThatThrownBy(() -> formats.makeAll("f", "woff2", false)).isInstanceOf(Fault.class);
        verify(jobs, never()).soonWith(any(), any());
    }

    private static Makeable face(Verdict verdict) {
        return new Makeable("a", "a.ttf", SlotView.of(Slot.of(400, 100, Slope.UPRIGHT)), 1, verdict, "");
    }

    private static FaceFileEntity file(String id, FontFormat format, int second) {
        byte[] bytes = Samples.font("Wendlow-Regular.ttf");
        Sfnt face = FontReader.read(bytes).faces().get(0);
        FaceReport report = FaceReport.of(face);
        NewFile file = new NewFile(
                id + "." + format.key(),
                "0".repeat(64),
                bytes.length,
                format,
                report.identity().slot(),
                FileFacts.of(face, report),
                null);
        return new FaceFileEntity(id, "f", file, Instant.ofEpochSecond(second), "admin");
    }
}
