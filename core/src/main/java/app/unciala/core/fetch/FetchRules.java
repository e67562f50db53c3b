package app.unciala.core.fetch;

import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.time.Duration;
import java.util.Locale;
import java.util.Map;

/**
 * What may be fetched.
 *
 * @param connectTo for a host and port, such as {@code staging.client.example:443}, the address to connect to instead
 * @param allowsPrivate whether addresses of private networks and of this machine may be connected to
 * @param longest how long one answer may take from the first to the last byte
 */
public record FetchRules(Map<String, InetSocketAddress> connectTo, boolean allowsPrivate, Duration longest) {
    public static final Duration USUAL = Duration.ofSeconds(20);

    public FetchRules {
        connectTo = Map.copyOf(connectTo);
    }

    /** The public Internet, and nothing else. */
    public static FetchRules publicOnly() {
        return new FetchRules(Map.of(), false, USUAL);
    }

    boolean allows(InetAddress address) {
        return allowsPrivate || PublicAddress.isOne(address);
    }

    static String key(String host, int port) {
        return host.toLowerCase(Locale.ROOT) + ":" + port;
    }
}
