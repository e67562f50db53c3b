package app.unciala.core.page;

import app.unciala.core.domain.SameSite;
import java.util.Collection;
import java.util.List;
import java.util.Set;

/**
 * Which hosts are a site's own: that of the page, those of the same registrable domain, and those that are named.
 *
 * @param named hosts in lower case, such as the site's file store
 */
public record OwnHosts(Set<String> named) {
    /** None but that of the page and its registrable domain. */
    public static final OwnHosts OF_PAGE = new OwnHosts(Set.of());

    public OwnHosts {
        named = Set.copyOf(named);
    }

    /** Whether a host is a third party for pages of some hosts; an empty one, of a file or a data URL, is none. */
    public boolean isThirdParty(String host, Collection<String> pages) {
        return !host.isEmpty() && !named.contains(host) && pages.stream().noneMatch(page -> SameSite.of(host, page));
    }

    /** Whether an address is at a third-party host, seen from a page; never for files and data URLs. */
    boolean isThirdParty(String page, String url) {
        String own = Addresses.host(page);
        return !own.isEmpty() && isThirdParty(Addresses.host(url), List.of(own));
    }
}
