package app.unciala.core.check;

import app.unciala.core.page.AskedRole;
import app.unciala.core.page.OwnHosts;
import app.unciala.core.page.TriedSheet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Which pages of a site are read.
 *
 * @param addresses those named, which are always read
 * @param hosts whose pages may be found by links and sitemaps, in lower case
 * @param elsewhere addresses of pages that are known otherwise, and so are not read
 * @param follows whether pages are found at all
 * @param most how many pages are read, those named among them
 * @param own hosts of the site besides those of its pages, such as its file store
 * @param roles the text roles that are looked for on each page
 * @param tried a style sheet that is tried on each page as well
 */
public record SitePlan(
        List<String> addresses,
        Set<String> hosts,
        Set<String> elsewhere,
        boolean follows,
        int most,
        OwnHosts own,
        List<AskedRole> roles,
        Optional<TriedSheet> tried) {
    public SitePlan(List<String> addresses, Set<String> hosts, Set<String> elsewhere, boolean follows, int most) {
        this(addresses, hosts, elsewhere, follows, most, OwnHosts.OF_PAGE, List.of(), Optional.empty());
    }

    public SitePlan {
        roles = List.copyOf(roles);
        addresses = List.copyOf(addresses);
        hosts = Set.copyOf(hosts);
        elsewhere = Set.copyOf(elsewhere);
    }
}
