package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.CheckedSites;
import app.unciala.server.testing.Hosts;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Requests that were made to keep others waiting, and the others meanwhile. */
@Timeout(300)
class HostileLoadTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @RegisterExtension
    static final Hosts HOSTS = new Hosts();

    private static Caller caller;
    private static String family;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        family = caller.hold("Penmarrow-Regular.ttf");
        caller.send("POST", "/api/licenses", Samples.license(family, "one.example"));
        caller.send("PUT", "/api/private-hosts/" + HOSTS.at(), Map.of());
    }

    /** The head of a request that says it has a long body. */
    private static Socket begin(String path, String type, String length) throws IOException {
        URI url = URI.create(SERVER.url());
        Socket socket = new Socket(url.getHost(), url.getPort());
        socket.getOutputStream()
                .write(("POST " + path + " HTTP/1.1\r\nHost: localhost\r\nContent-Type: " + type + "\r\n" + length
                                + "\r\n\r\n")
                        .getBytes(StandardCharsets.UTF_8));
        socket.getOutputStream().flush();
        return socket;
    }

    private static String statusLine(Socket socket) throws IOException {
        return new String(socket.getInputStream().readNBytes(12), StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/session",
                "/api/invitations/x",
                "/api/sent-readings/x",
                "/api/backups/local",
                "/api/intakes",
                "/nothing"
            })
    void filesOfStrangersAreNotKept(String path) throws IOException {
        long before = uploads();
        for (String length : List.of("Content-Length: 150000000", "Transfer-Encoding: chunked")) {
            try (Socket socket = begin(path, "multipart/form-data; boundary=b", length)) {
                socket.getOutputStream()
                        .write("3c\r\n--b\r\nContent-Disposition: form-data; name=\"files\"; filename=\"a\"\r\n\r\nabc"
                                .getBytes(StandardCharsets.UTF_8));
                assertThat(statusLine(socket)).isEqualTo("HTTP/1.1 401");
                assertThat(uploads()).isEqualTo(before);
            }
        }
    }

    /** A browser whose session has ended sends all of a file before it looks at the answer. */
    @Test
    void whoeverIsNoLongerSignedInIsToldSoAfterAllOfAFileWasSent() {
        Caller ended = SERVER.signIn();
        ended.delete("/api/session");
        Answer answer = ended.upload("/api/intakes", "files", Map.of("large.zip", new byte[40_000_000]));
        assertThat(answer.status()).isEqualTo(401);
        assertThat(answer.json().get("detail").asString()).isEqualTo("Sign in first.");
        assertThat(ended.send("POST", "/api/proof", Map.of("css", "a{}".repeat(200_000)))
                        .status())
                .isEqualTo(401);
    }

    private static long uploads() throws IOException {
        Path folder = SERVER.data().resolve("uploads");
        if (!Files.isDirectory(folder)) {
            return 0;
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.count();
        }
    }

    @Test
    void aStrangerSendsAFewKilobytesOnly() throws IOException {
        String long100 = "{\"name\":\"a\",\"password\":\"" + "x".repeat(100_000) + "\"}";
        assertThat(SERVER.stranger()
                        .sendRaw("POST", "/api/session", long100, Map.of("Content-Type", "application/json"))
                        .status())
                .isEqualTo(413);
        try (Socket socket = begin("/api/session", "application/json", "Transfer-Encoding: chunked")) {
            String chunk = "x".repeat(0x4000);
            for (int i = 0; i < 5; i++) {
                socket.getOutputStream().write(("4000\r\n" + chunk + "\r\n").getBytes(StandardCharsets.UTF_8));
            }
            assertThat(statusLine(socket)).isEqualTo("HTTP/1.1 400");
            socket.getInputStream().readAllBytes();
        }
    }

    /** More connections than the server has threads, each with a body that never ends. */
    @Test
    void bodiesThatDripKeepNobodyWaiting() throws IOException {
        List<Socket> dripping = new ArrayList<>();
        try {
            for (int i = 0; i < 220; i++) {
                Socket socket = begin("/api/session", "application/json", "Content-Length: 5000");
                socket.getOutputStream().write('{');
                dripping.add(socket);
            }
            assertThat(SERVER.stranger().get("/api/health").status()).isEqualTo(200);
            assertThat(caller.get("/api/families").status()).isEqualTo(200);
            assertThat(caller.send("POST", "/api/clients", Map.of("name", "Meanwhile"))
                            .status())
                    .isEqualTo(201);
            assertThat(statusLine(dripping.get(219))).isEqualTo("HTTP/1.1 503");
        } finally {
            for (Socket socket : dripping) {
                socket.close();
            }
        }
        assertThat(SERVER.signIn().get("/api/session").status())
                .as("one can sign in again")
                .isEqualTo(200);
    }

    @Test
    void hugeStyleSheetsKeepNoListWaiting() {
        String css = IntStream.range(0, 1_500)
                .mapToObj(i -> "@font-face{font-family:Wendlow" + i * 7 + ";src:url(a.woff2)}a{font-family:Wendlov"
                        + i * 5 + "}")
                .collect(Collectors.joining());
        List<CompletableFuture<Answer>> sent = IntStream.range(0, 12)
                .mapToObj(i -> CompletableFuture.supplyAsync(
                        () -> SERVER.signIn().send("POST", "/api/proof", Map.of("css", css))))
                .toList();
        List<Long> took = new ArrayList<>();
        while (sent.stream().anyMatch(one -> !one.isDone())) {
            long begun = System.nanoTime();
            assertThat(caller.get("/api/families").status()).isEqualTo(200);
            took.add((System.nanoTime() - begun) / 1_000_000);
        }
        assertThat(took).as("lists meanwhile").hasSizeGreaterThan(3);
        if (Boolean.getBoolean("attack.figures")) {
            Collections.sort(took);
            System.out.printf(
                    "%6d ms  median of %d lists beside twelve huge style sheets%n",
                    took.get(took.size() / 2), took.size());
        }
        assertThat(sent.stream().map(CompletableFuture::join).map(Answer::status))
                .as("checked, or asked to come again")
                .contains(200)
                .isSubsetOf(200, 503);
    }

    @Test
    void slowHostsKeepNoOtherJobWaitingAndAStopFreesAThread() {
        CheckedSites sites = new CheckedSites(caller, HOSTS);
        List<String> slow = Stream.of("one", "two", "three", "four")
                .map(name -> {
                    String site = caller.site(name, name + ".example", family, 400);
                    sites.plan(site, name + ".example", Map.of());
                    return site;
                })
                .toList();
        CountDownLatch held = HOSTS.hold();
        try {
            List<String> checks = slow.stream().map(sites::start).toList();
            checks.subList(0, 3).forEach(check -> waitFor(check, "READING"));
            assertThat(state(checks.get(3))).isEqualTo("WAITING");
            assertThat(sites.start(slow.get(0)))
                    .as("one that runs is not begun again")
                    .isEqualTo(checks.get(0));

            caller.hold("Wendlow-Regular.ttf");
            assertThat(caller.send("POST", "/api/sites/" + slow.get(0) + "/packs", Map.of())
                            .status())
                    .isEqualTo(201);

            assertThat(caller.delete("/api/checks/" + checks.get(1)).status()).isEqualTo(200);
            waitFor(checks.get(3), "READING");
            assertThat(state(checks.get(1))).isEqualTo("STOPPED");
        } finally {
            held.countDown();
        }
        slow.forEach(site -> caller.waitForCheck(sites.start(site)));
    }

    private static String state(String check) {
        return caller.get("/api/checks/" + check).json().at("/line/state").asString();
    }

    private static void waitFor(String check, String state) {
        caller.waitFor(
                "/api/checks/" + check, now -> now.at("/line/state").asString().equals(state));
    }

    @Test
    void severalWhoAskAtOnceAreGivenOneCheck() {
        CheckedSites sites = new CheckedSites(caller, HOSTS);
        String site = caller.site("Weir", "weir.example", family, 400);
        sites.plan(site, "weir.example", Map.of());
        CountDownLatch held = HOSTS.hold();
        try {
            List<CompletableFuture<String>> asked = IntStream.range(0, 6)
                    .mapToObj(i -> CompletableFuture.supplyAsync(() -> sites.start(site)))
                    .toList();
            assertThat(asked.stream().map(CompletableFuture::join).distinct()).hasSize(1);
        } finally {
            held.countDown();
        }
    }

    @Test
    void ofSeveralWhoSaveTheFirstPlanAtOnceOneDoes() {
        String site = caller.site("Lock", "lock.example", family, 400);
        String path = "/api/sites/" + site + "/check-plan";
        Answer before = caller.get(path);
        List<Integer> statuses = IntStream.range(0, 4)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> caller.send(
                                "PUT", path, before.json().get("plan"), Map.of("If-Match", before.header("ETag")))
                        .status()))
                .toList()
                .stream()
                .map(CompletableFuture::join)
                .sorted()
                .toList();
        assertThat(statuses).containsExactly(200, 412, 412, 412);
    }
}
