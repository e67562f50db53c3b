package app.unciala.demo.sites;

import app.unciala.demo.sites.StandIn.Served;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Collection;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;

/**
 * Serves the demonstration's hosts on loopback only: each by its own name in the Host header, as it is reached by a check,
 * and under {@code /its.domain/}, as people can look at it.
 */
public final class StandInSites implements AutoCloseable {
    private static final String A_DAY = "max-age=86400";

    private final HttpServer server;
    private final Map<String, StandIn> hosts = new ConcurrentHashMap<>();

    private StandInSites(HttpServer server) {
        this.server = server;
    }

    /** Starts on a port, or on any free one for 0. */
    public static StandInSites start(int port) throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        StandInSites sites = new StandInSites(server);
        server.createContext("/", sites::answer);
        server.setExecutor(Executors.newFixedThreadPool(2, work -> {
            Thread thread = new Thread(work, "stand-in-site");
            thread.setDaemon(true);
            return thread;
        }));
        server.start();
        return sites;
    }

    public int port() {
        return server.getAddress().getPort();
    }

    /** Where the hosts are connected to, such as {@code localhost:8601}. */
    public String at() {
        return "localhost:" + port();
    }

    /** Puts a host on air. */
    public void publish(StandIn host) {
        hosts.put(host.host(), host);
    }

    /** The hosts on air. */
    public Collection<StandIn> hosts() {
        return hosts.values();
    }

    @Override
    public void close() {
        server.stop(0);
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            String path = exchange.getRequestURI().getPath().substring(1);
            String named = exchange.getRequestHeaders().getFirst("Host");
            StandIn host = named == null ? null : hosts.get(named.replaceAll(":\\d+$", ""));
            if (host == null) {
                int end = path.indexOf('/');
                host = end < 0 ? null : hosts.get(path.substring(0, end));
                path = path.substring(end + 1);
            }
            Served file = host == null ? null : host.file(path);
            if (host != null && !isSignedIn(exchange, host)) {
                exchange.getResponseHeaders().set("WWW-Authenticate", "Basic realm=\"Preview\"");
                exchange.sendResponseHeaders(401, -1);
            } else if (file == null) {
                exchange.sendResponseHeaders(404, -1);
            } else {
                exchange.getResponseHeaders().set("Content-Type", file.mediaType());
                exchange.getResponseHeaders().set("Cache-Control", A_DAY);
                exchange.getResponseHeaders().set("Access-Control-Allow-Origin", "*");
                byte[] bytes = file.bytes();
                exchange.sendResponseHeaders(200, bytes.length);
                exchange.getResponseBody().write(bytes);
            }
        }
    }

    private static boolean isSignedIn(HttpExchange exchange, StandIn host) {
        String sent = exchange.getRequestHeaders().getFirst("Authorization");
        return host.signIn().isEmpty()
                || ("Basic "
                                + Base64.getEncoder()
                                        .encodeToString(host.signIn().get().getBytes(StandardCharsets.UTF_8)))
                        .equals(sent);
    }
}
