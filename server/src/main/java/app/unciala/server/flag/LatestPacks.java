package app.unciala.server.flag;

import app.unciala.core.flag.Snapshot.LatestPack;
import java.util.Map;
import java.util.Set;

/** Where the comparison finds the packs of sites. */
public interface LatestPacks {
    /** The latest pack of each of the sites that has one of which it is known what it was made from, by site. */
    Map<String, LatestPack> of(Set<String> siteIds);
}
