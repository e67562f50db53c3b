package app.unciala.server.pack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.face.Embedding;
import app.unciala.core.face.Slope;
import app.unciala.core.face.Slot;
import app.unciala.core.flag.Crossing;
import app.unciala.core.flag.Snapshot;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.font.FontFormat;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Decision;
import app.unciala.core.license.Decision.Point;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.LicenseKind;
import app.unciala.core.license.Verdict;
import app.unciala.server.flag.FlagService;
import app.unciala.server.history.HistoryService;
import app.unciala.server.http.Problem;
import app.unciala.server.http.SlotView;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.LicenseDraft;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.pack.PackService.PackView;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Role;
import app.unciala.server.site.SiteService.Site;
import app.unciala.server.storage.FileStore;
import app.unciala.server.testing.Samples;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class PackServiceTest {
    private static final Slot REGULAR = Slot.of(400, 100, Slope.UPRIGHT);
    private static final Slot BOLD = Slot.of(700, 100, Slope.UPRIGHT);
    private static final byte[] FONT = Samples.font("Wendlow-Regular.ttf");

    private final PackRepository packs = mock();
    private final SiteService sites = mock();
    private final FlagService flags = mock();
    private final LicenseService licenses = mock();
    private final FileStore store = mock();
    private final PackService service =
            new PackService(packs, sites, flags, licenses, store, mock(HistoryService.class), Clock.systemUTC());
    private final List<Crossing> crossings = new ArrayList<>();

    @BeforeEach
    void prepare() {
        Role role = new Role(TextRole.RUNNING_TEXT, "f", GenericFamily.SERIF, List.of(SlotView.of(REGULAR)));
        when(sites.get("s"))
                .thenReturn(new Site("s", 0, "c", "Client", "Site", List.of("client.example"), List.of(role)));
        when(flags.crossings("s")).thenReturn(crossings);
        LicenseDraft terms = new LicenseDraft(
                "The license",
                LicenseKind.FREE,
                "",
                List.of(),
                Clause.GRANTED,
                null,
                null,
                null,
                true,
                null,
                true,
                null,
                null,
                null,
                null,
                null,
                "",
                "",
                "");
        when(licenses.get("l")).thenReturn(new Recorded("l", 0, terms, List.of()));
        when(store.get("sha")).thenReturn(FONT);
        when(store.put(any())).thenReturn("packed");
    }

    @Test
    void onlyWhatIsHeldAndAllowedGoesInAndTheRestIsNamed() {
        crossings.add(crossing(REGULAR, true, allowed()));
        crossings.add(crossing(BOLD, false, allowed()));
        crossings.add(crossing(Slot.of(900, 100, Slope.UPRIGHT), true, refused()));
        PackView pack = service.make("s");
        assertThat(pack.contents().stream().filter(content -> content.leftOut()).map(content -> content.path()))
                .containsExactly("Wendlow Bold: not held", "Wendlow Black: ended yesterday");
        assertThat(pack.contents().stream().filter(content -> content.path().endsWith(".woff2")))
                .hasSize(1);
        verify(packs).save(any());
    }

    @Test
    void aFaceThatTwoRolesAskForIsMadeOnce() {
        crossings.add(crossing(REGULAR, true, allowed()));
        crossings.add(crossing(REGULAR, true, allowed()));
        PackView pack = service.make("s");
        assertThat(pack.contents().stream().filter(content -> content.path().endsWith(".woff2")))
                .hasSize(1);
        verify(store, times(1)).get("sha");
    }

    @Test
    void nothingAllowedMakesNoPackAndSaysWhy() {
        crossings.add(crossing(REGULAR, true, refused()));
        assertThatThrownBy(() -> service.make("s")).isInstanceOf(Problem.class).hasMessageContaining("ended yesterday");
        crossings.set(0, crossing(REGULAR, true, Map.of()));
        assertThatThrownBy(() -> service.make("s")).hasMessageContaining("no domain");
        crossings.clear();
        assertThatThrownBy(() -> service.make("s")).hasMessageContaining("asks for no faces yet");
        verify(packs, never()).save(any());
    }

    @Test
    void notStatedIsNotAllowed() {
        Decision silent = new Decision(
                Verdict.NOT_STATED,
                Optional.of("l"),
                List.of(new Reason(Point.WEB_USE, Verdict.NOT_STATED, "use on web pages is not stated")));
        crossings.add(crossing(REGULAR, true, Map.of(new DomainName("client.example"), silent)));
        assertThatThrownBy(() -> service.make("s")).hasMessageContaining("not stated");
        verify(store, never()).put(any());
    }

    @Test
    void anUnknownPackIsNotFound() {
        when(packs.findById(anyString())).thenReturn(Optional.empty());
        assertThatThrownBy(() -> service.archive("none"))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("none");
    }

    private static Crossing crossing(Slot slot, boolean isHeld, Map<DomainName, Decision> decisions) {
        HeldFile file =
                new HeldFile("id", "w.ttf", "sha", FontFormat.TTF, slot, "drawing", Embedding.Level.INSTALLABLE, false);
        return new Crossing(
                new Snapshot.Site("s", "Site", List.of(), List.of()),
                new Ask(TextRole.RUNNING_TEXT, "f", slot),
                "Wendlow",
                isHeld ? List.of(file) : List.of(),
                Optional.empty(),
                decisions);
    }

    private static Map<DomainName, Decision> allowed() {
        Reason reason = new Reason(Point.COVERAGE, Verdict.ALLOWED, "covered");
        return Map.of(
                new DomainName("client.example"), new Decision(Verdict.ALLOWED, Optional.of("l"), List.of(reason)));
    }

    private static Map<DomainName, Decision> refused() {
        Reason reason = new Reason(Point.ENDS, Verdict.REFUSED, "ended yesterday");
        return Map.of(
                new DomainName("client.example"), new Decision(Verdict.REFUSED, Optional.of("l"), List.of(reason)));
    }
}
