package app.unciala.server.flag;

import app.unciala.core.flag.Crossing;
import app.unciala.core.flag.Snapshot;
import app.unciala.core.flag.Snapshot.Ask;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Asked, held and allowed of a site as it is at this moment, of the faces it asks for or of any others. */
@Service
public class SiteCrossings {
    private final SnapshotLoader loader;

    SiteCrossings(SnapshotLoader loader) {
        this.loader = loader;
    }

    /** The rows of a site, one for each face that each of its roles asks for. */
    @Transactional(readOnly = true)
    public List<AskedRow> of(Snapshot.Site site) {
        return of(site, site.asks());
    }

    /** The same as if the site asked for these faces. */
    @Transactional(readOnly = true)
    public List<AskedRow> of(Snapshot.Site site, List<Ask> faces) {
        Set<String> families = faces.stream().map(Ask::familyId).collect(Collectors.toCollection(HashSet::new));
        Snapshot snapshot = loader.loadCrossing(families, Set.of(site.id()));
        return snapshot.site(site.id()).stream()
                .flatMap(found -> Crossing.of(snapshot, found.asking(faces)).stream())
                .map(crossing -> AskedRow.of(snapshot, crossing))
                .toList();
    }
}
