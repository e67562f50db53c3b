package app.unciala.core.flag;

import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.FaceUse;
import app.unciala.core.license.License;
import app.unciala.core.license.LicenseQuestions;
import app.unciala.core.license.Verdict;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Families against sites: whether each family may be served on all domains of each site, whether the site asks for it or
 * not. Where the site asks, the faces and files it asks for decide; where it does not, the family as the best license
 * has it.
 */
public final class CoverageTable {
    private final Snapshot snapshot;
    private final FaceUse serving;
    private final Map<String, Map<String, Verdict>> asked = new HashMap<>();
    private final Map<String, Map<String, Verdict>> allowed = new HashMap<>();
    private final Map<String, Verdict> anywhere = new HashMap<>();

    /** Decides on the day of the snapshot; what it worked out for one family serves the next ones. */
    public CoverageTable(Snapshot snapshot) {
        this.snapshot = snapshot;
        serving = FaceUse.servingAnyFace(Optional.empty(), Optional.empty(), snapshot.today());
    }

    /**
     * A family on a site.
     *
     * @param asked whether a text role of the site is set in it
     * @param licenseId the license that speaks most in favor, if any covers the family or some of its faces
     * @param partly whether that license covers some faces only
     */
    public record Cell(String siteId, Verdict verdict, boolean asked, Optional<String> licenseId, boolean partly) {}

    /** The cells of a family, in the order of the sites. */
    public List<Cell> row(String familyId, Collection<Site> sites) {
        List<License> licenses = snapshot.licensesCovering(familyId);
        return sites.stream().map(site -> cell(familyId, licenses, site)).toList();
    }

    private Cell cell(String familyId, List<License> licenses, Site site) {
        License best = null;
        Verdict verdict = Verdict.REFUSED;
        for (License license : licenses) {
            Verdict says = verdict(license, site);
            if (best == null || says.compareTo(verdict) < 0) {
                best = license;
                verdict = says;
            }
        }
        Verdict asks = asked.computeIfAbsent(site.id(), id -> asked(site)).get(familyId);
        return new Cell(
                site.id(),
                asks == null ? verdict : asks,
                asks != null,
                Optional.ofNullable(best).map(License::id),
                best != null && best.coversPartly(familyId));
    }

    /** The worst decision over all faces of a family that a site asks for, by family. */
    private Map<String, Verdict> asked(Site site) {
        Map<String, Verdict> verdicts = new LinkedHashMap<>();
        for (Crossing crossing : Crossing.of(snapshot, site)) {
            verdicts.merge(crossing.ask().familyId(), crossing.verdict(), Verdict::and);
        }
        return verdicts;
    }

    private Verdict verdict(License license, Site site) {
        Verdict elsewhere = anywhere.computeIfAbsent(license.id(), id -> LicenseQuestions.anywhere(license, serving));
        if (elsewhere == Verdict.REFUSED
                || (license.where().any() && license.holder().isEmpty())) {
            return elsewhere;
        }
        return elsewhere.and(allowed.computeIfAbsent(license.id(), id -> new HashMap<>())
                .computeIfAbsent(site.id(), id -> onAllDomains(license, site)));
    }

    private static Verdict onAllDomains(License license, Site site) {
        return site.places().stream()
                .map(place -> LicenseQuestions.there(license, place, site.clientId()))
                .reduce(Verdict::and)
                .orElse(license.where().any() ? Verdict.ALLOWED : Verdict.NOT_STATED);
    }
}
