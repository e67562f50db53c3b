package app.unciala.server.pack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import app.unciala.server.fault.Fault;
import app.unciala.server.fault.FullDisk;
import app.unciala.server.history.Actor;
import app.unciala.server.job.Jobs;
import app.unciala.server.pack.PackJobs.Asked;
import app.unciala.server.pack.PackJobs.PackMaking;
import app.unciala.server.pack.PackMaker.Progress;
import app.unciala.server.pack.PackService.PackView;
import app.unciala.server.site.SiteService;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.mockito.Mock;
import org.mockito.MockitoAnnotations;

class PackJobsTest {
    private static final Asked ASKED = new Asked("s", "", "ida");

    @Mock
    private OneTimeTask<Asked> task;

    private final PackService packs = mock();
    private final SiteService sites = mock();
    private final Actor actor = mock();
    private final Jobs jobs = mock();
    private PackJobs making;

    @BeforeEach
    void prepare() {
        MockitoAnnotations.openMocks(this);
        making = new PackJobs(packs, sites, actor, task, jobs);
        when(actor.name()).thenReturn("ida");
    }

    @Test
    void theJobKeepsWhoAskedAndWhy() {
        assertThat(making.of("s").running()).isFalse();
        assertThat(making.start("s", Optional.of("the client insists")).running())
                .isTrue();
        verify(jobs).soonWith(task, new Asked("s", "the client insists", "ida"));
        assertThat(making.of("other").running()).isFalse();
    }

    @Test
    void onePackOfASiteIsMadeAtATime() {
        making.start("s", Optional.empty());
        assertThatThrownBy(() -> making.start("s", Optional.empty()))
                .isInstanceOf(Fault.class)
                .hasMessageContaining("being made already");
        making.start("t", Optional.empty());
        making.run(ASKED);
        making.start("s", Optional.empty());
        verify(jobs, times(2)).soonWith(task, ASKED);
    }

    @Test
    void aJobThatCannotBeKeptIsNotSaidToRun() {
        doThrow(new IllegalStateException("no database")).when(jobs).soonWith(task, ASKED);
        assertThatThrownBy(() -> making.start("s", Optional.empty())).hasMessage("no database");
        assertThat(making.of("s").running()).isFalse();
    }

    @Test
    void aSiteThatIsNotThereStartsNothing() {
        when(sites.get("gone")).thenThrow(Fault.notFound("site", "gone"));
        assertThatThrownBy(() -> making.start("gone", Optional.empty())).isInstanceOf(Fault.class);
        verify(jobs, never()).soonWith(any(), any(Asked.class));
        assertThat(making.of("gone").running()).isFalse();
    }

    @Test
    void howFarItIsIsToldWhileItIsMadeAndAfterwardsWhatWasMade() {
        List<PackMaking> told = new ArrayList<>();
        PackView made = mock();
        when(made.id()).thenReturn("p");
        when(packs.make(eq("s"), eq(Optional.empty()), any())).thenAnswer(call -> {
            Progress progress = call.getArgument(2);
            progress.made(0, 8);
            told.add(making.of("s"));
            progress.made(3, 8);
            told.add(making.of("s"));
            return made;
        });
        making.run(ASKED);
        assertThat(told).containsExactly(PackMaking.running(0, 8), PackMaking.running(3, 8));
        assertThat(making.of("s")).isEqualTo(PackMaking.made("p"));
    }

    static Stream<Arguments> failures() {
        return Stream.of(
                Arguments.of(Fault.conflict("Nothing may go into a pack."), "Nothing may go into a pack."),
                Arguments.of(new UncheckedIOException(new IOException("No space left on device")), FullDisk.SENTENCE),
                Arguments.of(
                        new IllegalStateException("a detail of ours"),
                        "The pack could not be made; the log of the server says why."),
                Arguments.of(
                        new OutOfMemoryError("heap"), "The pack could not be made; the log of the server says why."));
    }

    @ParameterizedTest
    @MethodSource("failures")
    void aFailureIsToldAndThePackCanBeAskedForAgain(Throwable failure, String sentence) {
        when(packs.make(eq("s"), any(), any())).thenThrow(failure);
        making.start("s", Optional.empty());
        making.run(ASKED);
        assertThat(making.of("s")).isEqualTo(PackMaking.failed(sentence));
        making.start("s", Optional.empty());
        assertThat(making.of("s").failure()).isNull();
    }
}
