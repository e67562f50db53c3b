package app.unciala.server.flag;

import app.unciala.core.flag.LatestCheck;
import app.unciala.core.flag.Owner.Type;
import app.unciala.core.flag.Scope;
import app.unciala.core.flag.Snapshot;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.flag.Snapshot.LatestPack;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.License;
import app.unciala.core.page.OwnHosts;
import app.unciala.server.family.HeldFamilies;
import app.unciala.server.inventory.Links;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Loads what the comparison of a scope looks at, by key and in a fixed number of queries. */
@Component
public class SnapshotLoader {
    private final HeldFamilies families;
    private final LicenseService licenses;
    private final SiteService sites;
    private final LatestPacks packs;
    private final LatestChecks checks;
    private final OwnHostsOfSites ownHosts;
    private final Links links;
    private final Clock clock;

    SnapshotLoader(
            HeldFamilies families,
            LicenseService licenses,
            SiteService sites,
            LatestPacks packs,
            LatestChecks checks,
            OwnHostsOfSites ownHosts,
            Links links,
            Clock clock) {
        this.families = families;
        this.licenses = licenses;
        this.sites = sites;
        this.packs = packs;
        this.checks = checks;
        this.ownHosts = ownHosts;
        this.links = links;
        this.clock = clock;
    }

    /** What the comparison of a scope looks at. */
    public Snapshot load(Scope scope) {
        Set<String> siteIds = new HashSet<>(scope.ids(Type.SITE));
        siteIds.addAll(links.sitesAsking(scope.ids(Type.FAMILY)));
        List<Snapshot.Site> foundSites = withPacksAndChecks(withOwnHosts(sites.withIds(siteIds)), scope.ids(Type.SITE));
        Set<String> judged = new HashSet<>(scope.ids(Type.FAMILY));
        foundSites.stream()
                .filter(site -> scope.ids(Type.SITE).contains(site.id()))
                .flatMap(site -> Stream.concat(site.asks().stream().map(Ask::familyId), shown(site)))
                .forEach(judged::add);
        Set<String> licenseIds = new HashSet<>(scope.ids(Type.LICENSE));
        licenseIds.addAll(links.licensesCovering(judged));
        List<License> foundLicenses = licenses.decidable(licenseIds);
        Set<String> held = new HashSet<>(judged);
        foundLicenses.stream()
                .filter(license -> scope.ids(Type.LICENSE).contains(license.id()))
                .flatMap(license -> license.covers().stream())
                .map(Coverage::familyId)
                .forEach(held::add);
        held.addAll(families.holding(scope.ids(Type.BYTES), scope.ids(Type.DRAWING)));
        return new Snapshot(LocalDate.now(clock), families.snapshots(held), foundLicenses, foundSites);
    }

    /**
     * What crossing these families with these sites looks at, and no more: of each site only what it asks of these
     * families, and no other site that asks for them.
     */
    public Snapshot loadCrossing(Set<String> familyIds, Set<String> siteIds) {
        return new Snapshot(
                LocalDate.now(clock),
                families.snapshots(familyIds),
                licenses.decidable(links.licensesCovering(familyIds)),
                withOwnHosts(sites.withIds(siteIds)).stream()
                        .map(site -> site.asking(familyIds))
                        .toList());
    }

    Snapshot loadAll() {
        List<Snapshot.Site> all = withOwnHosts(sites.all());
        return new Snapshot(
                LocalDate.now(clock),
                families.snapshots(),
                licenses.all().stream().map(Recorded::toLicense).toList(),
                withPacksAndChecks(all, all.stream().map(Snapshot.Site::id).collect(Collectors.toSet())));
    }

    /** The families of the fonts that a site's pages show. */
    private static Stream<String> shown(Snapshot.Site site) {
        return site.check().stream().flatMap(check -> check.shown().stream()).flatMap(font -> font.familyId().stream());
    }

    private List<Snapshot.Site> withOwnHosts(List<Site> found) {
        Map<String, OwnHosts> own = ownHosts.of(found.stream().map(Site::id).collect(Collectors.toSet()));
        return found.stream()
                .map(Site::toSnapshot)
                .map(site ->
                        Optional.ofNullable(own.get(site.id())).map(site::with).orElse(site))
                .toList();
    }

    /** Those sites that are compared themselves have their latest pack and check with them. */
    private List<Snapshot.Site> withPacksAndChecks(List<Snapshot.Site> found, Set<String> compared) {
        Map<String, LatestPack> latestPacks = packs.of(compared);
        Map<String, LatestCheck> latestChecks = checks.of(compared);
        return found.stream()
                .map(site -> Optional.ofNullable(latestPacks.get(site.id()))
                        .map(site::with)
                        .orElse(site))
                .map(site -> Optional.ofNullable(latestChecks.get(site.id()))
                        .map(site::with)
                        .orElse(site))
                .toList();
    }
}
