package app.unciala.server.flag;

import app.unciala.core.flag.LatestCheck;
import java.util.Map;
import java.util.Set;

/** Where the comparison finds the checks of sites' pages. */
public interface LatestChecks {
    /** The latest check of each of the sites whose pages were checked, by site. */
    Map<String, LatestCheck> of(Set<String> siteIds);
}
