package app.unciala.core.check;

import app.unciala.core.page.PageContact;
import app.unciala.core.page.PageRequest;
import app.unciala.core.page.Resources.Use;
import java.util.Collection;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** Third-party hosts that a site's pages get in touch with for type, and so send the addresses of visitors to. */
public final class ThirdParties {
    private ThirdParties() {}

    /**
     * One such host.
     *
     * @param styleSheets their addresses
     * @param fonts their addresses
     * @param connections addresses of links that only open a connection or look up the name
     * @param scripts addresses that scripts name, from which they may load fonts
     * @param texts how many texts are shown in its fonts
     */
    public record ThirdParty(
            String host,
            List<String> styleSheets,
            List<String> fonts,
            List<String> connections,
            List<String> scripts,
            int texts) {
        public ThirdParty {
            // Checks that were kept before links and scripts were looked at have none.
            connections = connections == null ? List.of() : connections;
            scripts = scripts == null ? List.of() : scripts;
        }

        public ThirdParty showing(int shown) {
            return new ThirdParty(host, styleSheets, fonts, connections, scripts, shown);
        }
    }

    /**
     * Those that requests and links go to; by host. How many texts their fonts show is for others to count.
     *
     * @param isOne whether a host is a third party
     */
    public static List<ThirdParty> of(
            Collection<PageRequest> requests, Collection<PageContact> contacts, Predicate<String> isOne) {
        return Stream.concat(
                        requests.stream().map(PageRequest::host),
                        contacts.stream().map(PageContact::host))
                .filter(isOne)
                .distinct()
                .sorted()
                .map(host -> new ThirdParty(
                        host,
                        addresses(requests, host, Use.STYLE_SHEET),
                        addresses(requests, host, Use.FONT),
                        addresses(contacts, host, kind -> kind != PageContact.Kind.SCRIPT),
                        addresses(contacts, host, kind -> kind == PageContact.Kind.SCRIPT),
                        0))
                .toList();
    }

    private static List<String> addresses(Collection<PageRequest> requests, String host, Use use) {
        return requests.stream()
                .filter(request -> request.use() == use && request.host().equals(host))
                .map(PageRequest::url)
                .distinct()
                .sorted()
                .toList();
    }

    private static List<String> addresses(
            Collection<PageContact> contacts, String host, Predicate<PageContact.Kind> kind) {
        return contacts.stream()
                .filter(contact -> kind.test(contact.kind()) && contact.host().equals(host))
                .map(PageContact::url)
                .distinct()
                .sorted()
                .toList();
    }
}
