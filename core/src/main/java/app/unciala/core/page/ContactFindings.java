package app.unciala.core.page;

import app.unciala.core.page.PageFinding.Kind;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Third-party hosts that learn of a visit: by what is fetched from them, or by a connection or a script. */
final class ContactFindings {
    private ContactFindings() {}

    static Stream<PageFinding> find(String page, List<PageContact> contacts, OwnHosts own) {
        return contacts.stream()
                .filter(contact -> own.isThirdParty(page, contact.url()))
                .map(contact -> PageFinding.of(Kind.THIRD_PARTY, told(contact), Optional.empty()));
    }

    private static String told(PageContact contact) {
        return switch (contact.kind()) {
            case PRECONNECT ->
                "A preconnect link opens a connection to " + contact.host()
                        + ", which is sent the address of every visitor.";
            case DNS_PREFETCH ->
                "A dns-prefetch link looks up " + contact.host() + " for every visitor, which the resolver learns.";
            case SCRIPT ->
                "A script names " + contact.url() + ", from which it may load fonts; " + contact.host()
                        + " is then sent the address of every visitor.";
        };
    }

    /** What is fetched from a third-party host. */
    static Optional<PageFinding> fetched(String page, String url, String what, OwnHosts own) {
        return own.isThirdParty(page, url)
                ? Optional.of(PageFinding.of(
                        Kind.THIRD_PARTY,
                        "A " + what + " comes from " + Addresses.host(url)
                                + ", which is sent the address of every visitor.",
                        Optional.empty()))
                : Optional.empty();
    }
}
