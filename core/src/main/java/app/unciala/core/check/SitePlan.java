package app.unciala.core.check;

import java.util.List;
import java.util.Set;

/**
 * Which pages of a site are read.
 *
 * @param addresses those named, which are always read
 * @param hosts whose pages may be found by links and sitemaps, in lower case
 * @param elsewhere addresses of pages that are known otherwise, and so are not read
 * @param follows whether pages are found at all
 * @param most how many pages are read, those named among them
 */
public record SitePlan(List<String> addresses, Set<String> hosts, Set<String> elsewhere, boolean follows, int most) {
    public SitePlan {
        addresses = List.copyOf(addresses);
        hosts = Set.copyOf(hosts);
        elsewhere = Set.copyOf(elsewhere);
    }
}
