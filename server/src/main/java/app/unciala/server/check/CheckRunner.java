package app.unciala.server.check;

import app.unciala.core.check.CheckedPage;
import app.unciala.core.check.SitePlan;
import app.unciala.core.check.SiteReader;
import app.unciala.core.check.SiteRoles;
import app.unciala.core.check.ThirdParties;
import app.unciala.core.check.TriedPack;
import app.unciala.core.check.UsedRoles;
import app.unciala.core.fetch.Remembered;
import app.unciala.core.fetch.WebResources;
import app.unciala.core.flag.Owner;
import app.unciala.core.flag.Scope;
import app.unciala.core.page.Addresses;
import app.unciala.core.page.AskedRole;
import app.unciala.core.page.OwnHosts;
import app.unciala.core.page.PageContact;
import app.unciala.core.page.PageRequest;
import app.unciala.core.page.Resources;
import app.unciala.core.page.Resources.Use;
import app.unciala.core.page.TriedSheet;
import app.unciala.font.budget.Budget;
import app.unciala.font.budget.BudgetSpentException;
import app.unciala.server.check.CheckReport.PackOnHost;
import app.unciala.server.check.CheckReport.PageLine;
import app.unciala.server.check.CheckReport.TriedOnPages;
import app.unciala.server.check.CheckReport.UsedRole;
import app.unciala.server.check.CheckedText.PageNote;
import app.unciala.server.check.CheckedText.ReadInBrowser;
import app.unciala.server.family.HeldFamilies;
import app.unciala.server.family.HeldSketches;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Changes;
import app.unciala.server.pack.PackService;
import app.unciala.server.pack.PackService.PackFiles;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import app.unciala.server.storage.FileStore;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Reads the pages of a site, away from the request, and keeps what was found. */
@Component
class CheckRunner {
    private static final Logger LOG = LoggerFactory.getLogger(CheckRunner.class);
    private static final int MOST_NOTES = 3_000;
    private static final int KEPT_CHECKS = 10;
    /** How much processor time all pages of a check may take together. */
    private static final Duration LONGEST = Duration.ofMinutes(10);

    private final SiteCheckRepository checks;
    private final CheckedPageRepository pages;
    private final CheckPlans plans;
    private final KeptReadings readings;
    private final SiteService sites;
    private final PackService packs;
    private final FileStore store;
    private final HeldSketches sketches;
    private final HeldFamilies families;
    private final ShownFonts shown;
    private final Changes changes;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Map<String, Running> underWay = new ConcurrentHashMap<>();

    CheckRunner(
            SiteCheckRepository checks,
            CheckedPageRepository pages,
            CheckPlans plans,
            KeptReadings readings,
            SiteService sites,
            PackService packs,
            FileStore store,
            HeldSketches sketches,
            HeldFamilies families,
            ShownFonts shown,
            Changes changes,
            TransactionTemplate transaction,
            Clock clock) {
        this.checks = checks;
        this.pages = pages;
        this.plans = plans;
        this.readings = readings;
        this.sites = sites;
        this.packs = packs;
        this.store = store;
        this.sketches = sketches;
        this.families = families;
        this.shown = shown;
        this.changes = changes;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Runs a check; one that a stop of the server interrupted begins again. */
    void run(String id) {
        SiteCheckEntity check = checks.findById(id).orElse(null);
        if (check == null || check.state().isOver()) {
            return;
        }
        try {
            new Running(check).run();
        } catch (RuntimeException | Error | IOException e) {
            LOG.error("Check {} cannot be run", id, e);
            transaction.executeWithoutResult(status -> checks.findById(id)
                    .ifPresent(failed -> failed.fail(
                            clock.instant(),
                            "The pages could not be read: " + e.getMessage() + ". Check them again.")));
        }
    }

    /** Ends a check that runs here, whatever it is waiting for or working out. */
    void stop(String id) {
        Running running = underWay.get(id);
        if (running != null) {
            running.stop();
        }
    }

    /** One run over the pages of a site. */
    private final class Running implements SiteReader.Listener {
        private final String id;
        private final Site site;
        private final List<PageReadingEntity> kept;
        private final Set<String> ownHosts;
        private final CheckPlan plan;
        private final OwnHosts own;
        private final FontGathering fonts;
        private final UsedRoles used = new UsedRoles();
        private final List<AskedRole> asked;
        private final SiteRoles roles;
        private final SiteRoles triedRoles;
        private final Optional<PackFiles> pack;
        private final Optional<TriedSheet> tried;
        private final List<PageLine> lines = new ArrayList<>();
        private final List<PageNote> notes = new ArrayList<>();
        private final Map<String, PageRequest> requests = new LinkedHashMap<>();
        private final Set<PageContact> contacts = new LinkedHashSet<>();
        private final Map<String, String> digests = new LinkedHashMap<>();
        private int changedTexts;
        private final WebResources web;
        private volatile boolean stopped;

        Running(SiteCheckEntity check) {
            id = check.id();
            site = sites.get(check.siteId());
            kept = readings.of(site.id());
            ownHosts = Stream.concat(site.domains().stream(), kept.stream().map(one -> Addresses.host(one.url())))
                    .collect(Collectors.toSet());
            plan = plans.get(site.id()).plan();
            own = new OwnHosts(Set.copyOf(plan.ownHosts()));
            fonts = new FontGathering(store, sketches, families, this::isThirdParty);
            asked = RoleOnPages.asked(site);
            roles = new SiteRoles(asked);
            triedRoles = new SiteRoles(asked);
            pack = packs.latestFiles(site.id());
            tried = pack.filter(latest -> !latest.isDeployed())
                    .flatMap(latest ->
                            TriedPack.sheet(latest.files(), site.delivery().placement()));
            web = new WebResources(plans.rules(site.id()));
        }

        void stop() {
            stopped = true;
            web.stop();
        }

        void run() throws IOException {
            underWay.put(id, this);
            try (web) {
                Budget.within(LONGEST, () -> stopped, () -> {
                    read();
                    return id;
                });
            } catch (BudgetSpentException e) {
                if (!e.isStopped()) {
                    throw e;
                }
            } finally {
                underWay.remove(id);
            }
        }

        private void read() {
            transaction.executeWithoutResult(status -> pages.deleteByCheckId(id));
            SitePlan reading = new SitePlan(
                    plan.addresses().stream()
                            .filter(address -> site.domains().contains(Addresses.host(address)))
                            .toList(),
                    Set.copyOf(site.domains()),
                    kept.stream().map(PageReadingEntity::url).collect(Collectors.toSet()),
                    plan.follows(),
                    plan.mostPages(),
                    own,
                    asked,
                    tried);
            Resources resources = new Remembered(web);
            kept.stream()
                    .takeWhile(one -> reading(one.url(), lines.size(), kept.size()))
                    .forEach(one -> page(one, resources));
            if (!stopped) {
                SiteReader.read(reading, resources, this);
            }
            Optional<PackOnHost> onHost = pack.map(latest -> PlacedPack.of(latest, requests.values(), resources));
            Set<String> ofPack = pack.stream()
                    .flatMap(latest -> latest.files().entries().stream())
                    .map(entry -> FileStore.sha256(entry.bytes()))
                    .collect(Collectors.toSet());
            CheckReport report = new CheckReport(
                    lines,
                    fonts.all(ofPack),
                    notes,
                    ThirdParties.of(requests.values(), contacts, this::isThirdParty),
                    usedRoles(),
                    onHost.orElse(null),
                    roles.all().stream().map(RoleOnPages::of).toList(),
                    tried.flatMap(any -> pack).map(this::triedOnPages).orElse(null));
            transaction.executeWithoutResult(status -> keep(report));
        }

        private TriedOnPages triedOnPages(PackFiles latest) {
            return new TriedOnPages(
                    latest.id(),
                    latest.madeAt(),
                    changedTexts,
                    triedRoles.all().stream().map(RoleOnPages::of).toList());
        }

        private boolean isThirdParty(String host) {
            return own.isThirdParty(host, ownHosts);
        }

        @Override
        public boolean reading(String url, int read, int known) {
            Boolean goesOn = transaction.execute(status -> {
                SiteCheckEntity check = checks.findById(id).orElseThrow();
                if (check.state().isOver()) {
                    return false;
                }
                check.reading(url, read, known);
                return true;
            });
            stopped |= !Boolean.TRUE.equals(goesOn);
            return !stopped;
        }

        /** A page that somebody's own browser read. */
        private void page(PageReadingEntity kept, Resources web) {
            ReadInBrowser browser = new ReadInBrowser(kept.takenBy(), kept.takenAt(), kept.textKept());
            try {
                page(CheckedPage.seen(readings.content(kept), web, own, asked, tried), browser);
            } catch (BudgetSpentException e) {
                // What was read until the check was stopped is kept.
                if (!e.isStopped()) {
                    throw e;
                }
            } catch (IllegalArgumentException | Fault e) {
                LOG.error("The reading {} cannot be used", kept.id(), e);
                String why = "what a browser read of it is damaged; read it again";
                keep(
                        CheckedText.empty(kept.url(), browser),
                        position -> new PageLine(position, kept.url(), "", why, 0, 0, 0, 0, 0, 0, browser));
            }
        }

        @Override
        public void page(CheckedPage page) {
            page(page, null);
        }

        private void page(CheckedPage page, @Nullable ReadInBrowser browser) {
            Map<String, String> ofPage = fonts.add(page);
            digests.putAll(ofPage);
            used.add(page.laptop().runs());
            roles.add(page);
            page.tried().ifPresent(pack -> triedRoles.add(pack.roles()));
            changedTexts += CheckedText.changedBy(page);
            contacts.addAll(page.contacts());
            page.requests().forEach(request -> requests.putIfAbsent(request.url(), request));
            CheckedText text = CheckedText.of(page, ofPage, browser);
            text.notes().stream().limit(Math.max(0, MOST_NOTES - notes.size())).forEach(notes::add);
            keep(text, position -> line(position, page, text));
        }

        private void keep(CheckedText text, IntFunction<PageLine> line) {
            int position = lines.size();
            lines.add(line.apply(position));
            transaction.executeWithoutResult(status -> pages.save(new CheckedPageEntity(id, position, text)));
        }

        private static PageLine line(int position, CheckedPage page, CheckedText text) {
            List<PageRequest> asked = page.laptop().requests();
            return new PageLine(
                    position,
                    page.url(),
                    text.title(),
                    page.laptop().isRead() ? null : page.laptop().why(),
                    text.allRuns(),
                    count(text, "error"),
                    count(text, "warning"),
                    count(text, "note"),
                    asked.stream()
                            .filter(request -> request.use() == Use.FONT)
                            .mapToLong(PageRequest::bytes)
                            .sum(),
                    asked.size(),
                    text.browser());
        }

        private static int count(CheckedText text, String severity) {
            return (int) text.notes().stream()
                    .filter(note -> note.severity().equals(severity))
                    .count();
        }

        private List<UsedRole> usedRoles() {
            return used.all().stream()
                    .map(role -> new UsedRole(
                            role.role().id(),
                            role.faces().stream()
                                    .flatMap(face -> Stream.ofNullable(digests.get(face.url())))
                                    .distinct()
                                    .toList(),
                            role.texts(),
                            role.generic().orElse(null)))
                    .toList();
        }

        /** Ends the check; what was stopped halfway says nothing of the site. */
        private void keep(CheckReport report) {
            changes.begin();
            SiteCheckEntity check = checks.findById(id).orElseThrow();
            if (stopped || check.state().isOver()) {
                check.end(CheckState.STOPPED, clock.instant(), report);
                return;
            }
            check.end(CheckState.DONE, clock.instant(), report);
            Set<String> touched = new TreeSet<>(shown.replace(site.id(), report.fonts()));
            checks.flush();
            List<SiteCheckEntity> latestFirst = checks.findBySiteIdOrderByAskedAtDescIdAsc(site.id());
            checks.deleteAll(latestFirst.subList(Math.min(KEPT_CHECKS, latestFirst.size()), latestFirst.size()));
            changes.touched(Scope.of(Stream.concat(
                    Stream.of(Owner.site(site.id())), touched.stream().map(Owner::family))));
        }
    }
}
