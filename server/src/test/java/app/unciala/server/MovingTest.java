package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Held files move to another slot or family, families are merged, and all of it is taken back. */
class MovingTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private Caller caller;

    @BeforeEach
    void signIn() {
        caller = SERVER.signIn();
    }

    @Test
    void aFileMovesToItsRightSlotAndBack() {
        String family = caller.holdAs("Penmarrow-Regular.ttf", "Penmarrow 2");
        Answer moved = move(family, Map.of("slot", Samples.face(500, "upright")));
        assertThat(moved.status()).isEqualTo(200);
        assertThat(slots(family)).containsExactly("Medium");
        undo(moved);
        assertThat(slots(family)).containsExactly("Regular");
        assertThat(caller.get("/api/history?type=family&subject=" + family).text())
                .contains("Moved Penmarrow-Regular.ttf to Medium", "Undid: Moved");
    }

    @Test
    void theOnlyFileOfAFaceThatASiteAsksForStays() {
        String family = caller.holdAs("Penmarrow-Regular.ttf", "Penmarrow 3");
        caller.site("Tarn", "tarn.example", family, 400);
        Answer moved = move(family, Map.of("slot", Samples.face(500, "upright")));
        assertThat(moved.status()).isEqualTo(409);
        assertThat(moved.text()).contains("Tarn asks for");
        assertThat(slots(family)).containsExactly("Regular");
    }

    @Test
    void aFamilyIsSplitUnderANewNameAndBack() {
        String family = caller.holdAs("Penmarrow-Regular.ttf", "Penmarrow 4");
        caller.holdAs("Penmarrow-Bold.ttf", "Penmarrow 4");
        String bold = fileOf(family, "Bold");
        Answer split = moveTo(family, List.of(bold), Map.of("family", "Penmarrow Display"));
        String other = split.json().get("familyId").asString();
        assertThat(slots(family)).containsExactly("Regular");
        assertThat(slots(other)).containsExactly("Bold");
        assertThat(caller.kinds("?family=" + other)).contains("NO_LICENSE");
        undo(split);
        assertThat(slots(family)).containsExactly("Regular", "Bold");
        assertThat(caller.get("/api/families/" + other).status())
                .as("nothing names the new family")
                .isEqualTo(404);
    }

    @Test
    void aFamilyWhoseFilesAllLeaveGoesAndComesBack() {
        String family = caller.holdAs("Osier-Regular.ttf", "Osier 5");
        String other = caller.holdAs("Gannet-Regular.ttf", "Gannet 5");
        Answer moved = move(family, Map.of("family", "gannet-5", "slot", Samples.face(300, "upright")));
        assertThat(moved.json().get("familyId").asString()).isEqualTo(other);
        assertThat(caller.get("/api/families/" + family).status()).isEqualTo(404);
        assertThat(slots(other)).containsExactly("Light", "Regular");
        undo(moved);
        assertThat(slots(family)).containsExactly("Regular");
        assertThat(slots(other)).containsExactly("Regular");
    }

    @Test
    void whatDoesNotMoveIsRefused() {
        String family = caller.holdAs("Osier-Regular.ttf", "Osier 6");
        assertThat(move(family, Map.of()).status()).isEqualTo(422);
        assertThat(moveTo(family, List.of(), Map.of("family", "Other")).status())
                .isEqualTo(422);
        assertThat(moveTo(family, List.of("nothing"), Map.of("family", "Other")).status())
                .isEqualTo(404);
        assertThat(move(family, Map.of("slot", Samples.face(0, "upright"))).status())
                .isEqualTo(422);
        String path = "/api/families/" + family + "/files";
        Map<String, Object> body = Map.of("files", List.of(fileOf(family, "Regular")), "family", "Other");
        assertThat(caller.send("PATCH", path, body).status()).isEqualTo(428);
        assertThat(caller.send("PATCH", path, body, Map.of("If-Match", "\"77\""))
                        .status())
                .isEqualTo(412);
        assertThat(slots(family)).containsExactly("Regular");
    }

    @Test
    void mergingTakesSitesAndLicensesAlongAndIsTakenBack() {
        String family = caller.holdAs("Osier-Regular.ttf", "Osier 7");
        String into = caller.holdAs("Gannet-Bold.ttf", "Gannet 7");
        String site = caller.site("Tarn", "tarn.example", family, 400);
        String license = caller.send("POST", "/api/licenses", Samples.license(family, "tarn.example"))
                .json()
                .get("id")
                .asString();
        Answer merged = merge(family, into);
        assertThat(merged.status()).isEqualTo(200);
        assertThat(merged.json().get("undoable").asBoolean()).isTrue();
        assertThat(caller.get("/api/families/" + family).status()).isEqualTo(404);
        assertThat(slots(into)).containsExactly("Regular", "Bold");
        assertThat(caller.get("/api/sites/" + site).text()).contains(into).doesNotContain(family);
        assertThat(caller.get("/api/licenses/" + license).text()).contains(into).doesNotContain(family);
        assertThat(caller.kinds("?site=" + site)).isEmpty();
        undo(merged);
        assertThat(slots(family)).containsExactly("Regular");
        assertThat(slots(into)).containsExactly("Bold");
        assertThat(caller.get("/api/sites/" + site).text()).contains(family).doesNotContain(into);
        assertThat(caller.get("/api/licenses/" + license).text())
                .contains(family)
                .doesNotContain(into);
    }

    @Test
    void mergingIsNotTakenBackOnceASiteWasChanged() {
        String family = caller.holdAs("Osier-Regular.ttf", "Osier 8");
        String into = caller.holdAs("Gannet-Bold.ttf", "Gannet 8");
        String site = caller.site("Tarn", "tarn.example", family, 400);
        Answer merged = merge(family, into);
        caller.edit("/api/sites/" + site, "", Map.of("name", "Tarn Bakery"));
        Answer undone = caller.send(
                "POST", "/api/history/" + merged.json().get("historyId").asString() + "/undo", Map.of());
        assertThat(undone.status()).isEqualTo(409);
        assertThat(undone.text()).contains("Tarn Bakery").contains("was changed since");
        assertThat(slots(into)).containsExactly("Regular", "Bold");
    }

    @Test
    void oneLicenseForBothFamiliesCoversTheMergedOneOnceAndNoUndoIsOffered() {
        String family = caller.holdAs("Osier-Regular.ttf", "Osier 9");
        String into = caller.holdAs("Gannet-Bold.ttf", "Gannet 9");
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "tarn.example"));
        terms.put(
                "covers",
                List.of(
                        Map.of("familyId", family, "faces", List.of(Samples.face(400, "upright"))),
                        Map.of("familyId", into, "faces", List.of(Samples.face(700, "upright")))));
        String license =
                caller.send("POST", "/api/licenses", terms).json().get("id").asString();
        Answer merged = merge(family, into);
        assertThat(merged.json().get("undoable").asBoolean()).isFalse();
        JsonNode covers =
                caller.get("/api/licenses/" + license).json().get("terms").get("covers");
        assertThat(covers).hasSize(1);
        assertThat(covers.get(0).get("faces")).hasSize(2);
        assertThat(merge(into, into).status()).isEqualTo(422);
        assertThat(merge(into, "nowhere").status()).isEqualTo(422);
    }

    private Answer move(String family, Map<String, Object> where) {
        return moveTo(
                family,
                List.of(caller.get("/api/families/" + family)
                        .json()
                        .get("files")
                        .get(0)
                        .get("id")
                        .asString()),
                where);
    }

    private Answer moveTo(String family, List<String> files, Map<String, Object> where) {
        Map<String, Object> body = new LinkedHashMap<>(where);
        body.put("files", files);
        return caller.send("PATCH", "/api/families/" + family + "/files", body, Map.of("If-Match", tag(family)));
    }

    private Answer merge(String family, String into) {
        return caller.send(
                "POST", "/api/families/" + family + "/merge", Map.of("into", into), Map.of("If-Match", tag(family)));
    }

    private String tag(String family) {
        return caller.get("/api/families/" + family).header("ETag");
    }

    private void undo(Answer done) {
        assertThat(caller.send(
                                "POST",
                                "/api/history/" + done.json().get("historyId").asString() + "/undo",
                                Map.of())
                        .status())
                .isLessThan(300);
    }

    private List<String> slots(String family) {
        return caller.get("/api/families/" + family)
                .json()
                .get("files")
                .valueStream()
                .map(file -> file.get("slot").get("label").asString())
                .toList();
    }

    private String fileOf(String family, String label) {
        return caller.get("/api/families/" + family)
                .json()
                .get("files")
                .valueStream()
                .filter(file -> file.get("slot").get("label").asString().equals(label))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }
}
