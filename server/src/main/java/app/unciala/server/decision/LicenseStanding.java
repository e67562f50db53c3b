package app.unciala.server.decision;

import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.Decision;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.License;
import app.unciala.core.license.LicenseQuestions;
import app.unciala.core.license.PermittedDomains;
import app.unciala.core.license.Verdict;
import app.unciala.server.license.LicenseService;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What stands on a license: the hosts of the sites that ask for what it covers, each with what it says of them. */
@Service
public class LicenseStanding {
    private final LicenseService licenses;
    private final SiteService sites;
    private final Clock clock;

    LicenseStanding(LicenseService licenses, SiteService sites, Clock clock) {
        this.licenses = licenses;
        this.sites = sites;
        this.clock = clock;
    }

    /** A host of a site; {@code against} is what the license says against it. */
    public record Host(
            String siteId,
            String siteName,
            String clientName,
            String host,
            boolean staging,
            Verdict verdict,
            List<String> against) {}

    /** A domain that the license names, with the hosts that it permits; {@code over} when it has no place for it. */
    public record Named(String domain, boolean over, List<Host> hosts) {}

    /** The named domains, the hosts that none of them permits, and how many more domains may be named. */
    public record Standing(
            List<Named> named,
            List<Host> others,
            @Schema(types = {"integer", "null"}) @Nullable Integer freePlaces) {}

    @Transactional(readOnly = true)
    public Standing of(String id) {
        License license = licenses.get(id).toLicense();
        PermittedDomains where = license.where();
        List<Site> asking = sites.withIds(licenses.sitesOn(id));
        List<DomainPattern> over = where.over();
        return new Standing(
                where.named().stream()
                        .map(pattern -> new Named(
                                pattern.toString(),
                                over.contains(pattern),
                                hosts(license, asking, place -> pattern.matches(place.host()))))
                        .toList(),
                hosts(license, asking, place -> where.named().stream()
                        .noneMatch(pattern -> pattern.matches(place.host()))),
                where.free().isPresent() ? where.free().getAsInt() : null);
    }

    private List<Host> hosts(License license, List<Site> asking, Predicate<Place> which) {
        return asking.stream()
                .flatMap(site -> site.places().stream().filter(which).map(place -> host(license, site, place)))
                .toList();
    }

    private Host host(License license, Site site, Place place) {
        Decision decision = LicenseQuestions.served(license, place, site.clientId(), LocalDate.now(clock));
        return new Host(
                site.id(),
                site.name(),
                site.clientName(),
                place.host().display(),
                place.staging(),
                decision.verdict(),
                decision.against().stream().map(Decision.Reason::text).toList());
    }
}
