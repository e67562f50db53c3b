package app.unciala.server.flag;

import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.flag.Comparison;
import app.unciala.core.flag.Crossing;
import app.unciala.core.flag.Flag;
import app.unciala.core.flag.Flag.Severity;
import app.unciala.core.flag.FlagGroup;
import app.unciala.core.flag.FlagKind;
import app.unciala.core.flag.NextAction;
import app.unciala.core.flag.Snapshot;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.font.FontFormat;
import app.unciala.core.license.Decision;
import app.unciala.core.license.Verdict;
import app.unciala.server.family.FamilyService;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.http.Problem;
import app.unciala.server.http.SlotView;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes a snapshot of the records and hands it to the comparison. */
@Service
public class FlagService {
    private final FamilyService families;
    private final LicenseService licenses;
    private final SiteService sites;
    private final Clock clock;

    FlagService(FamilyService families, LicenseService licenses, SiteService sites, Clock clock) {
        this.families = families;
        this.licenses = licenses;
        this.sites = sites;
        this.clock = clock;
    }

    /** A flag as it is shown; ids that do not apply are empty. */
    public record FlagView(
            String id,
            FlagGroup group,
            FlagKind kind,
            Severity severity,
            String title,
            String reason,
            List<String> evidence,
            NextAction action,
            String siteId,
            String familyId,
            String licenseId,
            String slot,
            String domain,
            List<String> fileIds) {}

    /** One row of the table asked / held / allowed. */
    public record AskedRow(
            TextRole role,
            String familyId,
            String familyName,
            SlotView slot,
            List<HeldView> held,
            String withoutIt,
            Verdict verdict,
            List<DomainVerdict> domains) {}

    public record HeldView(String fileId, String fileName, String sha256, String format, boolean madeHere) {}

    /** The decision for one domain; {@code licenseId} is empty when no license covers the face. */
    public record DomainVerdict(
            String domain, Verdict verdict, String licenseId, String licenseName, List<String> reasons) {}

    @Transactional(readOnly = true)
    public List<FlagView> flags() {
        return Comparison.compare(snapshot()).stream().map(FlagService::view).toList();
    }

    /** The rows of a site, one for each face that each of its roles asks for. */
    @Transactional(readOnly = true)
    public List<AskedRow> comparison(String siteId) {
        return crossings(siteId).stream().map(this::row).toList();
    }

    @Transactional(readOnly = true)
    public List<Crossing> crossings(String siteId) {
        Snapshot snapshot = snapshot();
        return snapshot.sites().stream()
                .filter(site -> site.id().equals(siteId))
                .findFirst()
                .map(site -> Crossing.of(snapshot, site))
                .orElseThrow(() -> Problem.notFound("site", siteId));
    }

    private Snapshot snapshot() {
        return new Snapshot(
                LocalDate.now(clock),
                families.all().stream().map(FlagService::family).toList(),
                licenses.all().stream().map(Recorded::toLicense).toList(),
                sites.all().stream().map(FlagService::site).toList());
    }

    private static Snapshot.Family family(Family family) {
        return new Snapshot.Family(
                family.id(),
                family.name(),
                family.files().stream().map(FlagService::file).toList());
    }

    private static HeldFile file(File file) {
        return new HeldFile(
                file.id(),
                file.fileName().replaceAll("^.*/", ""),
                file.sha256(),
                FontFormat.fromKey(file.format()).orElseThrow(),
                file.slot().toSlot(),
                file.drawing(),
                file.embedding(),
                file.madeHere());
    }

    private static Snapshot.Site site(Site site) {
        List<Ask> asks = site.roles().stream()
                .flatMap(
                        role -> role.faces().stream().map(face -> new Ask(role.role(), role.familyId(), face.toSlot())))
                .toList();
        List<DomainName> domains = site.domains().stream().map(DomainName::new).toList();
        return new Snapshot.Site(site.id(), site.name(), domains, asks);
    }

    private static FlagView view(Flag flag) {
        Flag.Subject subject = flag.subject();
        return new FlagView(
                flag.id(),
                flag.kind().group(),
                flag.kind(),
                flag.kind().severity(),
                flag.title(),
                flag.reason(),
                flag.evidence(),
                flag.kind().action(),
                subject.siteId().orElse(""),
                subject.familyId().orElse(""),
                subject.licenseId().orElse(""),
                subject.slot().orElse(""),
                subject.domain().orElse(""),
                subject.fileIds());
    }

    private AskedRow row(Crossing crossing) {
        List<DomainVerdict> domains = crossing.decisions().entrySet().stream()
                .map(entry -> domain(entry.getKey(), entry.getValue()))
                .toList();
        Verdict worst = domains.stream().map(DomainVerdict::verdict).reduce(Verdict.ALLOWED, Verdict::and);
        return new AskedRow(
                crossing.ask().role(),
                crossing.ask().familyId(),
                crossing.familyName(),
                SlotView.of(crossing.ask().slot()),
                crossing.held().stream()
                        .map(file -> new HeldView(
                                file.id(),
                                file.name(),
                                file.sha256(),
                                file.format().key(),
                                file.madeHere()))
                        .toList(),
                crossing.isHeld() ? "" : crossing.withoutIt(),
                worst,
                domains);
    }

    private DomainVerdict domain(DomainName domain, Decision decision) {
        Optional<String> id = decision.licenseId();
        List<Decision.Reason> shown = decision.against().isEmpty() ? decision.reasons() : decision.against();
        return new DomainVerdict(
                domain.display(),
                decision.verdict(),
                id.orElse(""),
                id.map(licenseId -> licenses.get(licenseId).terms().name()).orElse(""),
                shown.stream().map(Decision.Reason::text).toList());
    }
}
