package app.unciala.demo.sites;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Executors;

/**
 * Serves the demonstration's client sites, each under {@code /its.domain/}, on loopback only. A site is its pages and
 * whatever pack it was handed.
 */
public final class StandInSites implements AutoCloseable {
    private final HttpServer server;
    private final Map<String, byte[]> files = new TreeMap<>();

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

    /** Puts a site on air: its name, and the files of its pack by path, which may be none. */
    public void publish(String domain, String name, String text, Map<String, byte[]> pack) {
        String page = SitePage.write(name, text);
        files.put("/" + domain + "/", page.getBytes(StandardCharsets.UTF_8));
        pack.forEach((path, bytes) -> files.put("/" + domain + "/" + path, bytes));
    }

    @Override
    public void close() {
        server.stop(0);
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            URI uri = exchange.getRequestURI();
            byte[] body = files.get(uri.getPath());
            if (body == null) {
                exchange.sendResponseHeaders(404, -1);
                return;
            }
            exchange.getResponseHeaders().set("Content-Type", mediaType(uri.getPath()));
            exchange.sendResponseHeaders(200, body.length);
            exchange.getResponseBody().write(body);
        }
    }

    private static String mediaType(String path) {
        if (path.endsWith(".woff2")) {
            return "font/woff2";
        }
        if (path.endsWith(".css")) {
            return "text/css; charset=utf-8";
        }
        return path.endsWith(".txt") ? "text/plain; charset=utf-8" : "text/html; charset=utf-8";
    }
}
