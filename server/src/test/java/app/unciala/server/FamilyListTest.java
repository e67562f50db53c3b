package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** The list of families, narrowed and ordered by what stands in its address. */
class FamilyListTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;
    private static String penmarrow;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        penmarrow = caller.hold("Penmarrow-Regular.ttf");
        caller.hold("Osier-Regular.ttf");
        caller.hold("Gannet-Bold.ttf");
        String hollin = caller.hold("Hollin-Regular.ttf");
        caller.site("Tarn Bakery", "tarn.example", penmarrow, 400);
        caller.site("Tarn Cart", "cart.example", penmarrow, 400);
        caller.send("POST", "/api/licenses", Samples.license(penmarrow, "tarn.example"));
        JsonNode file =
                caller.get("/api/families/" + penmarrow).json().get("files").get(0);
        caller.send(
                "POST",
                "/api/families/" + penmarrow + "/files/" + file.get("id").asString() + "/formats/woff2",
                Map.of());
        edit(hollin, Map.of("name", "Hollin", "foundry", "Hollin Type", "classification", "DISPLAY"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''|Gannet, Hollin, Osier, Penmarrow",
                "name=s|Osier",
                "name=O s i E|Osier",
                "license=YES|Penmarrow",
                "license=NO|Gannet, Hollin, Osier",
                "use=YES|Penmarrow",
                "use=NO&name=o|Hollin, Osier",
                "lacking=woff2|Gannet, Hollin, Osier",
                "lacking=ttf|''",
                "language=de|Gannet, Hollin, Osier, Penmarrow",
                "language=e|''",
                "language=ja|''",
                "classification=DISPLAY|Hollin",
                "foundry=Hollin Type|Hollin",
                "variable=true|''",
                "variable=false&license=YES|Penmarrow",
                "client=nobody|''",
                "order=NEWEST|Hollin, Gannet, Osier, Penmarrow",
            })
    void whatStandsInTheAddressNarrowsAndOrders(String query, String names) {
        List<String> expected = names == null || names.isEmpty() ? List.of() : List.of(names.split(", "));
        assertThat(names("?" + query.replace(" ", "%20"))).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "group=FOUNDRY&name=o|Hollin Type: Hollin, Marrow Type: Penmarrow, : Osier",
                "group=FOUNDRY&order=NEWEST|Hollin Type: Hollin, Marrow Type: Penmarrow, : Gannet, : Osier",
                "group=CLIENT&name=o|Client of Tarn Bakery: Penmarrow, Client of Tarn Cart: Penmarrow, : Hollin, : Osier",
                "name=hollin|none: Hollin",
            })
    void familiesStandUnderTheirFoundryOrUnderEachOfTheirClients(String query, String expected) {
        assertThat(under(query)).containsExactly(expected.split(", "));
    }

    @ParameterizedTest
    @ValueSource(strings = {"FOUNDRY", "CLIENT"})
    void aGatheredListIsTheSameInPagesOfOne(String group) {
        assertThat(under("limit=1&group=" + group))
                .hasSizeGreaterThanOrEqualTo(4)
                .doesNotHaveDuplicates()
                .isEqualTo(under("group=" + group));
    }

    private static List<String> under(String query) {
        List<String> found = new ArrayList<>();
        String cursor = "";
        do {
            JsonNode page =
                    caller.get("/api/families?" + query + "&cursor=" + cursor).json();
            page.get("items").forEach(family -> {
                JsonNode under = family.get("under");
                found.add((under.isEmpty() ? "none" : under.get(0).get("name").asString()) + ": "
                        + family.get("name").asString());
            });
            cursor = page.get("next").isNull() ? "" : page.get("next").asString();
        } while (!cursor.isEmpty());
        return found;
    }

    @ParameterizedTest
    @ValueSource(strings = {"NAME", "NEWEST"})
    void pagesFollowOneAnotherWithoutGapsAndRepeats(String order) {
        List<String> all = new ArrayList<>();
        String cursor = "";
        do {
            JsonNode page = caller.get("/api/families?limit=1&order=" + order + "&cursor=" + cursor)
                    .json();
            page.get("items").forEach(family -> all.add(family.get("name").asString()));
            cursor = page.get("next").isNull() ? "" : page.get("next").asString();
        } while (!cursor.isEmpty());
        assertThat(all).isEqualTo(names("?order=" + order));
    }

    @Test
    void aFamilyOfAClientIsOneThatIsUsedOnASiteOfIt() {
        String client =
                caller.get("/api/clients").json().get("items").get(0).get("id").asString();
        assertThat(names("?client=" + client)).containsExactly("Penmarrow");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "license=PERHAPS",
                "use=x",
                "classification=WEDGE",
                "variable=maybe",
                "order=SIZE",
                "group=SHELF",
                "cursor=x"
            })
    void aFilterThatIsNoneIsRefused(String query) {
        assertThat(caller.get("/api/families?" + query).status()).isBetween(400, 422);
    }

    @Test
    void foundriesAreListedOnceAndEditsAreInTheHistory() {
        assertThat(caller.get("/api/families/foundries").text()).contains("Hollin Type");
        String id = caller.get("/api/families?name=osier")
                .json()
                .get("items")
                .get(0)
                .get("id")
                .asString();
        assertThat(edit(id, Map.of("name", "Osier", "classification", "HANDWRITING"))
                        .status())
                .isEqualTo(200);
        JsonNode entry = caller.get("/api/history?type=family&id=" + id)
                .json()
                .get("items")
                .get(0);
        assertThat(entry.get("text").asString()).isEqualTo("Changed “Osier”");
        assertThat(entry.toString()).contains("handwriting");
        assertThat(edit(id, Map.of("name", "Osier", "foundry", "x".repeat(301)))
                        .json()
                        .toString())
                .contains("foundry");
        assertThat(caller.get("/api/families/" + id)
                        .json()
                        .get("classification")
                        .asString())
                .as("what is left out stays")
                .isEqualTo("HANDWRITING");
    }

    @Test
    void aFileTellsTheDropThatItCameInBy() {
        JsonNode origins = caller.get("/api/families/" + penmarrow + "/origins").json();
        JsonNode files = caller.get("/api/families/" + penmarrow).json().get("files");
        String came = "";
        String made = "";
        for (JsonNode file : files) {
            if (file.get("madeHere").asBoolean()) {
                made = file.get("id").asString();
            } else {
                came = file.get("id").asString();
            }
        }
        assertThat(origins.get(came).get("path").asString()).isEqualTo("Penmarrow-Regular.ttf");
        assertThat(caller.get("/api/intakes/"
                                + origins.get(came).get("intakeId").asString())
                        .status())
                .isEqualTo(200);
        assertThat(origins.has(made)).isFalse();
        assertThat(caller.get("/api/families/none/origins").status()).isEqualTo(404);
        assertThat(caller.get("/api/families/none/superseded").status()).isEqualTo(404);
    }

    private static Answer edit(String id, Map<String, Object> draft) {
        String tag = caller.get("/api/families/" + id).header("ETag");
        return caller.send("PUT", "/api/families/" + id, draft, Map.of("If-Match", tag));
    }

    private static List<String> names(String query) {
        List<String> names = new ArrayList<>();
        caller.get("/api/families" + query)
                .json()
                .get("items")
                .forEach(family -> names.add(family.get("name").asString()));
        return names;
    }
}
