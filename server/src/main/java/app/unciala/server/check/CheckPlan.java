package app.unciala.server.check;

import app.unciala.core.domain.DomainName;
import app.unciala.core.page.Addresses;
import app.unciala.server.fault.Fault;
import app.unciala.server.site.SiteService.Site;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.net.URI;
import java.net.URISyntaxException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Which pages of a site are checked, and how they are reached.
 *
 * @param addresses pages that are always read
 * @param follows whether pages are found by sitemaps and links as well
 * @param mostPages how many pages are read, those named among them
 * @param watched whether they are checked daily, and when a pack was placed
 * @param connections hosts that are connected to at another address
 * @param signIns hosts that want a name and a password
 * @param ownHosts hosts that are the site's own besides its domains, such as its file store: they are no third parties
 */
public record CheckPlan(
        @Size(max = 100, message = "At most 100 pages are named.")
        List<
                        @NotNull(message = "An address is a text.")
                        @Size(max = 2000, message = "An address has at most 2,000 characters.") String>
                addresses,

        boolean follows,

        @Min(value = 1, message = "At least one page is read.")
        @Max(value = 200, message = "At most 200 pages are read.")
        int mostPages,

        boolean watched,

        @Size(max = 50, message = "At most 50 hosts are connected to elsewhere.")
        List<@NotNull(message = "A connection is an object.") @Valid Connection> connections,

        @Size(max = 50, message = "At most 50 hosts are signed in to.")
        List<@NotNull(message = "A sign-in is an object.") @Valid SignIn> signIns,

        @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Size(max = 50, message = "A site has at most 50 hosts besides its domains.")
        List<
                        @NotNull(message = "A host is a text.")
                        @Size(max = 300, message = "A host has at most 300 characters.") String>
                ownHosts) {
    /** A plan that says nothing. */
    static final CheckPlan NONE = new CheckPlan(List.of(), false, 1, false, List.of(), List.of(), List.of());

    private static final int USUAL_PAGES = 20;
    private static final Pattern ADDRESS =
            Pattern.compile("(?i)(?<scheme>https?)://(?<host>[^/?#:@\\s]+)(?<port>:\\d{1,5})?(?<rest>[/?#]\\S*|)");

    public CheckPlan {
        addresses = addresses == null ? List.of() : List.copyOf(addresses);
        connections = connections == null ? List.of() : List.copyOf(connections);
        signIns = signIns == null ? List.of() : List.copyOf(signIns);
        ownHosts = ownHosts == null ? List.of() : List.copyOf(ownHosts);
    }

    /** A host with its port that is connected to at another one, each such as {@code staging.client.example:443}. */
    public record Connection(
            @NotNull(message = "Say which host.") @Size(max = 300, message = "A host has at most 300 characters.")
            String host,

            @NotNull(message = "Say where to connect to.")
            @Size(max = 300, message = "A host has at most 300 characters.")
            String to) {}

    /**
     * The name and password that a host wants. The password is written and never read: in answers it is null.
     *
     * @param password null keeps the one that is known
     */
    public record SignIn(
            @NotNull(message = "Say which host.") @Size(max = 300, message = "A host has at most 300 characters.")
            String host,

            @NotNull(message = "Say who signs in.") @Size(max = 200, message = "A name has at most 200 characters.")
            String name,

            @Schema(types = {"string", "null"})
            @Size(max = 200, message = "A password has at most 200 characters.")
            @Nullable
            String password) {}

    /** The start page of the first domain that visitors see, and what it leads to. */
    static CheckPlan usual(Site site) {
        return new CheckPlan(
                site.domains().stream()
                        .filter(domain -> !site.staging().contains(domain))
                        .limit(1)
                        .map(domain -> "https://" + domain + "/")
                        .toList(),
                true,
                USUAL_PAGES,
                false,
                List.of(),
                List.of(),
                List.of());
    }

    /** As it is kept: in one form, with pages of the site's own hosts only, and passwords for no others. */
    CheckPlan checked(Site site) {
        return new CheckPlan(
                addresses.stream()
                        .map(address -> address(address, site))
                        .distinct()
                        .toList(),
                follows,
                mostPages,
                watched,
                connections.stream()
                        .map(one -> new Connection(
                                HostAndPort.parse("connections", one.host()).toString(),
                                HostAndPort.parse("connections", one.to()).toString()))
                        .toList(),
                signIns.stream()
                        .map(one -> new SignIn(ownHost(one.host(), site, "signIns"), one.name(), one.password()))
                        .toList(),
                ownHosts.stream().map(CheckPlan::host).distinct().toList());
    }

    /** What a host with its port is connected to; itself where nothing else is said. */
    String target(String host) {
        return connections.stream()
                .filter(connection -> connection.host().equals(host))
                .map(Connection::to)
                .findFirst()
                .orElse(host);
    }

    /**
     * Over which scheme a host with its port is sent a password: that of the port; at another port https, unless a page there
     * is named by http.
     */
    String scheme(String host) {
        boolean plain = host.endsWith(":80")
                || (!host.endsWith(":443")
                        && addresses.stream()
                                .anyMatch(address -> address.startsWith("http:")
                                        && HostAndPort.of(address).toString().equals(host)));
        return plain ? "http" : "https";
    }

    private static String address(String typed, Site site) {
        String text = typed.strip();
        Matcher parts = ADDRESS.matcher(text.contains("://") ? text : "https://" + text);
        if (!parts.matches()) {
            throw noAddress(text);
        }
        String rest = parts.group("rest").replaceAll("#.*$", "");
        String host = own(parts.group("host"), site, "addresses");
        String address = parts.group("scheme").toLowerCase(Locale.ROOT) + "://" + host
                + Objects.requireNonNullElse(parts.group("port"), "") + (rest.startsWith("/") ? rest : "/" + rest);
        try {
            return new URI(address).toASCIIString();
        } catch (URISyntaxException e) {
            throw noAddress(text);
        }
    }

    private static Fault noAddress(String text) {
        return Fault.invalid(
                "addresses", "“" + text + "” isn’t an address of a page, such as https://client.example/.");
    }

    private static String ownHost(String typed, Site site, String field) {
        HostAndPort host = HostAndPort.parse(field, typed);
        return own(host.host(), site, field) + ":" + host.port();
    }

    /** A host as it is typed, or the whole address of a file on it. */
    private static String host(String typed) {
        String text = typed.strip();
        return text.contains("://") ? ascii(Addresses.host(text), "ownHosts") : ascii(text, "ownHosts");
    }

    private static String ascii(String host, String field) {
        try {
            return DomainName.parse(host).ascii();
        } catch (IllegalArgumentException e) {
            throw Fault.invalid(field, e.getMessage() + ".");
        }
    }

    private static String own(String host, Site site, String field) {
        String ascii = ascii(host, field);
        if (!site.domains().contains(ascii)) {
            throw Fault.invalid(field, ascii + " is not among the site’s domains.");
        }
        return ascii;
    }

    CheckPlan withSignIns(List<SignIn> others) {
        return new CheckPlan(addresses, follows, mostPages, watched, connections, new ArrayList<>(others), ownHosts);
    }
}
