package app.unciala.server.flag;

import app.unciala.core.page.OwnHosts;
import java.util.Map;
import java.util.Set;

/** Where the comparison finds the hosts that are sites' own besides those of their domains. */
public interface OwnHostsOfSites {
    /** Those of each of the sites that has any, by site. */
    Map<String, OwnHosts> of(Set<String> siteIds);
}
