package app.unciala.server.check;

import app.unciala.core.check.CheckDifference;
import app.unciala.core.check.ThirdParties.ThirdParty;
import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.flag.Owner;
import app.unciala.core.flag.Scope;
import app.unciala.core.flag.Snapshot;
import app.unciala.core.license.Decision;
import app.unciala.core.license.Decision.Reason;
import app.unciala.core.license.Verdict;
import app.unciala.core.page.Addresses;
import app.unciala.font.FontFormat;
import app.unciala.server.check.CheckReport.FoundFont;
import app.unciala.server.check.CheckReport.PackOnHost;
import app.unciala.server.check.CheckReport.PageLine;
import app.unciala.server.check.CheckReport.TriedOnPages;
import app.unciala.server.check.CheckReport.UsedRole;
import app.unciala.server.check.ShownFonts.HeldAs;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.SnapshotLoader;
import app.unciala.server.history.Actor;
import app.unciala.server.intake.IntakeService;
import app.unciala.server.intake.IntakeService.Upload;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.job.Jobs;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import app.unciala.server.site.SiteRole;
import app.unciala.server.site.SiteService;
import app.unciala.server.storage.FileStore;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.file.Files;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Checks of sites' pages: asked for, stopped, and told of with what is held and allowed now. */
@Service
public class CheckService {
    private static final Sort LATEST_FIRST = Sort.by(Sort.Order.desc("askedAt"), Sort.Order.asc("id"));
    private static final Set<CheckState> UNDER_WAY = Set.of(CheckState.WAITING, CheckState.READING);

    private final SiteCheckRepository checks;
    private final CheckedPageRepository pages;
    private final CheckPlans plans;
    private final KeptReadings readings;
    private final SiteService sites;
    private final IntakeService intakes;
    private final ShownFonts fonts;
    private final SnapshotLoader snapshots;
    private final FileStore store;
    private final Actor actor;
    private final CheckRunner runner;
    private final Changes changes;
    private final Jobs jobs;
    private final OneTimeTask<Void> checkPages;
    private final TransactionTemplate transaction;
    private final Clock clock;

    CheckService(
            SiteCheckRepository checks,
            CheckedPageRepository pages,
            CheckPlans plans,
            KeptReadings readings,
            SiteService sites,
            IntakeService intakes,
            ShownFonts fonts,
            SnapshotLoader snapshots,
            FileStore store,
            Actor actor,
            CheckRunner runner,
            Changes changes,
            Jobs jobs,
            OneTimeTask<Void> checkPages,
            TransactionTemplate transaction,
            Clock clock) {
        this.checks = checks;
        this.pages = pages;
        this.plans = plans;
        this.readings = readings;
        this.sites = sites;
        this.intakes = intakes;
        this.fonts = fonts;
        this.snapshots = snapshots;
        this.store = store;
        this.actor = actor;
        this.runner = runner;
        this.changes = changes;
        this.jobs = jobs;
        this.checkPages = checkPages;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * A check in short.
     *
     * @param pagesKnown how many pages will be read, as far as is known
     * @param page the one that is read now; empty when none is
     * @param pagesWithErrors on how many of them visitors are given something else than is asked
     */
    public record CheckLine(
            String id,
            String siteId,
            CheckState state,
            Instant askedAt,
            String askedBy,

            @Schema(
                    types = {"string", "null"},
                    format = "date-time")
            @Nullable
            Instant endedAt,

            int pagesRead,
            int pagesKnown,
            String page,
            @Schema(types = {"string", "null"}) @Nullable String failure,
            int pagesWithErrors) {}

    /**
     * A check with what it found on all pages together.
     *
     * @param changedSince when the check before it was made; null when it is the first
     * @param pack the pack that was the latest then against what the pages fetch; null if there was none
     * @param tried what that pack would change on the pages; null where it was deployed already
     */
    public record CheckView(
            CheckLine line,
            List<PageLine> pages,
            List<FoundFontView> fonts,
            List<ThirdParty> thirdParties,
            List<UsedRoleView> used,
            @Schema(types = {"object", "null"}) @Nullable PackOnHost pack,
            @Schema(types = {"object", "null"}) @Nullable TriedOnPages tried,

            @Schema(
                    types = {"string", "null"},
                    format = "date-time")
            @Nullable
            Instant changedSince,

            CheckDifference changes) {}

    /**
     * A font that paints text of the pages.
     *
     * @param held what it is held as; null if it is not
     * @param verdicts what is decided on showing it, for each host of the pages; empty if it is not held
     */
    public record FoundFontView(
            String sha256,
            String name,
            String family,
            SlotView slot,
            String format,
            long bytes,
            List<String> urls,
            List<String> pages,
            int texts,
            boolean fromOthers,
            boolean inPack,
            @Schema(types = {"object", "null"}) @Nullable HeldAs held,
            List<HostVerdict> verdicts) {}

    /** What is decided on a font on a host, and why not, if not. */
    public record HostVerdict(String host, Verdict verdict, String reason) {}

    /**
     * What texts of a role are painted in.
     *
     * @param fonts digests of the files that paint it, that of most texts first
     * @param proposed the role as it could be added to the site; null if the site has it, or nothing of it is held
     */
    public record UsedRoleView(
            String role,
            String label,
            List<String> faces,
            List<String> fonts,
            int texts,
            @Schema(types = {"object", "null"}) @Nullable SiteRole proposed) {}

    /** Asks for a check; one that waits or runs already is given instead. */
    public CheckLine start(String siteId) {
        sites.get(siteId);
        if (plans.get(siteId).plan().addresses().isEmpty() && !readings.hasAny(siteId)) {
            throw Fault.conflict("Name a page to check first: the site has no domain that visitors see.");
        }
        return start(siteId, actor.name());
    }

    /** Asks for a check that knows what was just changed: one that is under way is stopped. */
    CheckLine startAnew(String siteId) {
        List<SiteCheckEntity> stopped = Objects.requireNonNull(transaction.execute(status -> {
            List<SiteCheckEntity> underWay = checks.findBySiteIdAndStateIn(siteId, UNDER_WAY);
            underWay.forEach(check -> check.stop(clock.instant()));
            return underWay;
        }));
        stopped.forEach(check -> runner.stop(check.id()));
        return start(siteId, actor.name());
    }

    private CheckLine start(String siteId, String by) {
        SiteCheckEntity check = transaction.execute(status -> {
            // One after another, so that of several who ask at once each is given the same check.
            changes.begin();
            return checks.findBySiteIdAndStateIn(siteId, UNDER_WAY).stream()
                    .findFirst()
                    .orElseGet(() -> checks.save(new SiteCheckEntity(Ids.next(), siteId, clock.instant(), by)));
        });
        jobs.soon(checkPages, check.id());
        return line(check);
    }

    void startIfWatched(String siteId) {
        if (plans.isWatched(siteId)) {
            start(siteId, Actor.PRODUCT);
        }
    }

    void startWatched() {
        plans.watched().forEach(siteId -> start(siteId, Actor.PRODUCT));
    }

    List<String> unfinished() {
        return Stream.concat(
                        checks.findByState(CheckState.WAITING).stream(),
                        checks.findByState(CheckState.READING).stream())
                .map(SiteCheckEntity::id)
                .toList();
    }

    @Transactional(readOnly = true)
    public Page<CheckLine> of(String siteId, @Nullable String cursor, int limit) {
        sites.get(siteId);
        Window<SiteCheckEntity> window = checks.findBySiteId(
                siteId,
                Cursor.read(cursor, Cursor.keys(LATEST_FIRST, Instant.EPOCH, "")),
                LATEST_FIRST,
                Cursor.limit(limit));
        return Page.of(window, CheckService::line);
    }

    /** Stops a check at once, whatever it waits for; what it has read so far stays readable. */
    public CheckLine stop(String id) {
        CheckLine stopped = Objects.requireNonNull(transaction.execute(status -> {
            SiteCheckEntity check = find(id);
            if (check.state().isOver()) {
                throw Fault.conflict("This check is over already.");
            }
            check.stop(clock.instant());
            return line(check);
        }));
        runner.stop(id);
        return stopped;
    }

    @Transactional(readOnly = true)
    public CheckedText page(String id, int position) {
        find(id);
        return pages.findByCheckIdAndPosition(id, position)
                .orElseThrow(() -> Fault.notFound("page of this check", String.valueOf(position)))
                .content();
    }

    @Transactional(readOnly = true)
    public CheckView get(String id) {
        SiteCheckEntity check = find(id);
        CheckReport report = check.report().orElse(CheckReport.NONE);
        Optional<SiteCheckEntity> before = checks.findFirstBySiteIdAndStateAndAskedAtBeforeOrderByAskedAtDescIdAsc(
                check.siteId(), CheckState.DONE, check.askedAt());
        List<FoundFontView> found = fonts(check.siteId(), report.fonts());
        Set<String> known =
                sites.get(check.siteId()).roles().stream().map(SiteRole::role).collect(Collectors.toSet());
        return new CheckView(
                line(check),
                report.pages(),
                found,
                report.thirdParties(),
                report.used().stream().map(role -> used(role, found, known)).toList(),
                report.pack(),
                report.tried(),
                before.map(SiteCheckEntity::askedAt).orElse(null),
                before.flatMap(SiteCheckEntity::report)
                        .filter(any -> check.state() == CheckState.DONE)
                        .map(earlier -> CheckDifference.between(earlier.told(), report.told()))
                        .orElse(new CheckDifference(List.of(), List.of(), List.of(), List.of())));
    }

    /** The text roles that the site asked for then, on the pages that were read. */
    @Transactional(readOnly = true)
    public List<RoleOnPages> roles(String id) {
        return find(id).report().orElse(CheckReport.NONE).roles();
    }

    /** Takes a font that was found into an intake, under the name it was found by. */
    public String takeIn(String id, String sha256) {
        FoundFont font = find(id).report().stream()
                .flatMap(report -> report.fonts().stream())
                .filter(found -> found.sha256().equals(sha256))
                .findFirst()
                .orElseThrow(() -> Fault.notFound("font of this check", sha256));
        return intakes.open(
                List.of(new Upload(
                        fileName(font),
                        file -> Files.copy(store.file(sha256), file, StandardCopyOption.REPLACE_EXISTING))),
                null);
    }

    private static String fileName(FoundFont font) {
        String name = Addresses.fileName(font.urls().get(0));
        boolean hasName =
                name.matches("[\\w. -]{1,100}") && FontFormat.promisedBy(name).isPresent();
        String extension =
                FontFormat.fromKey(font.format()).map(FontFormat::extension).orElse("woff2");
        return hasName ? name : font.name() + "." + extension;
    }

    private List<FoundFontView> fonts(String siteId, List<FoundFont> found) {
        Map<String, HeldAs> held = fonts.held(found);
        Snapshot snapshot = snapshots.load(Scope.of(Stream.concat(
                Stream.of(Owner.site(siteId)),
                held.values().stream().map(HeldAs::familyId).map(Owner::family))));
        Snapshot.Site site = snapshot.site(siteId).orElseThrow(() -> Fault.notFound("site", siteId));
        return found.stream()
                .map(font -> {
                    Optional<HeldAs> as = Optional.ofNullable(held.get(font.sha256()));
                    return new FoundFontView(
                            font.sha256(),
                            font.name(),
                            font.family(),
                            font.slot(),
                            font.format(),
                            font.bytes(),
                            font.urls(),
                            font.pages(),
                            font.texts(),
                            font.fromOthers(),
                            font.inPack(),
                            as.orElse(null),
                            StoredChecks.shown(font, as)
                                    .flatMap(shown -> shown.decision(snapshot, site).stream()
                                            .map(decision -> verdict(shown.host(), decision)))
                                    .toList());
                })
                .toList();
    }

    private static HostVerdict verdict(DomainName host, Decision decision) {
        return new HostVerdict(
                host.display(),
                decision.verdict(),
                decision.against().stream().findFirst().map(Reason::text).orElse(""));
    }

    private static UsedRoleView used(UsedRole used, List<FoundFontView> fonts, Set<String> known) {
        List<FoundFontView> painting = used.fonts().stream()
                .flatMap(sha256 -> fonts.stream().filter(font -> font.sha256().equals(sha256)))
                .toList();
        return new UsedRoleView(
                used.role(),
                TextRole.of(used.role()).label(),
                painting.stream().map(FoundFontView::name).distinct().toList(),
                used.fonts(),
                used.texts(),
                proposal(used, painting, known).orElse(null));
    }

    /** A role that the site does not have yet, in the held family that paints most of its texts, with its faces. */
    private static Optional<SiteRole> proposal(UsedRole used, List<FoundFontView> painting, Set<String> known) {
        boolean isHeading = used.role().startsWith(TextRole.HEADINGS.id());
        if (known.contains(used.role()) || (isHeading && known.contains(TextRole.HEADINGS.id()))) {
            return Optional.empty();
        }
        return painting.stream()
                .flatMap(font -> Stream.ofNullable(font.held()))
                .findFirst()
                .map(HeldAs::familyId)
                .map(family -> new SiteRole(
                        used.role(),
                        family,
                        Objects.requireNonNullElse(used.generic(), GenericFamily.SANS_SERIF),
                        painting.stream()
                                .filter(font -> font.held() != null
                                        && font.held().familyId().equals(family))
                                .map(FoundFontView::slot)
                                .toList()));
    }

    private static CheckLine line(SiteCheckEntity check) {
        return new CheckLine(
                check.id(),
                check.siteId(),
                check.state(),
                check.askedAt(),
                check.askedBy(),
                check.endedAt(),
                check.pagesRead(),
                check.pagesKnown(),
                check.page(),
                check.failure(),
                (int) check.report().stream()
                        .flatMap(report -> report.pages().stream())
                        .filter(page -> page.errors() > 0)
                        .count());
    }

    private SiteCheckEntity find(String id) {
        return checks.findById(id).orElseThrow(() -> Fault.notFound("check", id));
    }
}
