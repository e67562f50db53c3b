package app.unciala.server.testing;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Serves made-up hosts on this machine, told apart by the Host header. */
public final class Hosts implements BeforeAllCallback, AfterAllCallback {
    private final Map<String, byte[]> files = new ConcurrentHashMap<>();
    private final Map<String, String> passwords = new ConcurrentHashMap<>();
    private HttpServer server;
    private volatile CountDownLatch held = new CountDownLatch(0);

    @Override
    public void beforeAll(ExtensionContext context) throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", this::answer);
        server.setExecutor(Executors.newCachedThreadPool());
        server.start();
    }

    @Override
    public void afterAll(ExtensionContext context) {
        held.countDown();
        server.stop(0);
    }

    /** Where the hosts are, such as {@code localhost:40123}. */
    public String at() {
        return "localhost:" + server.getAddress().getPort();
    }

    /** Serves a text at an address without its scheme, such as {@code tarn.example/type.css}. */
    public void serve(String address, String text) {
        serve(address, text.getBytes(StandardCharsets.UTF_8));
    }

    public void serve(String address, byte[] bytes) {
        files.put(address, bytes);
    }

    public byte[] served(String address) {
        return files.get(address);
    }

    public void remove(String address) {
        files.remove(address);
    }

    /** Lets a host answer only those who send this header. */
    public void wants(String host, String authorization) {
        passwords.put(host, authorization);
    }

    /** Holds all answers back until what is given is counted down. */
    public CountDownLatch hold() {
        held = new CountDownLatch(1);
        return held;
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            held.await();
            String host = exchange.getRequestHeaders().getFirst("Host");
            String path = exchange.getRequestURI().getPath();
            byte[] body = files.get(host + path);
            String password = passwords.get(host);
            boolean refused = password != null
                    && !password.equals(exchange.getRequestHeaders().getFirst("Authorization"));
            if (refused || body == null) {
                exchange.sendResponseHeaders(refused ? 401 : 404, -1);
                return;
            }
            exchange.getResponseHeaders()
                    .set(
                            "Content-Type",
                            path.endsWith(".css")
                                    ? "text/css"
                                    : path.endsWith(".woff2")
                                            ? "font/woff2"
                                            : path.endsWith(".ttf") ? "font/ttf" : "text/html; charset=utf-8");
            exchange.sendResponseHeaders(200, body.length);
            exchange.getResponseBody().write(body);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
