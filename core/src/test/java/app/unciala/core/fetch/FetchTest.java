package app.unciala.core.fetch;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.Resources.Use;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Reading from a server on this machine, which is private, and from a folder. */
class FetchTest {
    private final List<String> hosts = new CopyOnWriteArrayList<>();
    private HttpServer server;
    private int port;

    @TempDir
    private Path folder;

    @BeforeEach
    void serve() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.setExecutor(Executors.newCachedThreadPool());
        server.createContext("/", exchange -> {
            hosts.add(exchange.getRequestHeaders().getFirst("Host"));
            answer(exchange);
        });
        server.start();
        port = server.getAddress().getPort();
    }

    @AfterEach
    void stop() {
        server.stop(0);
    }

    private void answer(HttpExchange exchange) throws IOException {
        switch (exchange.getRequestURI().getPath()) {
            case "/page" -> send(exchange, 200, "text/html; charset=utf-8", "hello".getBytes(StandardCharsets.UTF_8));
            case "/signed-in" -> {
                // The example of RFC 7617 with a name and password of ours.
                boolean known = "Basic bWFyYTpwOnNzIHfDtnJk"
                        .equals(exchange.getRequestHeaders().getFirst("Authorization"));
                send(exchange, known ? 200 : 401, "text/html", new byte[] {'x'});
            }
            case "/away" -> redirect(exchange, "http://other.client.example/signed-in");
            case "/moved" -> redirect(exchange, "page");
            case "/circle" -> redirect(exchange, "/circle");
            case "/far" -> redirect(exchange, "/far?" + System.nanoTime());
            case "/file" -> redirect(exchange, "file:///etc/hostname");
            case "/large" -> send(exchange, 200, "text/css", new byte[10_000_001]);
            case "/bomb" -> {
                ByteArrayOutputStream packed = new ByteArrayOutputStream();
                try (OutputStream gzip = new GZIPOutputStream(packed)) {
                    gzip.write(new byte[60_000_000]);
                }
                exchange.getResponseHeaders().set("Content-Encoding", "gzip");
                send(exchange, 200, "text/css", packed.toByteArray());
            }
            case "/slow" -> {
                exchange.sendResponseHeaders(200, 0);
                try (OutputStream out = exchange.getResponseBody()) {
                    for (int i = 0; i < 100; i++) {
                        out.write('a');
                        out.flush();
                        Thread.sleep(50);
                    }
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            }
            default -> send(exchange, 404, "text/plain", new byte[0]);
        }
    }

    private static void send(HttpExchange exchange, int status, String type, byte[] body) {
        try {
            exchange.getResponseHeaders().set("Content-Type", type);
            exchange.sendResponseHeaders(status, body.length == 0 ? -1 : body.length);
            if (body.length > 0) {
                exchange.getResponseBody().write(body);
            }
            exchange.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void redirect(HttpExchange exchange, String to) {
        exchange.getResponseHeaders().set("Location", to);
        send(exchange, 302, "text/plain", new byte[0]);
    }

    @Test
    void readsAnAnswerAndFollowsRedirects() throws IOException {
        try (WebResources web = new WebResources(rules(true))) {
            Resource page = web.get(url("/moved"), Use.PAGE);
            assertThat(page.isFound()).isTrue();
            assertThat(page.url()).isEqualTo(url("/page"));
            assertThat(page.mediaType()).isEqualTo("text/html");
            assertThat(page.bytes()).asString().isEqualTo("hello");
            assertThat(web.get(url("/none"), Use.FONT).why()).isEqualTo("the server answers 404");
        }
    }

    @Test
    void aPrivateAddressIsNotConnectedToByAnyName() throws IOException {
        try (WebResources web = new WebResources(rules(false))) {
            for (String host : List.of("localhost", "127.0.0.1", "[::1]", "0x7f.1", "2130706433", "127.1")) {
                Resource answer = web.get("http://" + host + ":" + port + "/page", Use.PAGE);
                assertThat(answer.isFound()).as(host).isFalse();
            }
            assertThat(web.get(url("/page"), Use.PAGE).why()).contains("is private");
        }
        assertThat(hosts).as("nothing was asked for").isEmpty();
    }

    @Test
    void aHostIsConnectedToElsewhereUnderItsOwnName() throws IOException {
        Map<String, InetSocketAddress> staging =
                Map.of("staging.client.example:80", new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        try (WebResources web = new WebResources(new FetchRules(staging, true, FetchRules.USUAL))) {
            assertThat(web.get("http://staging.client.example/page", Use.PAGE).isFound())
                    .isTrue();
            assertThat(hosts).containsExactly("staging.client.example");
        }
        try (WebResources web = new WebResources(new FetchRules(staging, false, FetchRules.USUAL))) {
            assertThat(web.get("http://staging.client.example/page", Use.PAGE).why())
                    .contains("is private");
        }
    }

    @Test
    void oneHostMayBePrivateWithoutTheOthers() throws IOException {
        InetSocketAddress here = InetSocketAddress.createUnresolved("localhost", port);
        FetchRules rules = FetchRules.publicOnly()
                .connecting("staging.client.example", 80, here)
                .connecting("other.client.example", 80, InetSocketAddress.createUnresolved("127.0.0.2", port))
                .allowingPrivate("localhost", port);
        try (WebResources web = new WebResources(rules)) {
            assertThat(web.get("http://STAGING.client.example/page", Use.PAGE).isFound())
                    .isTrue();
            for (String refused :
                    List.of("other.client.example", "staging.client.example:" + port, "127.0.0.1:" + port)) {
                assertThat(web.get("http://" + refused + "/page", Use.PAGE).isFound())
                        .as(refused)
                        .isFalse();
            }
        }
        assertThat(hosts).hasSize(1);
    }

    @Test
    void aHostIsSignedInToAndNoOtherIsTold() throws IOException {
        InetSocketAddress here = InetSocketAddress.createUnresolved("localhost", port);
        FetchRules rules = FetchRules.publicOnly()
                .connecting("staging.client.example", 80, here)
                .connecting("other.client.example", 80, here)
                .allowingPrivate("localhost", port)
                .signingIn("http", "staging.client.example", 80, "mara", "p:ss wörd");
        try (WebResources web = new WebResources(rules)) {
            assertThat(web.get("http://staging.client.example/signed-in", Use.PAGE)
                            .isFound())
                    .isTrue();
            assertThat(web.get("http://other.client.example/signed-in", Use.PAGE)
                            .status())
                    .isEqualTo(401);
            assertThat(web.get("http://staging.client.example/away", Use.PAGE).status())
                    .as("a redirect to another host does not take it along")
                    .isEqualTo(401);
        }
        FetchRules secure = FetchRules.publicOnly()
                .connecting("staging.client.example", 80, here)
                .allowingPrivate("localhost", port)
                .signingIn("https", "staging.client.example", 80, "mara", "p:ss wörd");
        try (WebResources web = new WebResources(secure)) {
            assertThat(web.get("http://staging.client.example/signed-in", Use.PAGE)
                            .status())
                    .as("what is for https is not sent in the clear")
                    .isEqualTo(401);
        }
    }

    @Test
    void redirectsLeadNowhereElse() throws IOException {
        try (WebResources web = new WebResources(rules(true))) {
            assertThat(web.get(url("/circle"), Use.PAGE).why()).contains("in a circle");
            assertThat(web.get(url("/far"), Use.PAGE).why()).contains("more than 10 redirects");
            assertThat(web.get(url("/file"), Use.PAGE).why()).contains("only addresses that begin with http");
        }
    }

    @Test
    void whatIsTooLargeOrTooSlowIsGivenUp() throws IOException {
        try (WebResources web = new WebResources(new FetchRules(Map.of(), true, Duration.ofMillis(300)))) {
            assertThat(web.get(url("/slow"), Use.FONT).why()).contains("takes longer than");
        }
        try (WebResources web = new WebResources(rules(true))) {
            assertThat(web.get(url("/large"), Use.STYLE_SHEET).why()).contains("larger than 10 MB");
            assertThat(web.get(url("/bomb"), Use.STYLE_SHEET).why()).contains("larger than 10 MB");
            assertThat(web.get("http://[", Use.PAGE).why()).contains("isn’t an address");
            assertThat(web.get("http://" + "a".repeat(70) + ".example/", Use.PAGE)
                            .why())
                    .contains("no host of this name");
            server.stop(0);
            assertThat(web.get(url("/page"), Use.PAGE).why()).contains("connection failed");
        }
    }

    @ParameterizedTest
    @CsvSource({
        "93.184.216.34, true",
        "8.8.8.8, true",
        "2606:4700::1111, true",
        "10.1.2.3, false",
        "172.16.0.1, false",
        "192.168.1.1, false",
        "127.8.8.8, false",
        "169.254.169.254, false",
        "100.64.0.1, false",
        "0.0.0.0, false",
        "198.18.0.1, false",
        "192.0.2.1, false",
        "203.0.113.5, false",
        "224.0.0.1, false",
        "240.0.0.1, false",
        "255.255.255.255, false",
        "::1, false",
        "::, false",
        "fe80::1, false",
        "fd00::1, false",
        "ff02::1, false",
        "::ffff:127.0.0.1, false",
        "64:ff9b::7f00:1, false",
        "64:ff9b::808:808, true",
        "2002:7f00:1::, false",
        "2001:db8::1, false",
        "2001::1, false",
    })
    void onlyAddressesOfTheInternetArePublic(String address, boolean isPublic) throws IOException {
        assertThat(PublicAddress.isOne(InetAddress.getByName(address))).isEqualTo(isPublic);
    }

    @Test
    void aFileIsReadWithWhatStandsNearIt() throws IOException {
        Path site = Files.createDirectories(folder.resolve("one/two/site"));
        Path page = Files.writeString(site.resolve("index.html"), "<p>hello");
        Files.writeString(site.resolve("type.css"), "p {}");
        LocalResources local =
                new LocalResources(page, (url, use) -> Resource.failed(url, "the web is not asked here"));

        assertThat(local.get(LocalResources.address(page), Use.PAGE).mediaType())
                .isEqualTo("text/html");
        assertThat(local.get(site.toUri() + "type.css?v=2", Use.STYLE_SHEET).isFound())
                .isTrue();
        assertThat(local.get("file:///type.css", Use.STYLE_SHEET).isFound())
                .as("from the root of the site")
                .isTrue();
        assertThat(local.get("file:///etc/hostname", Use.FONT).why()).contains("no such file");
        assertThat(local.get("file:///%zz", Use.FONT).why()).contains("isn’t an address");
        assertThat(local.get("https://a.example/", Use.FONT).why()).contains("not asked here");
    }

    @Test
    void anAnswerForAStyleSheetIsRemembered() {
        int[] asked = {0};
        Remembered remembered = new Remembered((url, use) -> {
            asked[0]++;
            return Resource.failed(url, "none");
        });
        remembered.get("a", Use.FONT);
        remembered.get("a", Use.FONT);
        remembered.get("p", Use.PAGE);
        remembered.get("p", Use.PAGE);
        assertThat(asked[0]).isEqualTo(3);
    }

    private FetchRules rules(boolean allowsPrivate) {
        return new FetchRules(Map.of(), allowsPrivate, FetchRules.USUAL);
    }

    private String url(String path) {
        return "http://localhost:" + port + path;
    }
}
