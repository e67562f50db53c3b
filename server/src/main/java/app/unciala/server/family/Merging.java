package app.unciala.server.family;

import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.Covered;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.site.SiteRole;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import app.unciala.server.site.SiteService.SiteDraft;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Merges two families that are one: the files of one go to the other, and the sites and licenses that named it name the
 * other. Packs stay as they were handed out.
 */
@Service
public class Merging implements Reverser {
    private static final String MERGED = "families merged";

    private final FamilyRepository families;
    private final FaceFileRepository files;
    private final FamilyService service;
    private final FamilyChanges familyChanges;
    private final SiteService sites;
    private final LicenseService licenses;
    private final HistoryService history;
    private final Changes changes;
    private final EntityManager entities;
    private final Clock clock;

    Merging(
            FamilyRepository families,
            FaceFileRepository files,
            FamilyService service,
            FamilyChanges familyChanges,
            SiteService sites,
            LicenseService licenses,
            HistoryService history,
            Changes changes,
            EntityManager entities,
            Clock clock) {
        this.families = families;
        this.files = files;
        this.service = service;
        this.familyChanges = familyChanges;
        this.sites = sites;
        this.licenses = licenses;
        this.history = history;
        this.changes = changes;
        this.entities = entities;
        this.clock = clock;
    }

    /**
     * The entry of the history by which it is taken back; it cannot be when a site or a license named both families, since
     * then nobody can tell any more which of them it meant.
     */
    public record Merged(String familyId, String historyId, boolean undoable) {}

    /** Merges a family into another, which keeps its name. */
    @Transactional
    public Merged merge(String familyId, long expectedVersion, String intoId) {
        changes.begin();
        FamilyEntity from = service.find(familyId, expectedVersion);
        FamilyEntity into = families.findById(intoId)
                .filter(other -> !intoId.equals(familyId))
                .orElseThrow(() -> Fault.invalid("into", "Choose another family to merge this one into."));
        List<FaceFileEntity> moving = files.findByFamilyId(familyId);
        List<HeldFile> before =
                moving.stream().map(file -> file.toSnapshot(true)).toList();
        List<String> undo = new ArrayList<>(List.of(familyId, intoId));
        moving.forEach(file -> {
            undo.add("file " + file.id());
            file.move(intoId, file.slot());
        });
        entities.flush();
        boolean undoable = true;
        for (Site site : sites.asking(Set.of(familyId))) {
            undoable &= !site.familyNames().containsKey(intoId);
            Site changed = repointed(site, familyId, intoId);
            undo.add("site " + site.id() + " " + changed.version());
        }
        for (Recorded license : licenses.covering(Set.of(familyId))) {
            undoable &= !license.familyNames().containsKey(intoId);
            Recorded changed = repointed(license, familyId, intoId);
            undo.add("license " + license.id() + " " + changed.version());
        }
        String name = from.name();
        from.delete(clock.instant());
        entities.lock(into, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
        entities.flush();
        familyChanges.touched(Set.of(familyId, intoId), before);
        Deed deed = Deed.of("family", intoId, into.name(), "Merged “" + name + "” into “" + into.name() + "”");
        String entry = history.record(undoable ? deed.undoneBy(new Reversal(MERGED, undo)) : deed);
        return new Merged(intoId, entry, undoable);
    }

    private Site repointed(Site site, String fromId, String toId) {
        List<SiteRole> roles = site.roles().stream()
                .map(role -> role.familyId().equals(fromId) ? role.ofFamily(toId) : role)
                .toList();
        Map<String, String> names = new LinkedHashMap<>(site.ownNames());
        Optional.ofNullable(names.remove(fromId)).ifPresent(name -> names.putIfAbsent(toId, name));
        return sites.update(
                site.id(),
                site.version(),
                new SiteDraft(site.clientId(), site.name(), site.domains(), site.staging(), roles, null, names));
    }

    private Recorded repointed(Recorded license, String fromId, String toId) {
        Map<String, Covered> covers = new LinkedHashMap<>();
        for (Covered covered : license.terms().covers()) {
            String id = covered.familyId().equals(fromId) ? toId : covered.familyId();
            covers.merge(id, new Covered(id, covered.faces()), Merging::both);
        }
        LicenseDraft draft = license.terms().covering(List.copyOf(covers.values()));
        return licenses.update(license.id(), license.version(), draft);
    }

    /** No face listed is the whole family, so one that covers all of it covers what the other lists. */
    private static Covered both(Covered one, Covered other) {
        if (one.faces().isEmpty() || other.faces().isEmpty()) {
            return new Covered(one.familyId(), List.of());
        }
        Set<SlotView> faces = new LinkedHashSet<>(one.faces());
        faces.addAll(other.faces());
        return new Covered(one.familyId(), List.copyOf(faces));
    }

    @Override
    public boolean reverses(String kind) {
        return kind.equals(MERGED);
    }

    @Override
    public void reverse(Reversal reversal) {
        String familyId = reversal.ids().get(0);
        String intoId = reversal.ids().get(1);
        service.restoreFamily(familyId);
        List<HeldFile> before = new ArrayList<>();
        for (String text : reversal.ids().subList(2, reversal.ids().size())) {
            String[] parts = text.split(" ");
            switch (parts[0]) {
                case "file" ->
                    files.findById(parts[1])
                            .filter(file -> file.familyId().equals(intoId))
                            .ifPresent(file -> {
                                before.add(file.toSnapshot(true));
                                file.move(familyId, file.slot());
                            });
                case "site" -> repointed(unchanged(sites.get(parts[1]), parts[2]), intoId, familyId);
                default -> repointed(unchanged(licenses.get(parts[1]), parts[2]), intoId, familyId);
            }
            entities.flush();
        }
        families.findById(intoId).ifPresent(into -> entities.lock(into, LockModeType.OPTIMISTIC_FORCE_INCREMENT));
        entities.flush();
        familyChanges.touched(Set.of(familyId, intoId), before);
    }

    private static Site unchanged(Site site, String version) {
        if (site.version() != Long.parseLong(version)) {
            throw changedSince(site.name());
        }
        return site;
    }

    private static Recorded unchanged(Recorded license, String version) {
        if (license.version() != Long.parseLong(version)) {
            throw changedSince(license.terms().name());
        }
        return license;
    }

    private static Fault changedSince(String name) {
        return Fault.conflict("“" + name + "” was changed since, so the merging can’t be undone.");
    }
}
