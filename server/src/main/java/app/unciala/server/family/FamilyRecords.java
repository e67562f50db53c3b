package app.unciala.server.family;

import app.unciala.server.family.FamilyService.Asked;
import app.unciala.server.family.FamilyService.CoveredBy;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.family.FamilyService.File;
import app.unciala.server.family.FamilyService.SiteName;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Families as they are told: with their files, the sites that ask for them and the licenses that cover them. */
@Component
class FamilyRecords {
    private final FaceFileRepository files;
    private final SiteService sites;
    private final LicenseService licenses;

    FamilyRecords(FaceFileRepository files, SiteService sites, LicenseService licenses) {
        this.files = files;
        this.sites = sites;
        this.licenses = licenses;
    }

    Family of(FamilyEntity family) {
        return of(List.of(family)).get(0);
    }

    /** With a fixed number of further queries, for their files, the sites that ask and the licenses that cover. */
    List<Family> of(List<FamilyEntity> found) {
        List<String> ids = found.stream().map(FamilyEntity::id).toList();
        Map<String, List<File>> held = files.findByFamilyIdIn(ids).stream()
                .sorted(FaceFileEntity.ORDER)
                .collect(Collectors.groupingBy(
                        FaceFileEntity::familyId, Collectors.mapping(FaceFileEntity::toRecord, Collectors.toList())));
        List<Site> asking = sites.asking(ids);
        List<Recorded> covering = licenses.covering(ids);
        return found.stream()
                .map(family -> new Family(
                        family.id(),
                        family.version(),
                        family.name(),
                        family.foundry(),
                        family.classification(),
                        held.getOrDefault(family.id(), List.of()),
                        asks(asking, family.id()),
                        asking.stream()
                                .filter(site -> site.familyNames().containsKey(family.id()))
                                .map(site -> new SiteName(site.id(), site.name()))
                                .toList(),
                        covering.stream()
                                .filter(license -> license.familyNames().containsKey(family.id()))
                                .map(license -> new CoveredBy(
                                        license.id(),
                                        license.terms().name(),
                                        license.terms().ends()))
                                .toList()))
                .toList();
    }

    private static List<Asked> asks(List<Site> asking, String familyId) {
        Map<SlotView, Set<String>> bySlot = new LinkedHashMap<>();
        for (Site site : asking) {
            site.roles().stream()
                    .filter(role -> role.familyId().equals(familyId))
                    .flatMap(role -> role.faces().stream())
                    .forEach(slot -> bySlot.computeIfAbsent(slot, s -> new LinkedHashSet<>())
                            .add(site.name()));
        }
        return bySlot.entrySet().stream()
                .map(entry -> new Asked(entry.getKey(), List.copyOf(entry.getValue())))
                .toList();
    }
}
