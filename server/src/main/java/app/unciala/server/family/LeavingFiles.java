package app.unciala.server.family;

import app.unciala.core.sentence.Sentences;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Links;
import app.unciala.server.inventory.Texts;
import app.unciala.server.site.SiteService;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.util.Collection;
import java.util.List;
import org.springframework.stereotype.Component;

/** What holds wherever files leave the inventory: faces that sites ask for stay held, and so do families that are named. */
@Component
class LeavingFiles {
    private final SiteService sites;
    private final Links links;
    private final EntityManager entities;
    private final Clock clock;

    LeavingFiles(SiteService sites, Links links, EntityManager entities, Clock clock) {
        this.sites = sites;
        this.links = links;
        this.entities = entities;
        this.clock = clock;
    }

    /** Refuses to let the last file go for a face that a site asks for; {@code held} is all that is held of its family. */
    void mustServeSites(FaceFileEntity file, Collection<FaceFileEntity> held, Collection<FaceFileEntity> leaving) {
        boolean last = held.stream()
                .noneMatch(other -> !leaving.contains(other) && other.slot().equals(file.slot()));
        List<String> asking = last ? sites.askingFor(file.familyId(), file.slot()) : List.of();
        if (!asking.isEmpty()) {
            throw Fault.conflict(Texts.baseName(file.fileName()) + " is the only file for a face that "
                    + Sentences.listed(asking) + (asking.size() == 1 ? " asks" : " ask")
                    + " for. Change the site first.");
        }
    }

    /** A family left empty goes, unless a site, a license or a pack names it; any other has changed. */
    void from(FamilyEntity family, boolean leftEmpty) {
        if (leftEmpty && !links.isNamed(family.id())) {
            family.delete(clock.instant());
        } else {
            entities.lock(family, LockModeType.OPTIMISTIC_FORCE_INCREMENT);
        }
    }
}
