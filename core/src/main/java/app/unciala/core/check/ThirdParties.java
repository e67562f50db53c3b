package app.unciala.core.check;

import app.unciala.core.domain.SameSite;
import app.unciala.core.page.PageRequest;
import app.unciala.core.page.Resources.Use;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Hosts of others that a site's pages fetch style sheets or fonts from, and so send the addresses of visitors to. */
public final class ThirdParties {
    private ThirdParties() {}

    /**
     * One such host.
     *
     * @param styleSheets their addresses
     * @param fonts their addresses
     */
    public record ThirdParty(String host, List<String> styleSheets, List<String> fonts) {}

    /** Those of requests that go to no host of the site, nor to one of the same registrable domain; by host. */
    public static List<ThirdParty> of(Collection<PageRequest> requests, Collection<String> ownHosts) {
        Map<String, List<PageRequest>> byHost = new TreeMap<>();
        for (PageRequest request : requests) {
            String host = request.host();
            if (isOne(host, ownHosts)) {
                byHost.computeIfAbsent(host, any -> new ArrayList<>()).add(request);
            }
        }
        return byHost.entrySet().stream()
                .map(entry -> new ThirdParty(
                        entry.getKey(),
                        addresses(entry.getValue(), Use.STYLE_SHEET),
                        addresses(entry.getValue(), Use.FONT)))
                .toList();
    }

    /** Whether a host is none of a site's, nor of the same registrable domain as one. */
    public static boolean isOne(String host, Collection<String> ownHosts) {
        return !host.isEmpty() && ownHosts.stream().noneMatch(own -> SameSite.of(host, own));
    }

    private static List<String> addresses(List<PageRequest> requests, Use use) {
        return requests.stream()
                .filter(request -> request.use() == use)
                .map(PageRequest::url)
                .distinct()
                .sorted()
                .toList();
    }
}
