package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Everything that is recorded and edited, over HTTP. */
class RecordsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private Caller caller;

    @BeforeEach
    void signIn() {
        caller = SERVER.signIn();
    }

    @Test
    void aLicenseKeepsWhatItStatesAndIsSilentOnTheRest() {
        Answer bare = caller.send("POST", "/api/licenses", Map.of("name", " Bare "));
        assertThat(bare.status()).isEqualTo(201);
        JsonNode terms = bare.json().get("terms");
        assertThat(terms.get("name").asString()).isEqualTo("Bare");
        for (String clause : List.of(
                "webUse", "converting", "cutting", "renaming", "inlining", "thirdParty", "subdomains", "development")) {
            assertThat(terms.get(clause).asString()).isEqualTo("NOT_STATED");
        }
        assertThat(terms.get("noticeDays").asInt()).isEqualTo(30);

        Map<String, Object> full = new LinkedHashMap<>(Samples.license(accept("Ostrel-Light.ttf"), "*.Client.example"));
        full.put("begins", "2030-01-01");
        full.put("ends", "2031-12-31");
        full.put("formats", List.of("woff2", "woff"));
        full.put("anyFormat", false);
        full.put("price", 12345);
        full.put("notes", "two\nlines");
        String path = "/api/licenses/" + bare.json().get("id").asString();
        Answer edited = caller.send("PUT", path, full, Map.of("If-Match", bare.header("ETag")));
        assertThat(edited.status()).isEqualTo(200);
        assertThat(edited.header("ETag")).isNotEqualTo(bare.header("ETag"));
        JsonNode read = caller.get(path).json().get("terms");
        assertThat(read.get("domains").get(0).asString()).isEqualTo("*.client.example");
        assertThat(read.get("ends").asString()).isEqualTo("2031-12-31");
        assertThat(read.get("price").asLong()).isEqualTo(12345);
        assertThat(read.get("formats")).hasSize(2);
        assertThat(read.get("notes").asString()).isEqualTo("two\nlines");
    }

    @Test
    void anAgreementIsKeptByteForByteAndReplaced() {
        String id = caller.send("POST", "/api/licenses", Map.of("name", "With agreement"))
                .json()
                .get("id")
                .asString();
        String path = "/api/licenses/" + id;
        byte[] first = "first".getBytes(StandardCharsets.UTF_8);
        Answer refused = caller.upload(path + "/agreement", "file", Map.of("eula.pdf", first));
        assertThat(refused.status()).as("attaching is an edit").isEqualTo(428);
        Answer attached = attach(path, "eula.pdf", first);
        assertThat(attached.status()).isEqualTo(200);
        JsonNode second = attach(path, "eula-2.pdf", "second".getBytes(StandardCharsets.UTF_8))
                .json();
        assertThat(second.get("agreement")).as("the earlier one stays").hasSize(2);
        JsonNode latest = second.get("agreement").get(0);
        assertThat(latest.get("fileName").asString()).isEqualTo("eula-2.pdf");
        Answer bytes = caller.get("/api/files/" + latest.get("sha256").asString());
        assertThat(bytes.text()).isEqualTo("second");
        assertThat(bytes.header("Content-Disposition")).contains("eula-2.pdf");
        assertThat(bytes.header("Content-Security-Policy")).contains("sandbox");
        assertThat(attach(path, "empty.pdf", new byte[0]).status()).isEqualTo(422);
        assertThat(attach(path, "x".repeat(400) + ".pdf", first).status()).isEqualTo(422);
        assertThat(caller.get("/api/flags?license=" + id).text()).doesNotContain("NO_PROOF");
    }

    private Answer attach(String license, String name, byte[] bytes) {
        return caller.upload(
                license + "/agreement",
                "file",
                Map.of(name, bytes),
                Map.of("If-Match", caller.get(license).header("ETag")));
    }

    @Test
    void aSiteIsEditedAsAWholeAndChecked() {
        String client = caller.send("POST", "/api/clients", Map.of("name", "Client"))
                .json()
                .get("id")
                .asString();
        Map<String, Object> draft = new LinkedHashMap<>(Map.of("clientId", client, "name", "Site"));
        draft.put("domains", List.of("Bücher.example", "www.buecher.example", "bücher.example"));
        Answer site = caller.send("POST", "/api/sites", draft);
        assertThat(site.json().get("domains")).hasSize(2);
        assertThat(site.json().get("domains").get(0).asString()).isEqualTo("xn--bcher-kva.example");
        String path = "/api/sites/" + site.json().get("id").asString();
        String family = accept("Vellumine-Regular.ttf");
        List<Map<String, Object>> faces = List.of(Samples.face(400, "upright"), Samples.face(400, "upright"));
        draft.put(
                "roles", List.of(Samples.role("RUNNING_TEXT", family, faces), Samples.role("HEADINGS", family, faces)));
        JsonNode edited = caller.send("PUT", path, draft, Map.of("If-Match", site.header("ETag")))
                .json();
        assertThat(edited.get("roles").get(0).get("role").asString()).isEqualTo("HEADINGS");
        assertThat(edited.get("roles").get(0).get("faces")).hasSize(1);
        draft.put("roles", List.of(Samples.role("HEADINGS", family, faces), Samples.role("HEADINGS", family, faces)));
        Answer twice = caller.send(
                "PUT", path, draft, Map.of("If-Match", caller.get(path).header("ETag")));
        assertThat(twice.status()).isEqualTo(422);
        assertThat(twice.text()).contains("set twice");
        assertThat(caller.send("PUT", path, draft, Map.of("If-Match", site.header("ETag")))
                        .status())
                .isEqualTo(412);
        assertThat(caller.get(path).json().get("roles")).hasSize(2);
        draft.put("clientId", "nobody");
        Answer unknown = caller.send("POST", "/api/sites", draft);
        assertThat(unknown.status()).isEqualTo(422);
        assertThat(unknown.json().get("errors").get(0).get("field").asString()).isEqualTo("clientId");
    }

    @Test
    void clientsAreRenamedAndListedInPages() {
        for (int i = 0; i < 5; i++) {
            caller.send("POST", "/api/clients", Map.of("name", "Paged " + i));
        }
        JsonNode first = caller.get("/api/clients?limit=2").json();
        assertThat(first.get("items")).hasSize(2);
        JsonNode next = caller.get(
                        "/api/clients?limit=2&cursor=" + first.get("next").asString())
                .json();
        assertThat(next.get("items").get(0).get("name"))
                .isNotEqualTo(first.get("items").get(1).get("name"));
        String path = "/api/clients/" + first.get("items").get(0).get("id").asString();
        Answer read = caller.get(path);
        Answer renamed = caller.send("PUT", path, Map.of("name", "Renamed"), Map.of("If-Match", read.header("ETag")));
        assertThat(renamed.json().get("name").asString()).isEqualTo("Renamed");
        assertThat(caller.send("PUT", path, Map.of("name", "Late"), Map.of("If-Match", read.header("ETag")))
                        .status())
                .isEqualTo(412);
    }

    @Test
    void aFamilyIsRenamedButNotToAnothersName() {
        String first = accept("Wendlow-Regular.ttf");
        String second = accept("TilletMono-Regular.ttf");
        String path = "/api/families/" + first;
        String tag = caller.get(path).header("ETag");
        Answer taken = caller.send("PUT", path, Map.of("name", "tillet-mono"), Map.of("If-Match", tag));
        assertThat(taken.status()).isEqualTo(409);
        assertThat(taken.text()).contains("Tillet Mono");
        Answer renamed = caller.send("PUT", path, Map.of("name", "Wendlow Text"), Map.of("If-Match", tag));
        assertThat(renamed.json().get("name").asString()).isEqualTo("Wendlow Text");
        String file = caller.get("/api/families/" + second)
                .json()
                .get("files")
                .get(0)
                .get("id")
                .asString();
        assertThat(caller.delete(
                                "/api/families/" + first + "/files/" + file,
                                caller.get(path).header("ETag"))
                        .status())
                .isEqualTo(404);
        String secondTag = caller.get("/api/families/" + second).header("ETag");
        assertThat(caller.delete("/api/families/" + second + "/files/" + file, secondTag)
                        .status())
                .isEqualTo(200);
        assertThat(caller.get("/api/families/" + second).status()).isEqualTo(404);
        assertThat(caller.get("/api/history").text())
                .contains("Renamed “Wendlow” to “Wendlow Text”")
                .contains("Removed");
    }

    @Test
    void anIntakeThatIsThrownAwayLeavesNothing() {
        JsonNode intake = caller.takeIn(Map.of("Brantle-Bold.ttf", Samples.font("Brantle-Bold.ttf")));
        String path = "/api/intakes/" + intake.get("summary").get("id").asString();
        String row = intake.get("rows").get(0).get("id").asString();
        assertThat(caller.get(path + "/items/" + row + "/bytes").bytes()).isEqualTo(Samples.font("Brantle-Bold.ttf"));
        caller.send("PATCH", path + "/items/" + row, Map.of("included", false));
        Answer nothing = caller.send("POST", path + "/accept", Map.of());
        assertThat(nothing.status()).isEqualTo(422);
        assertThat(caller.delete(path).status()).isEqualTo(200);
        assertThat(caller.delete(path).status()).isEqualTo(409);
        assertThat(caller.get(path).json().get("state").asString()).isEqualTo("DISCARDED");
        assertThat(caller.get("/api/search?q=brantle").json().get("hits")).isEmpty();
    }

    private String accept(String fileName) {
        JsonNode intake = caller.takeIn(Map.of(fileName, Samples.font(fileName)));
        String path = "/api/intakes/" + intake.get("summary").get("id").asString() + "/accept";
        return caller.send("POST", path, Map.of())
                .json()
                .get("familyIds")
                .get(0)
                .asString();
    }

    @Test
    void licensesAreListedByWhatStandsInTheAddress() {
        String holder = caller.send("POST", "/api/clients", Map.of("name", "Holder"))
                .json()
                .get("id")
                .asString();
        LocalDate today = LocalDate.now(ZoneId.systemDefault());
        record(Map.of("name", "Filter: held", "holderId", holder, "basis", "TRIAL"));
        record(Map.of("name", "Filter: over", "ends", today.minusDays(1).toString()));
        record(Map.of("name", "Filter: 50% soon", "ends", today.plusDays(5).toString(), "noticeDays", 10));
        record(Map.of("name", "Filter: later", "ends", today.plusDays(50).toString(), "noticeDays", 10));
        assertThat(named("?name=filter")).hasSize(4);
        assertThat(named("?name=FILTER&holder=" + holder)).containsExactly("Filter: held");
        assertThat(named("?name=filter&holder=agency"))
                .doesNotContain("Filter: held")
                .hasSize(3);
        assertThat(named("?name=filter&basis=TRIAL")).containsExactly("Filter: held");
        assertThat(named("?name=filter&state=ENDED")).containsExactly("Filter: over");
        assertThat(named("?name=filter&state=ENDING")).containsExactly("Filter: 50% soon");
        assertThat(named("?name=filter&state=RUNNING&order=ends"))
                .containsExactly("Filter: 50% soon", "Filter: later", "Filter: held");
        assertThat(named("?name=0%25")).as("a sign of a pattern is no pattern").containsExactly("Filter: 50% soon");
        assertThat(caller.get("/api/licenses?state=GONE").status()).isEqualTo(400);
    }

    private void record(Map<String, Object> terms) {
        assertThat(caller.send("POST", "/api/licenses", terms).status()).isEqualTo(201);
    }

    private List<String> named(String query) {
        return caller.get("/api/licenses" + query)
                .json()
                .get("items")
                .valueStream()
                .map(one -> one.get("terms").get("name").asString())
                .toList();
    }
}
