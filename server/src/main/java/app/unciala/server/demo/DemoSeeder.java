package app.unciala.server.demo;

import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import app.unciala.demo.Deal;
import app.unciala.demo.Scenario;
import app.unciala.demo.Scenario.Arrival;
import app.unciala.demo.Scenario.Decision;
import app.unciala.demo.Scenario.Person;
import app.unciala.demo.Scenario.Role;
import app.unciala.demo.Scenario.Views;
import app.unciala.server.account.AccountService;
import app.unciala.server.account.Level;
import app.unciala.server.check.CheckService;
import app.unciala.server.family.FamilyService;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.Comparisons;
import app.unciala.server.flag.FlagDecisions;
import app.unciala.server.flag.FlagDecisions.Chosen;
import app.unciala.server.flag.FlagService;
import app.unciala.server.flag.FlagService.Filter;
import app.unciala.server.flag.FlagService.FlagView;
import app.unciala.server.flag.FlagService.State;
import app.unciala.server.intake.Acceptance;
import app.unciala.server.intake.IntakeService;
import app.unciala.server.intake.IntakeService.Correction;
import app.unciala.server.intake.IntakeService.FileRow;
import app.unciala.server.intake.IntakeService.Upload;
import app.unciala.server.intake.IntakeState;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.Covered;
import app.unciala.server.license.DocumentKind;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.license.LicenseDraft.PricePer;
import app.unciala.server.license.LicenseDraftBuilder;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.pack.PackService;
import app.unciala.server.site.ClientService;
import app.unciala.server.site.PageViewsService;
import app.unciala.server.site.SiteRole;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.SiteDraft;
import app.unciala.server.storage.FileStore;
import app.unciala.server.terms.TermsSetService;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Clock;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.context.annotation.Profile;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/** Enters the scenario through the same services that people use, day by day, once, into an empty inventory. */
@Component
@Profile("demo")
class DemoSeeder {
    static final String NAME = "demo";
    static final String PASSWORD = "unciala-demo";
    private static final long PATIENCE_MILLIS = 60_000;
    private static final int FIRST_DAY = 425;
    private static final int VIEWS_READ = 2;
    private static final int CHECKED = 2;
    private static final String ILSE = "ilse";
    private static final String TOMAS = "tomas";

    private final AccountService accounts;
    private final IntakeService intakes;
    private final Acceptance acceptance;
    private final FamilyService families;
    private final LicenseService licenses;
    private final ClientService clients;
    private final TermsSetService termsSets;
    private final SiteService sites;
    private final PageViewsService pageViews;
    private final PackService packs;
    private final CheckService checks;
    private final ClientHosts hosts;
    private final FlagService flags;
    private final FlagDecisions decisions;
    private final Comparisons comparisons;
    private final FileStore store;
    private final StoryClock story;
    private final Clock clock;
    private final Map<String, String> clientIds = new HashMap<>();
    private final Map<String, String> siteIds = new HashMap<>();

    DemoSeeder(
            AccountService accounts,
            IntakeService intakes,
            Acceptance acceptance,
            FamilyService families,
            LicenseService licenses,
            ClientService clients,
            TermsSetService termsSets,
            SiteService sites,
            PageViewsService pageViews,
            PackService packs,
            CheckService checks,
            ClientHosts hosts,
            FlagService flags,
            FlagDecisions decisions,
            Comparisons comparisons,
            FileStore store,
            StoryClock story,
            Clock clock) {
        this.accounts = accounts;
        this.intakes = intakes;
        this.acceptance = acceptance;
        this.families = families;
        this.licenses = licenses;
        this.clients = clients;
        this.termsSets = termsSets;
        this.sites = sites;
        this.pageViews = pageViews;
        this.packs = packs;
        this.checks = checks;
        this.hosts = hosts;
        this.flags = flags;
        this.decisions = decisions;
        this.comparisons = comparisons;
        this.store = store;
        this.story = story;
        this.clock = clock;
    }

    /** Something that happened on a day, by somebody. */
    private record Event(int daysAgo, String by, Runnable what) {}

    void seed() {
        if (accounts.isEmpty()) {
            accounts.create(NAME, "Mara Quill", Level.ADMINISTRATOR, PASSWORD);
        }
        if (families.count() > 0) {
            return;
        }
        try {
            story.goTo(FIRST_DAY);
            comparisons.compareAll();
            int day = FIRST_DAY;
            for (Event event : events()) {
                passDays(day, event.daysAgo());
                day = event.daysAgo();
                actAs(event.by());
                event.what().run();
            }
            passDays(day, 1);
        } finally {
            story.goToNow();
            SecurityContextHolder.clearContext();
        }
        comparisons.dayPassed();
        actAs(NAME);
        open("Brantle 3.zip", Scenario.underReview());
        SecurityContextHolder.clearContext();
    }

    /** All that happens, oldest first; what happens on one day keeps its order. */
    private List<Event> events() {
        List<Event> events = new ArrayList<>();
        Scenario.people().forEach(person -> events.add(new Event(person.joined(), NAME, () -> add(person))));
        Scenario.arrivals()
                .forEach(arrival -> events.add(new Event(arrival.daysAgo(), arrival.by(), () -> takeIn(arrival))));
        Scenario.deals().forEach(deal -> events.add(new Event(deal.daysAgo(), deal.by(), () -> record(deal))));
        Scenario.sites().forEach(site -> events.add(new Event(site.daysAgo(), site.by(), () -> add(site))));
        if (hosts.areOnAir()) {
            events.add(new Event(FIRST_DAY - 1, NAME, hosts::allow));
            Scenario.sites().stream()
                    .filter(site -> Scenario.CHECKED.contains(site.name()))
                    .forEach(site -> events.add(new Event(CHECKED, TOMAS, () -> check(site(site.name())))));
        }
        Scenario.pageViews().forEach(views -> events.add(new Event(VIEWS_READ, ILSE, () -> read(views))));
        Scenario.decisions()
                .forEach(decision -> events.add(new Event(decision.daysAgo(), decision.by(), () -> decide(decision))));
        events.sort(Comparator.comparing(Event::daysAgo).reversed());
        return events;
    }

    /** Lets the days between two events go by, so that licenses end on their day. */
    private void passDays(int from, int to) {
        SecurityContextHolder.clearContext();
        for (int day = from - 1; day >= to; day--) {
            story.goTo(day);
            comparisons.dayPassed();
        }
    }

    /** Does work in the name of the demonstration's own account. */
    void acting(Runnable work) {
        actAs(NAME);
        work.run();
        SecurityContextHolder.clearContext();
    }

    private static void actAs(String name) {
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(name, null, List.of()));
    }

    private void add(Person person) {
        String token = accounts.add(person.name(), person.displayName(), Level.valueOf(person.level()))
                .token();
        accounts.join(token, PASSWORD);
    }

    private void add(Scenario.Site site) {
        List<SiteRole> roles = site.roles().stream().map(this::role).toList();
        String id = sites.create(new SiteDraft(
                        clientId(site.client()), site.name(), site.domains(), site.staging(), roles, null))
                .id();
        siteIds.put(site.name(), id);
        hosts.plan(id);
        try {
            packs.make(id, Optional.empty());
        } catch (Fault nothingAllowed) {
            // Some sites of the scenario have no pack; their flags say why.
        }
    }

    /** Checks the pages of a site as they are by then, with the pack that it was handed. */
    private void check(String siteId) {
        hosts.publish();
        String id = checks.start(siteId).id();
        await("the check of a site", () -> checks.of(siteId, null, 1).items().stream()
                .allMatch(line -> line.id().equals(id) && line.state().isOver()));
    }

    private String clientId(String client) {
        return clientIds.computeIfAbsent(client, name -> clients.create(name).id());
    }

    private String site(String name) {
        return Objects.requireNonNull(siteIds.get(name), name);
    }

    private void read(Views views) {
        YearMonth month = YearMonth.now(clock).minusMonths(views.monthsAgo());
        pageViews.record(site(views.site()), month, views.views());
    }

    /** Accepts a whole archive, clashes and repeats too, as somebody in a hurry does. */
    private void takeIn(Arrival arrival) {
        String id = open(arrival.name(), arrival.files());
        for (FileRow row : intakes.get(id, null, 500).rows()) {
            if (row.isFont() && !row.included()) {
                intakes.correct(id, row.id(), Correction.include());
            }
        }
        acceptance.accept(id, Set.of(), null);
    }

    private String open(String name, Map<String, byte[]> files) {
        byte[] archive = zip(files);
        String id = intakes.open(List.of(new Upload(name, file -> Files.write(file, archive))), null);
        await(name, () -> intakes.summary(id).state() != IntakeState.READING);
        return id;
    }

    private static void await(String what, BooleanSupplier isOver) {
        long deadline = System.currentTimeMillis() + PATIENCE_MILLIS;
        while (!isOver.getAsBoolean()) {
            if (System.currentTimeMillis() > deadline) {
                throw new IllegalStateException(what + " was not read in time");
            }
            try {
                Thread.sleep(20);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }
    }

    private void record(Deal deal) {
        LocalDate today = LocalDate.now(clock);
        LocalDate now = today.plusDays(deal.daysAgo());
        LicenseDraft draft = LicenseDraftBuilder.builder()
                .name(deal.name())
                .basis(deal.basis())
                .spdx(Objects.requireNonNullElse(deal.spdx(), ""))
                .vendor(deal.vendor())
                .holderId(deal.holder() == null ? null : clientId(deal.holder()))
                .covers(deal.families().stream()
                        .map(family -> new Covered(familyId(family), List.of()))
                        .toList())
                .webUse(deal.webUse())
                .converting(deal.converting())
                .cutting(deal.converting())
                .subdomains(deal.subdomains())
                .development(Clause.GRANTED)
                .anyDomain(deal.anywhere())
                .domains(deal.domains())
                .domainLimit(deal.places())
                .anyFormat(deal.anywhere())
                .formats(deal.anywhere() ? List.of() : List.of("woff2", "woff"))
                .pageViewLimit(deal.pageViews())
                .begins(now.minusDays(deal.begunBefore()))
                .ends(deal.endsIn() == null ? null : now.plusDays(deal.endsIn()))
                .renews(deal.renews())
                .noticeDays(deal.noticeDays())
                .price(deal.price())
                .pricePer(per(deal.basis()))
                .nextPayment(deal.paidIn() == null ? null : now.plusDays(deal.paidIn()))
                .build();
        Recorded license = licenses.create(draft);
        if (deal.keptAs() != null) {
            termsSets.create(
                    LicenseDraftBuilder.builder(draft).name(deal.keptAs()).build());
        }
        if (deal.agreement()) {
            byte[] text = deal.agreementText().getBytes(StandardCharsets.UTF_8);
            license = attach(license, DocumentKind.AGREEMENT, deal.name() + ".txt", text);
            if (deal.basis().isPaid() && deal.price() > 0) {
                attach(license, DocumentKind.INVOICE, deal.name() + ", invoice.pdf", DemoInvoice.of(deal, today));
            }
        }
    }

    private Recorded attach(Recorded license, DocumentKind kind, String name, byte[] bytes) {
        return licenses.attach(license.id(), license.version(), kind, name, store.put(new ByteArrayInputStream(bytes)));
    }

    private static PricePer per(Basis basis) {
        return switch (basis) {
            case SUBSCRIPTION -> PricePer.YEAR;
            case PAGE_VIEWS -> PricePer.MONTH;
            default -> PricePer.ONCE;
        };
    }

    private void decide(Decision decision) {
        List<String> ids = flags
                .list(new Filter(State.OPEN, null, null, null, List.of(), List.of(), List.of(), null), false, null, 500)
                .items()
                .stream()
                .filter(flag -> flag.kind().name().equals(decision.kind()))
                .filter(flag -> decision.site().map(flag.siteName()::equals).orElse(true))
                .map(FlagView::id)
                .toList();
        if (ids.isEmpty()) {
            throw new IllegalStateException("the story has no flag " + decision.kind() + " to decide about");
        }
        decision.handedTo()
                .ifPresentOrElse(
                        person -> {
                            decisions.assign(Chosen.named(ids), person);
                            decisions.comment(ids.get(0), decision.reason());
                        },
                        () -> decisions.accept(
                                Chosen.named(ids.subList(0, 1)),
                                LocalDate.now(clock).plusDays(decision.acceptedDays()),
                                decision.reason()));
    }

    private SiteRole role(Role role) {
        return new SiteRole(
                role.role().id(),
                familyId(role.family()),
                role.generic(),
                role.faces().stream().map(SlotView::of).toList());
    }

    private String familyId(String name) {
        return families.named(name)
                .orElseThrow(() -> new IllegalStateException(name + " is not held at this point of the story"))
                .id();
    }

    private static byte[] zip(Map<String, byte[]> files) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
