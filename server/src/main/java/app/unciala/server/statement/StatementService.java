package app.unciala.server.statement;

import app.unciala.core.license.Verdict;
import app.unciala.server.flag.AskedRow;
import app.unciala.server.flag.AskedRow.DomainVerdict;
import app.unciala.server.flag.AskedRow.HeldView;
import app.unciala.server.flag.FlagService;
import app.unciala.server.flag.FlagService.Filter;
import app.unciala.server.flag.FlagService.FlagView;
import app.unciala.server.flag.FlagService.State;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.site.ClientService;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a client is shown, and could show to others, of the fonts on their sites. */
@Service
class StatementService {
    private static final int MOST_FLAGS = 500;

    private final ClientService clients;
    private final SiteService sites;
    private final LicenseService licenses;
    private final FlagService flags;
    private final Clock clock;

    StatementService(
            ClientService clients, SiteService sites, LicenseService licenses, FlagService flags, Clock clock) {
        this.clients = clients;
        this.sites = sites;
        this.licenses = licenses;
        this.flags = flags;
        this.clock = clock;
    }

    /** One face on one domain: the files held of it, and the license it is used under, with what proves it. */
    record Use(
            String site,
            String domain,
            String role,
            String family,
            String face,
            List<HeldView> files,
            Verdict verdict,
            String license,
            String proof,
            String ends,
            List<String> reasons) {}

    record Statement(String client, LocalDate day, List<Site> sites, List<Use> uses, List<FlagView> open) {}

    @Transactional(readOnly = true)
    Statement of(String clientId) {
        String client = clients.get(clientId).name();
        List<Site> own = sites.ofClient(clientId);
        Map<Site, List<AskedRow>> rows =
                own.stream().collect(Collectors.toMap(site -> site, site -> flags.comparison(site.id()), (a, b) -> a));
        Map<String, Recorded> used = licenses
                .withIds(rows.values().stream()
                        .flatMap(List::stream)
                        .flatMap(row -> row.domains().stream())
                        .map(DomainVerdict::licenseId)
                        .filter(id -> !id.isEmpty())
                        .distinct()
                        .toList())
                .stream()
                .collect(Collectors.toMap(Recorded::id, Function.identity()));
        List<Use> uses = own.stream()
                .flatMap(site -> rows.getOrDefault(site, List.of()).stream()
                        .flatMap(row -> row.domains().stream().map(domain -> use(site, row, domain, used))))
                .toList();
        List<FlagView> open = own.isEmpty()
                ? List.of()
                : flags.list(
                                new Filter(
                                        State.CURRENT,
                                        null,
                                        null,
                                        null,
                                        own.stream().map(Site::id).toList(),
                                        List.of(),
                                        List.of(),
                                        null),
                                false,
                                null,
                                MOST_FLAGS)
                        .items();
        return new Statement(client, LocalDate.now(clock), own, uses, open);
    }

    private static Use use(Site site, AskedRow row, DomainVerdict domain, Map<String, Recorded> licenses) {
        Recorded license = licenses.get(domain.licenseId());
        return new Use(
                site.name(),
                domain.domain(),
                row.roleName(),
                row.familyName(),
                row.slot().label(),
                row.held(),
                domain.verdict(),
                domain.licenseName(),
                license == null ? "" : proof(license),
                license == null || license.terms().ends() == null
                        ? ""
                        : license.terms().ends().toString(),
                domain.verdict() == Verdict.ALLOWED ? List.of() : domain.reasons());
    }

    private static String proof(Recorded license) {
        return license.agreement().stream()
                .findFirst()
                .map(latest -> latest.fileName() + " (SHA-256 " + latest.sha256() + ")")
                .orElse(license.terms().proof());
    }
}
