package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Several people at one inventory: nothing happens twice, nothing is lost, and what was done can be taken back. */
class SharedInventoryTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private Caller caller;

    @BeforeEach
    void signIn() {
        caller = SERVER.signIn();
    }

    @Test
    void anIntakeIsAcceptedExactlyOnceHoweverManyAskAtOnce() throws Exception {
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (int weight : new int[] {300, 400, 500, 700}) {
            byte[] bytes = Samples.font("Ostrel-"
                    + Map.of(300, "Light", 400, "Regular", 500, "Medium", 700, "Bold")
                            .get(weight) + ".ttf");
            files.put("o" + weight + ".ttf", bytes);
        }
        String path = "/api/intakes/"
                + caller.takeIn(Map.of("many.zip", Samples.zip(files)))
                        .get("summary")
                        .get("id")
                        .asString();
        List<Caller> callers = List.of(SERVER.signIn(), SERVER.signIn(), SERVER.signIn(), SERVER.signIn());
        List<Integer> statuses = new ArrayList<>();
        ExecutorService threads = Executors.newFixedThreadPool(callers.size());
        try {
            List<Callable<Integer>> all = callers.stream()
                    .<Callable<Integer>>map(one ->
                            () -> one.send("POST", path + "/accept", Map.of()).status())
                    .toList();
            for (Future<Integer> status : threads.invokeAll(all)) {
                statuses.add(status.get());
            }
        } finally {
            threads.shutdownNow();
        }
        assertThat(statuses).containsExactlyInAnyOrder(200, 409, 409, 409);
        JsonNode family =
                caller.get("/api/families?name=ostrel").json().get("items").get(0);
        assertThat(family.get("files")).hasSize(4);
        assertNothingToMend();
    }

    @Test
    void manyMayLookAtAnIntakeWhileItsVerdictsAreOutdated() throws Exception {
        String path = "/api/intakes/"
                + caller.takeIn(Map.of("look.ttf", Samples.font("Hollin-Bold.ttf")))
                        .get("summary")
                        .get("id")
                        .asString();
        ExecutorService threads = Executors.newFixedThreadPool(6);
        try {
            for (String font : List.of("Hollin-Regular.ttf", "FenwickGrotesk-Bold.ttf", "FenwickGrotesk-Regular.ttf")) {
                caller.hold(font);
                List<Callable<Integer>> looks = new ArrayList<>();
                for (int i = 0; i < 6; i++) {
                    looks.add(() -> caller.get(path).status());
                }
                for (Future<Integer> status : threads.invokeAll(looks)) {
                    assertThat(status.get()).isEqualTo(200);
                }
            }
        } finally {
            threads.shutdownNow();
        }
    }

    @Test
    void anAcceptedIntakeKeepsItsVerdictsAndIsTakenBackUnlessItIsUsed() {
        JsonNode intake = caller.takeIn(new LinkedHashMap<>(Map.of(
                "a.ttf", Samples.font("Vellumine-Regular.ttf"), "copy.ttf", Samples.font("Vellumine-Regular.ttf"))));
        String path = "/api/intakes/" + intake.get("summary").get("id").asString();
        Answer accepted = caller.send("POST", path + "/accept", Map.of());
        assertThat(verdicts(path)).containsExactly("NEW_FAMILY", "SAME_BYTES");
        String family = accepted.json().get("familyIds").get(0).asString();
        assertThat(undo(accepted)).isEqualTo(204);
        assertThat(caller.get("/api/families/" + family).status()).isEqualTo(404);
        assertThat(caller.get(path).json().get("state").asString()).isEqualTo("REVIEW");
        assertThat(undo(accepted)).as("only once").isEqualTo(409);
        Answer again = caller.send("POST", path + "/accept", Map.of());
        String id = again.json().get("familyIds").get(0).asString();
        caller.site("Uses it", "uses.example", id, 400);
        Answer refused = caller.send(
                "POST", "/api/history/" + again.json().get("historyId").asString() + "/undo", Map.of());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("now in use");
        assertNothingToMend();
    }

    @Test
    void removingTheOnlyFileSilencesNoFlagOfAFaceThatASiteAsksFor() {
        String family = caller.hold("Brantle-Regular.ttf");
        String site = caller.site("Asks for bold", "bold.example", family, 700);
        assertThat(caller.kinds("?site=" + site)).containsExactly("NO_LICENSE", "FACE_NOT_HELD");
        JsonNode held = caller.get("/api/families/" + family).json();
        String file = held.get("files").get(0).get("id").asString();
        Answer removed = caller.delete("/api/families/" + family + "/files/" + file, tag("/api/families/" + family));
        assertThat(removed.status()).isEqualTo(200);
        assertThat(caller.get("/api/families/" + family).json().get("files")).isEmpty();
        assertThat(caller.kinds("?site=" + site)).containsExactly("NO_LICENSE", "FACE_NOT_HELD");
        assertThat(undo(removed)).isEqualTo(204);
        assertThat(caller.get("/api/families/" + family).json().get("files")).hasSize(1);
        assertNothingToMend();
    }

    @Test
    void referencesAreCheckedOnEveryWrite() {
        Answer site = caller.send(
                "POST",
                "/api/sites",
                Map.of(
                        "clientId",
                        caller.send("POST", "/api/clients", Map.of("name", "C"))
                                .json()
                                .get("id")
                                .asString(),
                        "name",
                        "S",
                        "roles",
                        List.of(Samples.role("CODE", "nosuchfamily", List.of()))));
        assertThat(site.status()).isEqualTo(422);
        assertThat(site.text()).contains("nosuchfamily").contains("roles");
        Map<String, Object> license = new LinkedHashMap<>(Samples.license("nosuchfamily", "a.example"));
        assertThat(caller.send("POST", "/api/licenses", license).status()).isEqualTo(422);
        String family = caller.hold("Wendlow-Regular.ttf");
        license.put("covers", List.of(Map.of("familyId", family, "faces", List.of(Samples.face(400, "wavy")))));
        Answer wavy = caller.send("POST", "/api/licenses", license);
        assertThat(wavy.status()).isEqualTo(422);
        assertThat(wavy.text()).contains("wavy");
        license.put("covers", List.of(new LinkedHashMap<>()));
        assertThat(caller.send("POST", "/api/licenses", license).status()).isEqualTo(422);
        assertThat(caller.get("/api/flags").status()).isEqualTo(200);
    }

    @Test
    void nothingIsConvertedAgainstALicenseAndTheFlagDoesNotAskForIt() {
        String family = caller.hold("TilletMono-Regular.ttf");
        caller.site("Code", "code.example", family, 400);
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "code.example"));
        terms.put("converting", "REFUSED");
        caller.send("POST", "/api/licenses", terms);
        String file = caller.get("/api/families/" + family)
                .json()
                .get("files")
                .get(0)
                .get("id")
                .asString();
        Answer refused = caller.send("POST", "/api/families/" + family + "/files/" + file + "/formats/woff2", Map.of());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("converting to other formats is refused");
        caller.get("/api/flags?family=" + family).json().get("items").forEach(flag -> assertThat(
                        flag.get("action").asString())
                .isNotEqualTo("MAKE_WOFF2"));
        assertThat(caller.kinds("?family=" + family)).contains("WEB_FORMAT_NOT_HELD", "CONVERTING_NOT_PERMITTED");
    }

    @Test
    void aPackSaysThatItIsOutOfDateAndWhy() {
        String family = caller.hold("Gannet-Regular.ttf");
        String site = caller.site("Ferries", "ferries.example", family, 400);
        String license = "/api/licenses/"
                + caller.send("POST", "/api/licenses", Samples.license(family, "ferries.example"))
                        .json()
                        .get("id")
                        .asString();
        Answer pack = caller.send("POST", "/api/sites/" + site + "/packs", Map.of());
        assertThat(pack.json().get("changedSince")).isEmpty();
        String path = "/api/packs/" + pack.json().get("id").asString();
        assertThat(caller.get(path + ".zip").header("Content-Disposition")).contains("ferries-type-");
        caller.edit(license, "terms", Map.of("webUse", "REFUSED"));
        assertThat(caller.get(path).json().get("changedSince").toString())
                .contains("Gannet Regular is no longer allowed: use on web pages is refused");
        caller.edit(license, "terms", Map.of("webUse", "GRANTED"));
        assertThat(caller.get(path).json().get("changedSince")).isEmpty();
        caller.edit("/api/sites/" + site, "", Map.of("domains", List.of("ferries.example", "b.example")));
        assertThat(caller.get("/api/sites/" + site + "/packs")
                        .json()
                        .get("items")
                        .get(0)
                        .get("changedSince"))
                .isNotEmpty();
    }

    @Test
    void whatIsDeletedNamesWhatDependsOnItAndComesBack() {
        String family = caller.hold("Osier-Regular.ttf");
        String site = caller.site("Readings", "readings.example", family, 400);
        String license = caller.send("POST", "/api/licenses", Samples.license(family, "readings.example"))
                .json()
                .get("id")
                .asString();
        String client = caller.get("/api/sites/" + site).json().get("clientId").asString();
        assertThat(caller.get("/api/licenses/" + license + "/dependents").text())
                .contains(site);
        assertThat(caller.get("/api/clients/" + client + "/dependents").text()).contains("Readings");
        assertThat(caller.delete("/api/clients/" + client, tag("/api/clients/" + client))
                        .status())
                .isEqualTo(409);
        assertThat(caller.delete("/api/licenses/" + license).status()).isEqualTo(428);

        Answer gone = caller.delete("/api/licenses/" + license, tag("/api/licenses/" + license));
        assertThat(caller.get("/api/licenses/" + license).status()).isEqualTo(404);
        assertThat(caller.kinds("?site=" + site)).contains("NO_LICENSE");
        assertThat(undo(gone)).isEqualTo(204);
        assertThat(caller.kinds("?site=" + site)).doesNotContain("NO_LICENSE");

        Answer siteGone = caller.delete("/api/sites/" + site, tag("/api/sites/" + site));
        assertThat(caller.kinds("?site=" + site)).isEmpty();
        Answer clientGone = caller.delete("/api/clients/" + client, tag("/api/clients/" + client));
        assertThat(undo(siteGone)).as("its client is gone").isEqualTo(409);
        assertThat(undo(clientGone)).isEqualTo(204);
        assertThat(undo(siteGone)).isEqualTo(204);
        assertThat(caller.get("/api/sites/" + site).status()).isEqualTo(200);
        assertNothingToMend();
    }

    @Test
    void historyTellsBeforeAndAfterAndIsFilteredAndEndless() {
        String client = caller.send("POST", "/api/clients", Map.of("name", "First name"))
                .json()
                .get("id")
                .asString();
        for (int i = 0; i < 12; i++) {
            caller.edit("/api/clients/" + client, "", Map.of("name", "Name " + i));
        }
        String filter = "/api/history?type=client&subject=" + client + "&limit=5";
        JsonNode page = caller.get(filter).json();
        JsonNode change = page.get("items").get(0).get("changes").get(0);
        assertThat(change.get("before").asString()).isEqualTo("Name 10");
        assertThat(change.get("after").asString()).isEqualTo("Name 11");
        int seen = 0;
        String cursor = "";
        do {
            JsonNode next = caller.get(filter + "&cursor=" + cursor).json();
            seen += next.get("items").size();
            cursor = next.get("next").isNull() ? "" : next.get("next").asString();
        } while (!cursor.isEmpty());
        assertThat(seen).isEqualTo(13);
        assertThat(caller.get("/api/history?by=nobody").json().get("items")).isEmpty();
        assertThat(caller.get("/api/history?from=2200-01-01T00:00:00Z").json().get("items"))
                .isEmpty();
        assertThat(caller.get("/api/history?cursor=nonsense").status()).isEqualTo(422);
    }

    private List<String> verdicts(String intake) {
        List<String> verdicts = new ArrayList<>();
        caller.get(intake)
                .json()
                .get("rows")
                .forEach(row -> verdicts.add(row.get("verdict").asString()));
        return verdicts;
    }

    private int undo(Answer done) {
        return caller.send(
                        "POST", "/api/history/" + done.json().get("historyId").asString() + "/undo", Map.of())
                .status();
    }

    private String tag(String path) {
        return caller.get(path).header("ETag");
    }

    private void assertNothingToMend() {
        assertThat(caller.send("POST", "/api/flags/comparison", Map.of())
                        .json()
                        .get("mended")
                        .asInt())
                .isZero();
    }
}
