package app.unciala.core.flag;

import java.util.ArrayList;
import java.util.List;

/** The comparison of what is asked, held and allowed: a pure function from a snapshot to its flags. */
public final class Comparison {
    private Comparison() {}

    /** All flags, by group and then in the order of the snapshot; equal snapshots give equal lists. */
    public static List<Flag> compare(Snapshot snapshot) {
        List<Crossing> crossings = snapshot.sites().stream()
                .flatMap(site -> Crossing.of(snapshot, site).stream())
                .toList();
        List<Flag> flags = new ArrayList<>();
        UnlicensedFlags.addTo(flags, snapshot, crossings);
        MissingFlags.addTo(flags, snapshot, crossings);
        DuplicateFlags.addTo(flags, snapshot);
        return List.copyOf(flags);
    }
}
