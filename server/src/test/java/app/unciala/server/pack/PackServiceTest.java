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
import app.unciala.core.license.Clearance.Answer;
import app.unciala.core.license.Verdict;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.AskedRow;
import app.unciala.server.flag.AskedRow.DomainVerdict;
import app.unciala.server.flag.AskedRow.GoesOut;
import app.unciala.server.flag.AskedRow.GoesOut.FormatAnswer;
import app.unciala.server.flag.AskedRow.HeldView;
import app.unciala.server.flag.SiteCrossings;
import app.unciala.server.history.Actor;
import app.unciala.server.history.HistoryService;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Links;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.pack.PackService.PackView;
import app.unciala.server.site.SiteDelivery;
import app.unciala.server.site.SiteRole;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import app.unciala.server.storage.DerivedFiles;
import app.unciala.server.storage.FileStore;
import app.unciala.server.testing.Samples;
import jakarta.persistence.EntityManager;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.transaction.support.TransactionCallback;
import org.springframework.transaction.support.TransactionTemplate;

class PackServiceTest {
    private static final Slot REGULAR = Slot.of(400, 100, Slope.UPRIGHT);
    private static final Slot BOLD = Slot.of(700, 100, Slope.UPRIGHT);
    private static final byte[] FONT = Samples.font("Wendlow-Regular.ttf");

    @TempDir
    private static Path folder;

    private final PackRepository packs = mock();
    private final LicenseService licenses = mock();
    private final SiteService sites = mock();
    private final SiteCrossings crossings = mock();
    private final FileStore store = mock();
    private final EntityManager entities = mock();
    private final TransactionTemplate transaction = mock();
    private final Actor actor = mock();
    private final PackService service = new PackService(
            packs,
            sites,
            store,
            new PackMaker(
                    sites,
                    crossings,
                    store,
                    new PackFaces(store, new DerivedFiles(folder), licenses),
                    Clock.systemUTC()),
            mock(Links.class),
            mock(HistoryService.class),
            actor,
            mock(ApplicationEventPublisher.class),
            mock(Changes.class),
            entities,
            transaction,
            Clock.systemUTC());
    private final List<AskedRow> rows = new ArrayList<>();

    @BeforeEach
    void prepare() {
        SiteRole role =
                new SiteRole(TextRole.RUNNING_TEXT.id(), "f", GenericFamily.SERIF, List.of(SlotView.of(REGULAR)));
        when(sites.get("s"))
                .thenReturn(new Site(
                        "s",
                        0,
                        "c",
                        "Client",
                        "Site",
                        List.of("client.example"),
                        List.of(),
                        List.of(role),
                        SiteDelivery.usual(),
                        Map.of("f", "Harrow"),
                        Map.of("f", "Harrow")));
        when(crossings.of(any())).thenAnswer(call -> List.copyOf(rows));
        Recorded license = mock();
        when(license.terms()).thenReturn(mock());
        when(licenses.get(anyString())).thenReturn(license);
        when(actor.name()).thenReturn("admin");
        when(store.get("sha")).thenReturn(FONT);
        when(store.put(any(byte[].class))).thenReturn("packed");
        when(transaction.execute(any()))
                .thenAnswer(call -> call.<TransactionCallback<?>>getArgument(0).doInTransaction(null));
    }

    @Test
    void onlyWhatIsHeldAndAllowedGoesInAndTheRestIsNamed() {
        rows.add(row(REGULAR, true, Verdict.ALLOWED));
        rows.add(row(BOLD, false, Verdict.ALLOWED));
        rows.add(row(Slot.of(900, 100, Slope.UPRIGHT), true, Verdict.REFUSED));
        PackView pack = service.make("s", Optional.empty());
        assertThat(pack.contents().stream().filter(content -> content.leftOut()).map(content -> content.path()))
                .containsExactly("Wendlow Bold: not held", "Wendlow Black: ended yesterday");
        assertThat(pack.contents().stream().filter(content -> content.path().endsWith(".woff2")))
                .hasSize(1);
        assertThat(pack.changedSince()).isEmpty();
        verify(entities).persist(any(PackEntity.class));
    }

    @Test
    void aFaceThatTwoRolesAskForIsMadeOnce() {
        rows.add(row(REGULAR, true, Verdict.ALLOWED));
        rows.add(row(REGULAR, true, Verdict.ALLOWED));
        PackView pack = service.make("s", Optional.empty());
        assertThat(pack.contents().stream().filter(content -> content.path().endsWith(".woff2")))
                .hasSize(1);
        verify(store, times(1)).get("sha");
    }

    @Test
    void nothingAllowedMakesNoPackAndSaysWhy() {
        rows.add(row(REGULAR, true, Verdict.REFUSED));
        assertThatThrownBy(() -> service.make("s", Optional.empty()))
                .isInstanceOf(Fault.class)
                .hasMessageContaining("ended yesterday");
        rows.set(
                0,
                new AskedRow(
                        TextRole.RUNNING_TEXT.id(),
                        "f",
                        "Wendlow",
                        SlotView.of(REGULAR),
                        rows.get(0).held(),
                        "",
                        Verdict.ALLOWED,
                        List.of(),
                        rows.get(0).goesOut()));
        assertThatThrownBy(() -> service.make("s", Optional.empty())).hasMessageContaining("no domain");
        rows.clear();
        assertThatThrownBy(() -> service.make("s", Optional.empty())).hasMessageContaining("asks for no faces yet");
        verify(entities, never()).persist(any());
    }

    @Test
    void notStatedIsNotAllowed() {
        rows.add(row(REGULAR, true, Verdict.NOT_STATED));
        assertThatThrownBy(() -> service.make("s", Optional.empty())).hasMessageContaining("not stated");
        verify(store, never()).put(any(byte[].class));
    }

    @Test
    void whatChangesWhileItIsMadeHasItMadeAgain() {
        rows.add(row(REGULAR, true, Verdict.ALLOWED));
        List<AskedRow> changed = List.of(row(REGULAR, true, Verdict.ALLOWED), row(BOLD, false, Verdict.ALLOWED));
        when(crossings.of(any())).thenReturn(List.copyOf(rows)).thenReturn(changed);
        PackView pack = service.make("s", Optional.empty());
        assertThat(pack.contents().stream().filter(content -> content.leftOut()))
                .hasSize(1);
        verify(entities, times(1)).persist(any(PackEntity.class));
    }

    @Test
    void anUnknownPackIsNotFound() {
        when(packs.findById(anyString())).thenReturn(Optional.empty());
        assertThatThrownBy(() -> service.archive("none"))
                .isInstanceOf(Fault.class)
                .hasMessageContaining("none");
    }

    @Test
    void whatIsNotAllowedGoesInWithAReasonThatIsKept() {
        rows.add(row(REGULAR, true, Verdict.REFUSED));
        rows.add(row(BOLD, false, Verdict.REFUSED));
        PackView pack = service.make("s", Optional.of("the vendor agreed by phone"));
        assertThat(pack.anyway()).isEqualTo("the vendor agreed by phone");
        assertThat(pack.contents().stream().filter(content -> content.leftOut()).map(content -> content.path()))
                .containsExactly("Wendlow Bold: not held");
        rows.set(0, row(REGULAR, true, Verdict.ALLOWED));
        assertThat(service.make("s", Optional.of("not needed")).anyway())
                .as("nothing in it needs the reason")
                .isNull();
    }

    private static AskedRow row(Slot slot, boolean isHeld, Verdict verdict) {
        String reason =
                switch (verdict) {
                    case ALLOWED -> "covered";
                    case REFUSED -> "ended yesterday";
                    case NOT_STATED -> "use on web pages is not stated";
                };
        return new AskedRow(
                TextRole.RUNNING_TEXT.id(),
                "f",
                "Wendlow",
                SlotView.of(slot),
                isHeld ? List.of(new HeldView("id", "w.ttf", "sha", "ttf", SlotView.of(slot), false)) : List.of(),
                "",
                verdict,
                List.of(new DomainVerdict("client.example", verdict, "l", "The license", List.of(reason))),
                new GoesOut(
                        SlotView.of(slot),
                        false,
                        FontFormat.WOFF2,
                        false,
                        new Answer(verdict, reason),
                        new Answer(verdict, reason),
                        List.of(new FormatAnswer(FontFormat.WOFF2, isHeld ? "sha" : "", new Answer(verdict, reason)))));
    }
}
