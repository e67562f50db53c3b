package app.unciala.server.pack;

import app.unciala.core.flag.Snapshot.LatestPack;
import app.unciala.server.flag.LatestPacks;
import app.unciala.server.inventory.Parts;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/** The packs of sites as the comparison looks at them. */
@Component
class StoredPacks implements LatestPacks {
    private final PackRepository packs;
    private final Clock clock;

    StoredPacks(PackRepository packs, Clock clock) {
        this.packs = packs;
        this.clock = clock;
    }

    @Override
    public Map<String, LatestPack> of(Set<String> siteIds) {
        Map<String, LatestPack> latest = new TreeMap<>();
        Parts.of(siteIds, ids -> packs.latestOf(ids)
                .forEach(pack -> pack.basis().ifPresent(basis -> latest.put(pack.siteId(), latest(pack, basis)))));
        return latest;
    }

    private LatestPack latest(PackEntity pack, Basis basis) {
        return new LatestPack(
                LocalDate.ofInstant(pack.madeAt(), clock.getZone()),
                Optional.ofNullable(pack.placedOn()),
                Optional.ofNullable(pack.anyway()),
                Optional.ofNullable(pack.fontBytes()),
                basis.compared());
    }
}
