package app.unciala.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** What the server refuses: with a status, the field and a sentence, and with nothing changed. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class RefusalsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private Caller caller;
    private String family;
    private String license;
    private String site;
    private String client;

    @BeforeAll
    void anInventory() {
        caller = SERVER.signIn();
        family = caller.hold("Wendlow-Regular.ttf");
        license = caller.send("POST", "/api/licenses", Samples.license(family, "wendlow.example"))
                .json()
                .get("id")
                .asString();
        site = caller.site("Wendlow House", "wendlow.example", family, 400);
        client = caller.get("/api/sites/" + site).json().get("clientId").asString();
    }

    static Stream<Arguments> licenses() {
        return Stream.of(
                arguments("name", " ", "between 1 and 300 characters"),
                arguments("name", "x".repeat(301), "between 1 and 300 characters"),
                arguments("vendor", "x".repeat(301), "at most 300 characters"),
                arguments("basis", "BORROWED", "basis"),
                arguments("spdx", "Borrowed-1.0", "spdx"),
                arguments("holderId", "nobody", "holderId"),
                arguments("domainLimit", 0, "domainLimit"),
                arguments("pageViewLimit", -1, "pageViewLimit"),
                arguments("counting", "BY_FEEL", "counting"),
                arguments("pricePer", "DECADE", "pricePer"),
                arguments("quotes", Map.of("CUTTING", Map.of("text", "")), "quotes"),
                arguments("webUse", "PERHAPS", "webUse"),
                arguments("covers", List.of(covered("no-such-family")), "no-such-family"),
                arguments("covers", List.of(Map.of("familyId", "", "faces", List.of())), "is a family"),
                arguments("covers", Arrays.asList((Object) null), "is an object"),
                arguments("covers", Collections.nCopies(2001, covered("f")), "at most 2,000 families"),
                arguments("domains", List.of("a b"), "a b"),
                arguments("domains", List.of("*.*.example"), "*.example"),
                arguments("domains", List.of("-bad-.example"), "-bad-.example"),
                arguments("domains", Collections.nCopies(501, "a.example"), "at most 500 domains"),
                arguments("domains", Arrays.asList((Object) null), "is a text"),
                arguments("formats", List.of("bmp"), "“bmp” isn’t a font format"),
                arguments("begins", "yesterday", "begins"),
                arguments("ends", "1066-10-14", "between the years 1900 and 3000"),
                arguments("nextPayment", "-900000000-01-01", "between the years 1900 and 3000"),
                arguments("confirmedOn", "+900000-01-01", "between the years 1900 and 3000"),
                arguments("noticeDays", -1, "0 to 3,650"),
                arguments("noticeDays", 3651, "0 to 3,650"),
                arguments("price", -1, "0 or more"),
                arguments("price", 100_000_000_001L, "at most a billion"),
                arguments("currency", "€", "three letters"),
                arguments("currency", "ABCD", "three letters"),
                arguments("currency", "QQQ", "“QQQ” isn’t a currency"),
                arguments("proof", "x".repeat(1001), "at most 1,000 characters"),
                arguments("notes", "x".repeat(20_001), "at most 20,000 characters"));
    }

    private static Map<String, Object> covered(String family) {
        return Map.of("familyId", family, "faces", List.of());
    }

    @ParameterizedTest
    @MethodSource("licenses")
    void aLicenseStaysAsItIs(String field, Object value, String sentence) {
        refused("/api/licenses/" + license, "terms", field, value, sentence);
    }

    @Test
    void aLicenseDoesNotEndBeforeItBegins() {
        Answer answer =
                caller.edit("/api/licenses/" + license, "terms", Map.of("begins", "2030-05-02", "ends", "2030-05-01"));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("before it begins on 2030-05-02");
        assertThat(caller.edit(
                                "/api/licenses/" + license,
                                "terms",
                                Map.of("begins", "2030-05-01", "ends", "2030-05-01"))
                        .status())
                .as("one day is a time")
                .isEqualTo(200);
    }

    static Stream<Arguments> sites() {
        Map<String, Object> face = Samples.face(400, "upright");
        return Stream.of(
                arguments("name", "", "between 1 and 300 characters"),
                arguments("name", "x".repeat(301), "between 1 and 300 characters"),
                arguments("clientId", "nobody", "nobody"),
                arguments("clientId", "", "belongs to a client"),
                arguments("domains", List.of("house.example", "h ouse.example"), "h ouse.example"),
                arguments("domains", List.of("house..example"), "house..example"),
                arguments("domains", List.of("*.house.example"), "*.house.example"),
                arguments("domains", Collections.nCopies(201, "a.example"), "at most 200 domains"),
                arguments("roles", List.of(Samples.role("HEADINGS", "unknown", List.of(face))), "unknown"),
                arguments("roles", List.of(Samples.role("FOOTNOTES", "x", List.of(face))), "role"),
                arguments("roles", List.of(Samples.role("HEADINGS", "", List.of(face))), "needs a family"),
                arguments(
                        "roles",
                        List.of(Samples.role("HEADINGS", "f", Collections.nCopies(201, face))),
                        "at most 200 faces"),
                arguments("roles", Arrays.asList((Object) null), "is an object"),
                arguments("roles", Collections.nCopies(51, Samples.role("CODE", "f", List.of())), "at most 50 roles"));
    }

    @ParameterizedTest
    @MethodSource("sites")
    void aSiteStaysAsItIs(String field, Object value, String sentence) {
        refused("/api/sites/" + site, "", field, value, sentence);
    }

    @ParameterizedTest
    @ValueSource(strings = {"slanted", "", "UPRIGHT?"})
    void aFaceHasASlopeThatIsOne(String slope) {
        Map<String, Object> role = Samples.role("HEADINGS", family, List.of(Samples.face(400, slope)));
        Answer answer = caller.edit("/api/sites/" + site, "", Map.of("roles", List.of(role)));
        assertThat(answer.status()).isEqualTo(422);
        Map<String, Object> covers = Map.of("familyId", family, "faces", List.of(Samples.face(400, slope)));
        assertThat(caller.edit("/api/licenses/" + license, "terms", Map.of("covers", List.of(covers)))
                        .status())
                .isEqualTo(422);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, -100, 1001})
    void aFaceHasAWeightThatIsOne(int weight) {
        Map<String, Object> role = Samples.role("HEADINGS", family, List.of(Samples.face(weight, "upright")));
        Answer answer = caller.edit("/api/sites/" + site, "", Map.of("roles", List.of(role)));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("weight");
    }

    @Test
    void aRoleIsSetOnce() {
        Map<String, Object> role = Samples.role("CODE", family, List.of(Samples.face(400, "upright")));
        Answer answer = caller.edit("/api/sites/" + site, "", Map.of("roles", List.of(role, role)));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("is set twice");
    }

    /** A field with a wrong value is refused with a sentence, and the record reads as before. */
    private void refused(String path, String part, String field, Object value, String sentence) {
        String before = caller.get(path).text();
        String tag = caller.get(path).header("ETag");
        Map<String, Object> change = new HashMap<>();
        change.put(field, value);
        Answer answer = caller.edit(path, part, change);
        assertThat(answer.status()).as(answer.text()).isIn(400, 422);
        assertThat(answer.header("Content-Type")).startsWith("application/problem+json");
        assertThat(answer.text()).contains(sentence);
        JsonNode errors = answer.json().get("errors");
        assertThat(errors).as("the field is named: " + answer.text()).isNotNull();
        assertThat(errors.get(0).get("field").asString()).startsWith(field);
        assertThat(caller.get(path).text()).isEqualTo(before);
        assertThat(caller.get(path).header("ETag")).isEqualTo(tag);
    }

    @ParameterizedTest
    @ValueSource(strings = {"licenses", "sites", "families", "clients"})
    void anEditNamesTheVersionItIsBasedOn(String kind) {
        String id = Map.of("licenses", license, "sites", site, "families", family, "clients", client)
                .get(kind);
        String path = "/api/" + kind + "/" + id;
        Map<String, Object> draft = new LinkedHashMap<>();
        JsonNode record = kind.equals("licenses")
                ? caller.get(path).json().get("terms")
                : caller.get(path).json();
        record.properties().forEach(field -> draft.put(field.getKey(), field.getValue()));
        assertThat(caller.send("PUT", path, draft).status()).isEqualTo(428);
        for (String tag : List.of("\"999\"", "\"\"", "*", "\"first\"", "W/\"998\"")) {
            Answer answer = caller.send("PUT", path, draft, Map.of("If-Match", tag));
            assertThat(answer.status()).as(tag).isEqualTo(412);
            assertThat(answer.json().get("detail").asString()).isNotBlank();
        }
        assertThat(caller.send(
                                "PUT",
                                path,
                                draft,
                                Map.of("If-Match", caller.get(path).header("ETag")))
                        .status())
                .isEqualTo(200);
    }

    @ParameterizedTest
    @ValueSource(strings = {"licenses", "sites", "clients"})
    void aDeletionNamesTheVersionItIsBasedOn(String kind) {
        String id =
                Map.of("licenses", license, "sites", site, "clients", client).get(kind);
        String path = "/api/" + kind + "/" + id;
        assertThat(caller.delete(path).status()).isEqualTo(428);
        assertThat(caller.delete(path, "\"999\"").status()).isEqualTo(412);
        assertThat(caller.get(path).status()).isEqualTo(200);
    }

    @Test
    void aClientWithASiteStaysAndNamesIt() {
        String path = "/api/clients/" + client;
        Answer answer = caller.delete(path, caller.get(path).header("ETag"));
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.text()).contains("Wendlow House");
        assertThat(caller.get(path + "/dependents").json().get(0).asString()).isEqualTo("Wendlow House");
    }

    static Stream<String> nowhere() {
        List<String> addresses = new ArrayList<>();
        for (String kind : List.of("families", "licenses", "sites", "clients", "packs", "flags", "intakes")) {
            addresses.add("/api/" + kind + "/nowhere");
        }
        addresses.addAll(List.of(
                "/api/packs/nowhere.zip",
                "/api/sites/nowhere/packs",
                "/api/sites/nowhere/comparison",
                "/api/licenses/nowhere/dependents",
                "/api/clients/nowhere/dependents",
                "/api/flags/nowhere/story",
                "/api/intakes/nowhere/items/1/bytes",
                "/api/backups/nowhere.zip",
                "/api/backups/..%2Funciala.mv.db",
                "/api/files/" + "0".repeat(64),
                "/api/files/short",
                "/api/files/..%2F..%2Funciala.mv.db",
                "/api/nowhere"));
        return addresses.stream();
    }

    @ParameterizedTest
    @MethodSource("nowhere")
    void whatIsNotThereIsSaidToBeNotThere(String address) {
        Answer answer = caller.get(address);
        assertThat(answer.status()).as(answer.text()).isIn(400, 404, 422);
        assertThat(answer.text()).doesNotContain("Exception").doesNotContain("\tat ");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/flags?state=perhaps",
                "/api/flags?group=LOST",
                "/api/flags?severity=GRAVE",
                "/api/flags/gathered?by=WEATHER",
                "/api/families?limit=none",
                "/api/licenses?limit=99999999999999",
                "/api/history?from=soon",
                "/api/history?until=2030-13-45"
            })
    void aFilterThatIsNoneIsRefusedByItsName(String address) {
        Answer answer = caller.get(address);
        assertThat(answer.status()).as(answer.text()).isIn(400, 422);
        String name = address.substring(address.indexOf('?') + 1, address.indexOf('='));
        assertThat(answer.text()).contains(name);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"/api/families", "/api/licenses", "/api/sites", "/api/clients", "/api/flags", "/api/history"})
    void aListTakesAnyLimitAndNoForeignCursor(String list) {
        for (String limit : List.of("0", "-5", "1", "1000000")) {
            assertThat(caller.get(list + "?limit=" + limit).status()).as(limit).isEqualTo(200);
        }
        for (String cursor : List.of("x", "%00", "Zm9v", "eyJhIjoxfQ", "%22%3B--")) {
            assertThat(caller.get(list + "?cursor=" + cursor).status())
                    .as(cursor)
                    .isIn(400, 422);
        }
    }

    @Test
    void aSearchTakesWhateverIsTyped() {
        for (String typed :
                List.of("", "%20", "%25", "_", "%27", "wen%25low", "a".repeat(2000), "%F0%9F%91%8D", "%5C")) {
            Answer answer = caller.get("/api/search?q=" + typed);
            assertThat(answer.status()).as(typed).isIn(200, 422);
        }
        assertThat(caller.get("/api/search?q=%25").json().get("hits"))
                .as("a per cent sign is a letter")
                .isEmpty();
        assertThat(caller.get("/api/search?q=_").json().get("hits"))
                .as("so is a low line")
                .isEmpty();
        assertThat(caller.get("/api/search?q=wendlow").json().get("hits")).isNotEmpty();
    }

    @Test
    void anIntakeThatIsOverIsNotCorrectedNorAcceptedAgain() {
        JsonNode intake = caller.takeIn(Map.of("Osier-Regular.ttf", Samples.font("Osier-Regular.ttf")));
        String path = "/api/intakes/" + intake.get("summary").get("id").asString();
        String item = intake.get("rows").get(0).get("id").asString();
        assertThat(caller.send("PATCH", path + "/items/nowhere", Map.of("included", true))
                        .status())
                .isEqualTo(404);
        assertThat(caller.send("PATCH", path + "/items/" + item, Map.of("family", " "))
                        .status())
                .isEqualTo(422);
        assertThat(caller.send("PATCH", path + "/items/" + item, Map.of("slot", Samples.face(0, "upright")))
                        .status())
                .isEqualTo(422);
        assertThat(caller.send("PATCH", path + "/items/" + item, Map.of("included", false))
                        .status())
                .isEqualTo(200);
        Answer nothing = caller.send("POST", path + "/accept", Map.of());
        assertThat(nothing.status()).isEqualTo(422);
        assertThat(nothing.text()).contains("No file of this intake is marked");
        caller.send("PATCH", path + "/items/" + item, Map.of("included", true));
        assertThat(caller.send("POST", path + "/accept", Map.of()).status()).isEqualTo(200);
        for (Answer late : List.of(
                caller.send("POST", path + "/accept", Map.of()),
                caller.send("PATCH", path + "/items/" + item, Map.of("included", false)),
                caller.delete(path))) {
            assertThat(late.status()).as(late.text()).isEqualTo(409);
        }
    }

    @Test
    void whatIsNoFontIsNotCorrected() {
        JsonNode intake = caller.takeIn(Map.of("notes.txt", "hello".getBytes(UTF_8)));
        String path = "/api/intakes/" + intake.get("summary").get("id").asString();
        String item = intake.get("rows").get(0).get("id").asString();
        Answer answer = caller.send("PATCH", path + "/items/" + item, Map.of("included", true));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("notes.txt isn’t a font");
        assertThat(caller.delete(path).status()).isEqualTo(200);
        assertThat(caller.delete(path).status()).as("thrown away already").isEqualTo(409);
    }

    @Test
    void aPackIsNotMadeOfNothing() {
        String bare = caller.site("Bare", "bare.example", family);
        Answer none = caller.send("POST", "/api/sites/" + bare + "/packs", Map.of());
        assertThat(none.status()).isEqualTo(422);
        assertThat(none.text()).contains("asks for no faces yet");
        String elsewhere = caller.site("Elsewhere", "elsewhere.example", family, 400);
        Answer refused = caller.send("POST", "/api/sites/" + elsewhere + "/packs", Map.of());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text())
                .contains("Nothing may go into a pack for Elsewhere")
                .contains("elsewhere.example");
        assertThat(caller.get("/api/sites/" + elsewhere + "/packs").json().get("items"))
                .isEmpty();
    }

    @Test
    void twoFamiliesDoNotHaveOneName() {
        String other = caller.hold("Gannet-Regular.ttf");
        String path = "/api/families/" + other;
        for (String name : List.of("Wendlow", " wendlow ", "WENDLOW", "Ｗendlow")) {
            Answer answer = caller.send(
                    "PUT",
                    path,
                    Map.of("name", name),
                    Map.of("If-Match", caller.get(path).header("ETag")));
            assertThat(answer.status()).as(name).isEqualTo(409);
            assertThat(answer.text()).contains("There is a family named “Wendlow” already.");
        }
        assertThat(caller.get(path).json().get("name").asString()).isEqualTo("Gannet");
    }

    @Test
    void whatCannotBeTakenBackSaysSo() {
        JsonNode entries = caller.get("/api/history?limit=500").json().get("items");
        int refused = 0;
        for (JsonNode entry : entries) {
            if (!entry.get("undoable").asBoolean()) {
                Answer answer =
                        caller.send("POST", "/api/history/" + entry.get("id").asString() + "/undo", Map.of());
                assertThat(answer.status()).isEqualTo(409);
                assertThat(answer.json().get("detail").asString()).isNotBlank();
                refused++;
            }
        }
        assertThat(refused).isPositive();
        assertThat(caller.send("POST", "/api/history/0/undo", Map.of()).status())
                .isEqualTo(404);
        assertThat(caller.send("POST", "/api/history/first/undo", Map.of()).status())
                .isEqualTo(404);
    }

    @Test
    void aReaderIsRefusedWhateverTheyChange() {
        Caller reader = SERVER.join("looks-only", "READER");
        String tag = caller.get("/api/licenses/" + license).header("ETag");
        assertThat(reader.edit("/api/licenses/" + license, "terms", Map.of("notes", "mine"))
                        .status())
                .isEqualTo(403);
        assertThat(reader.edit("/api/sites/" + site, "", Map.of("name", "mine")).status())
                .isEqualTo(403);
        assertThat(reader.send("POST", "/api/sites/" + site + "/packs", Map.of())
                        .status())
                .isEqualTo(403);
        assertThat(reader.delete("/api/licenses/" + license, tag).status()).isEqualTo(403);
        assertThat(reader.send("POST", "/api/flags/acceptance", Map.of()).status())
                .isEqualTo(403);
        assertThat(reader.send("POST", "/api/history/1/undo", Map.of()).status())
                .isEqualTo(403);
        assertThat(caller.get("/api/licenses/" + license).header("ETag")).isEqualTo(tag);
    }
}
