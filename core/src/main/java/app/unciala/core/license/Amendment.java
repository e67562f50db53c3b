package app.unciala.core.license;

import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.FaceUse.Place;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/**
 * What has to be added to a license so that it allows a family on all domains of a site. It is no permission: the vendor
 * has to agree to it first.
 *
 * @param family whether the family has to be covered
 * @param domains the hosts that have to be named
 */
public record Amendment(boolean family, List<DomainName> domains) {
    public Amendment {
        domains = List.copyOf(domains);
    }

    /** Where a family is to be used, and for whom. */
    public record Wish(String familyId, Collection<Place> places, String clientId, LocalDate day) {}

    /**
     * What has to be added to a license for a wish; nothing when more than families and domains is in the way, such as an
     * end that is past, or a refusal of web use.
     */
    public static Optional<Amendment> of(License license, Wish wish) {
        boolean family = license.coverages(wish.familyId())
                .noneMatch(coverage -> coverage.faces().isEmpty());
        List<DomainName> domains = wish.places().stream()
                .filter(place -> license.where().verdict(place.host(), place.staging()) != Verdict.ALLOWED)
                .map(Place::host)
                .toList();
        Amendment amendment = new Amendment(family, domains);
        License amended = amendment.appliedTo(license);
        boolean allowed = wish.places().stream()
                .map(place -> LicenseQuestions.served(amended, place, wish.clientId(), wish.day()))
                .allMatch(decision -> decision.verdict() == Verdict.ALLOWED);
        return allowed && (family || !domains.isEmpty()) ? Optional.of(amendment) : Optional.empty();
    }

    private License appliedTo(License license) {
        PermittedDomains where = license.domains();
        List<DomainPattern> named = new ArrayList<>(where.named());
        domains.forEach(domain -> named.add(DomainPattern.parse(domain.ascii())));
        return LicenseBuilder.builder(license)
                .domains(
                        domains.isEmpty()
                                ? where
                                : new PermittedDomains(
                                        where.any(),
                                        named,
                                        where.places(),
                                        where.counting(),
                                        where.subdomains(),
                                        where.development(),
                                        where.developmentCounts()))
                .build();
    }
}
