package app.unciala.core.fetch;

import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Base64;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * What may be fetched. Hosts are named with their port, such as {@code staging.client.example:443}.
 *
 * @param connectTo for a host, the address to connect to instead
 * @param privateHosts hosts that may be connected to although they are in private networks or on this machine
 * @param allowsPrivate whether all hosts may
 * @param signIns for a scheme and a host, the value of the Authorization header it is sent
 * @param longest how long an address may take with its redirects, from connecting to the last byte
 */
public record FetchRules(
        Map<String, InetSocketAddress> connectTo,
        Set<String> privateHosts,
        boolean allowsPrivate,
        Map<String, String> signIns,
        Duration longest) {
    public static final Duration USUAL = Duration.ofSeconds(20);

    public FetchRules {
        connectTo = Map.copyOf(connectTo);
        privateHosts = Set.copyOf(privateHosts);
        signIns = Map.copyOf(signIns);
    }

    public FetchRules(Map<String, InetSocketAddress> connectTo, boolean allowsPrivate, Duration longest) {
        this(connectTo, Set.of(), allowsPrivate, Map.of(), longest);
    }

    /** The public Internet, and nothing else. */
    public static FetchRules publicOnly() {
        return new FetchRules(Map.of(), false, USUAL);
    }

    /** With a host that is connected to at another address. */
    public FetchRules connecting(String host, int port, InetSocketAddress address) {
        Map<String, InetSocketAddress> addresses = new TreeMap<>(connectTo);
        addresses.put(key(host, port), address);
        return new FetchRules(addresses, privateHosts, allowsPrivate, signIns, longest);
    }

    /** With a host that may be connected to although it is private, by its name or as what another is connected to. */
    public FetchRules allowingPrivate(String host, int port) {
        Set<String> hosts = new TreeSet<>(privateHosts);
        hosts.add(key(host, port));
        return new FetchRules(connectTo, hosts, allowsPrivate, signIns, longest);
    }

    /** With a name and a password that a host is sent (RFC 7617) over one scheme, {@code http} or {@code https}, only. */
    public FetchRules signingIn(String scheme, String host, int port, String name, String password) {
        Map<String, String> headers = new TreeMap<>(signIns);
        headers.put(
                scheme + " " + key(host, port),
                "Basic "
                        + Base64.getEncoder().encodeToString((name + ":" + password).getBytes(StandardCharsets.UTF_8)));
        return new FetchRules(connectTo, privateHosts, allowsPrivate, headers, longest);
    }

    /** Whether a host, as it is connected to, may have this address. */
    boolean allows(String host, int port, InetAddress address) {
        return privateHosts.contains(key(host, port)) || allows(address);
    }

    boolean allows(InetAddress address) {
        return allowsPrivate || PublicAddress.isOne(address);
    }

    Optional<String> signIn(String scheme, String host, int port) {
        return Optional.ofNullable(signIns.get(scheme + " " + key(host, port)));
    }

    static String key(String host, int port) {
        return host.toLowerCase(Locale.ROOT) + ":" + port;
    }
}
