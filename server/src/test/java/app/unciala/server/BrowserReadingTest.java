package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.storage.StoredFiles;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.Hosts;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import app.unciala.server.testing.TestClock;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Readings of pages that a browser made, pasted and sent. */
class BrowserReadingTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @RegisterExtension
    static final Hosts HOSTS = new Hosts();

    private static final JsonMapper JSON = new JsonMapper();
    private static Caller caller;
    private static String family;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        family = caller.hold("Penmarrow-Regular.ttf");
        caller.send("PUT", "/api/private-hosts/" + HOSTS.at(), Map.of());
    }

    private static Map<String, Object> reading(String page) {
        Map<String, Object> reading = new LinkedHashMap<>();
        reading.put("version", 1);
        reading.put("page", page);
        reading.put("textKept", false);
        reading.put("quirks", false);
        reading.put("window", Map.of("width", 1280, "height", 800));
        reading.put("document", "<html><body><h1 data-unciala-style=\"0\">Beht</h1></body></html>");
        reading.put(
                "styles",
                List.of(Map.of("family", "P, serif", "weight", 700, "slope", "normal", "width", 100, "size", 32)));
        reading.put(
                "sheets",
                List.of(Map.of(
                        "text", "@font-face { font-family: P; src: url(/p.ttf) } h1 { font-family: P, serif }")));
        reading.put(
                "files",
                List.of(Map.of(
                        "address",
                        page.replaceAll("(//[^/]+)/.*", "$1/p.ttf"),
                        "status",
                        200,
                        "headers",
                        Map.of("content-type", "font/ttf"),
                        "base64",
                        Base64.getEncoder().encodeToString(Samples.font("Penmarrow-Regular.ttf")))));
        return reading;
    }

    private static String startedBy(Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(202);
        return answer.json().get("id").asString();
    }

    private static String key(String site) {
        return caller.send("POST", "/api/sites/" + site + "/reading-keys", Map.of())
                .json()
                .get("key")
                .asString();
    }

    private static Caller stranger() {
        return SERVER.stranger();
    }

    private static Answer sent(String key, Map<String, Object> reading) {
        return stranger()
                .sendRaw(
                        "POST",
                        "/api/sent-readings/" + key,
                        JSON.writeValueAsString(reading),
                        Map.of("Content-Type", "text/plain", "Origin", "https://board.example"));
    }

    @Test
    void aPastedReadingIsCheckedWithTheOtherPagesAndKept() {
        String site = caller.site("Board", "board.example", family);
        HOSTS.serve("board.example/", "<!doctype html><p>Plain</p>".getBytes(StandardCharsets.UTF_8));
        HOSTS.serve("board.example/app", "<div id=app></div>".getBytes(StandardCharsets.UTF_8));
        plan(site, "board.example");

        JsonNode check = caller.waitForCheck(startedBy(
                caller.send("POST", "/api/sites/" + site + "/page-readings", reading("http://board.example/app"))));

        assertThat(check.get("line").get("state").asString()).isEqualTo("DONE");
        assertThat(check.get("pages").valueStream().map(page -> page.get("url").asString()))
                .containsExactly("http://board.example/app", "http://board.example/");
        JsonNode page = check.get("pages").get(0);
        assertThat(page.get("browser").get("by").asString()).isEqualTo("admin");
        assertThat(page.get("browser").get("textKept").asBoolean()).isFalse();
        assertThat(page.get("errors").asInt()).isEqualTo(1);
        assertThat(check.get("pages").get(1).get("browser").isNull()).isTrue();
        JsonNode font = check.get("fonts").get(0);
        assertThat(font.get("held").get("how").asString()).isEqualTo("SAME_BYTES");
        assertThat(caller.kinds("?site=" + site)).contains("FAKED_ON_PAGE", "FOUND_NOT_ALLOWED");
        JsonNode text = caller.get("/api/checks/" + check.get("line").get("id").asString() + "/pages/0")
                .json();
        assertThat(text.get("runs").get(0).get("text").asString()).isEqualTo("Beht");
        assertThat(text.get("browser").get("by").asString()).isEqualTo("admin");

        JsonNode again =
                caller.waitForCheck(startedBy(caller.send("POST", "/api/sites/" + site + "/checks", Map.of())));
        assertThat(again.get("pages").get(0).get("browser").isNull())
                .as("a later check by the server uses it too")
                .isFalse();
        JsonNode kept = caller.get("/api/sites/" + site + "/page-readings").json();
        assertThat(kept).hasSize(1);
        int named = SERVER.bean(StoredFiles.class).count();
        assertThat(caller.delete("/api/page-readings/" + kept.get(0).get("id").asString())
                        .status())
                .isEqualTo(204);
        assertThat(SERVER.bean(StoredFiles.class).count())
                .as("the file of a reading is kept as long as the reading is")
                .isEqualTo(named - 1);
        JsonNode without =
                caller.waitForCheck(startedBy(caller.send("POST", "/api/sites/" + site + "/checks", Map.of())));
        assertThat(without.get("pages").valueStream().map(one -> one.get("browser")
                        .isNull()))
                .containsOnly(true);
        assertThat(caller.kinds("?site=" + site)).doesNotContain("FAKED_ON_PAGE");
    }

    @Test
    void aKeyIsGoodForOneReadingOfItsSiteWithoutASession() {
        String site = caller.site("Letters", "letters.example", family);
        String key = key(site);
        assertThat(sent("no-such-key", reading("https://letters.example/")).status())
                .isEqualTo(404);
        Answer elsewhere = sent(key, reading("https://other.example/"));
        assertThat(elsewhere.status()).isEqualTo(422);
        assertThat(elsewhere.text()).contains("none of the domains of “Letters”, which are letters.example, nor");
        Answer answer = sent(key, reading("https://letters.example/inbox"));
        JsonNode check = caller.waitForCheck(startedBy(answer));
        assertThat(answer.header("Access-Control-Allow-Origin")).isEqualTo("*");
        assertThat(check.get("line").get("askedBy").asString()).isEqualTo("admin");
        assertThat(check.get("pages").get(0).get("url").asString()).isEqualTo("https://letters.example/inbox");
        assertThat(sent(key, reading("https://letters.example/inbox")).status())
                .as("used up")
                .isEqualTo(404);
        assertThat(stranger().get("/api/sites/" + site + "/page-readings").status())
                .isEqualTo(401);
        assertThat(stranger()
                        .sendRaw(
                                "POST",
                                "/api/sites/" + site + "/reading-keys",
                                "{}",
                                Map.of("Content-Type", "application/json"))
                        .status())
                .isIn(401, 403);
    }

    @Test
    void aPageOnOnesOwnMachineIsReadForAnySite() {
        String site = caller.site("Draft", "draft.example", family);
        JsonNode check = caller.waitForCheck(startedBy(
                caller.send("POST", "/api/sites/" + site + "/page-readings", reading("http://localhost:5173/draft"))));
        JsonNode page = check.get("pages")
                .valueStream()
                .filter(one -> one.get("url").asString().contains("localhost"))
                .findFirst()
                .orElseThrow();
        assertThat(page.get("errors").asInt()).as("the bold is faked there too").isEqualTo(1);
        assertThat(check.get("thirdParties")).isEmpty();
        assertThat(check.get("fonts").get(0).get("fromOthers").asBoolean()).isFalse();
    }

    @Test
    void aKeyEndsAfterAnHour() {
        String site = caller.site("Late", "late.example", family);
        String key = key(site);
        TestClock clock = SERVER.clock();
        clock.forward(Duration.ofMinutes(61));
        try {
            assertThat(sent(key, reading("https://late.example/")).status()).isEqualTo(404);
            key(site);
        } finally {
            clock.forward(Duration.ofMinutes(-61));
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    {                                   | line 1
                    []                                  | isn’t a reading
                    {"version": 7}                      | version is 7
                    {"version": 1}                      | page is missing
                    {"version": 1, "page": "x"}         | is missing
                    {"version": "one"}                  | isn’t a reading
                    nonsense                            | line 1
                    """)
    void whatIsNoReadingIsRefusedWithThePlaceAndTheKeyStaysGood(String body, String said) {
        String site = caller.site("Site " + body.hashCode(), "s" + (body.hashCode() & 0xffff) + ".example", family);
        String key = key(site);
        Answer answer =
                stranger().sendRaw("POST", "/api/sent-readings/" + key, body, Map.of("Content-Type", "text/plain"));
        assertThat(answer.status()).as(answer.text()).isEqualTo(422);
        assertThat(answer.text()).contains(said);
        assertThat(caller.sendRaw(
                                "POST",
                                "/api/sites/" + site + "/page-readings",
                                body,
                                Map.of("Content-Type", "application/json"))
                        .status())
                .isEqualTo(422);
        String domain = "s" + (body.hashCode() & 0xffff) + ".example";
        startedBy(sent(key, reading("https://" + domain + "/")));
    }

    @Test
    void aDamagedReadingIsToldOfAndTheOthersAreChecked() throws IOException {
        String site = caller.site("Damaged", "damaged.example", family);
        caller.waitForCheck(startedBy(
                caller.send("POST", "/api/sites/" + site + "/page-readings", reading("https://damaged.example/a"))));
        caller.waitForCheck(startedBy(
                caller.send("POST", "/api/sites/" + site + "/page-readings", reading("https://damaged.example/b"))));
        List<Path> stored = new ArrayList<>();
        try (var files = Files.walk(SERVER.data().resolve("store"))) {
            files.filter(Files::isRegularFile)
                    .filter(file -> contains(file, "damaged.example/a"))
                    .forEach(stored::add);
        }
        assertThat(stored).hasSize(1);
        Files.writeString(stored.get(0), "{\"version\": 1, \"page\":");
        JsonNode check =
                caller.waitForCheck(startedBy(caller.send("POST", "/api/sites/" + site + "/checks", Map.of())));
        assertThat(check.get("line").get("state").asString()).isEqualTo("DONE");
        assertThat(check.get("pages")
                        .valueStream()
                        .filter(page -> page.get("url").asString().startsWith("https"))
                        .map(page -> page.get("why").isNull()))
                .contains(false, true);
    }

    private static boolean contains(Path file, String text) {
        try {
            return new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1).contains(text);
        } catch (IOException e) {
            return false;
        }
    }

    private static void plan(String site, String host) {
        Answer saved = caller.edit(
                "/api/sites/" + site + "/check-plan",
                "plan",
                Map.of(
                        "addresses",
                        List.of("http://" + host + "/"),
                        "follows",
                        false,
                        "connections",
                        List.of(Map.of("host", host + ":80", "to", HOSTS.at()))));
        assertThat(saved.status()).as(saved.text()).isEqualTo(200);
    }
}
