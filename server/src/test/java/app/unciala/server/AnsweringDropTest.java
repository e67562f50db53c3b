package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** A drop knows the flag that it is to answer, and what it brings can stand under a license that is recorded already. */
class AnsweringDropTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;

    @BeforeAll
    static void signIn() {
        caller = SERVER.signIn();
    }

    @Test
    void aDropSaysWhetherItBringsTheFaceThatAFlagLacks() {
        String family = caller.hold("Penmarrow-Regular.ttf");
        String site = caller.site("Tarn", "tarn.example", family, 400, 700);
        String flag = flag(family, "FACE_NOT_HELD");
        JsonNode other = wanted(drop(flag, "Penmarrow-Italic.ttf"));
        assertThat(other.get("arrives").asBoolean()).isFalse();
        assertThat(other.get("siteId").asString()).isEqualTo(site);
        assertThat(other.get("title").asString()).isEqualTo("Penmarrow Bold is not held");
        String bold = drop(flag, "Penmarrow-Bold.ttf");
        assertThat(wanted(bold).get("arrives").asBoolean()).isTrue();
        assertThat(wanted(bold).get("goesIn").asBoolean()).isTrue();
        String item = caller.get(bold).json().get("rows").get(0).get("id").asString();
        caller.send("PATCH", bold + "/items/" + item, Map.of("included", false));
        assertThat(wanted(bold).get("goesIn").asBoolean()).isFalse();
        caller.send("PATCH", bold + "/items/" + item, Map.of("included", true));
        assertThat(caller.send("POST", bold + "/accept", Map.of()).status()).isEqualTo(200);
        assertThat(caller.kinds("?family=" + family)).doesNotContain("FACE_NOT_HELD");
        assertThat(caller.get(bold + "/overview")
                        .json()
                        .get("wanted")
                        .get(0)
                        .get("flagId")
                        .asString())
                .as("the flag is gone, and still known")
                .isEqualTo(flag);
    }

    @Test
    void aDropForAFlagThatIsNotThereIsRefused() {
        Answer refused = caller.upload(
                "/api/intakes?flag=nowhere", "files", Map.of("a.ttf", Samples.font("Gannet-Regular.ttf")));
        assertThat(refused.status()).isEqualTo(404);
        assertThat(refused.text()).contains("nowhere");
    }

    @Test
    void whatGoesInStandsUnderARecordedLicenseAndNoMoreWhenItIsTakenBack() {
        String osier = caller.hold("Osier-Regular.ttf");
        String license = caller.send("POST", "/api/licenses", Samples.license(osier, "client.example"))
                .json()
                .get("id")
                .asString();
        JsonNode intake = caller.takeIn(Map.of(
                "Gannet-Bold.ttf", Samples.font("Gannet-Bold.ttf"),
                "Hollin-Regular.ttf", Samples.font("Hollin-Regular.ttf")));
        String path = "/api/intakes/" + intake.get("summary").get("id").asString();
        Answer unknown = caller.send("POST", path + "/accept", Map.of("openLicenses", List.of(), "license", "none"));
        assertThat(unknown.status()).isEqualTo(404);
        assertThat(caller.get(path).json().get("state").asString()).isEqualTo("REVIEW");
        Answer accepted = caller.send("POST", path + "/accept", Map.of("openLicenses", List.of(), "license", license));
        assertThat(accepted.status()).isEqualTo(200);
        assertThat(covered(license)).hasSize(3).contains(osier);
        accepted.json().get("familyIds").forEach(family -> assertThat(caller.kinds("?family=" + family.asString()))
                .doesNotContain("NO_LICENSE"));
        Answer undone = caller.send(
                "POST", "/api/history/" + accepted.json().get("historyId").asString() + "/undo", Map.of());
        assertThat(undone.status()).isLessThan(300);
        assertThat(covered(license)).containsExactly(osier);
        caller.delete(
                "/api/licenses/" + license,
                caller.get("/api/licenses/" + license).header("ETag"));
    }

    @Test
    void undoingAnAcceptanceIgnoresALicenseThatWasDeletedSince() {
        String tillet = caller.hold("TilletMono-Regular.ttf");
        String license = caller.send("POST", "/api/licenses", Samples.license(tillet, "client.example"))
                .json()
                .get("id")
                .asString();
        JsonNode intake = caller.takeIn(Map.of("Brantle-Regular.ttf", Samples.font("Brantle-Regular.ttf")));
        String path = "/api/intakes/" + intake.get("summary").get("id").asString();
        Answer accepted = caller.send("POST", path + "/accept", Map.of("openLicenses", List.of(), "license", license));
        caller.delete(
                "/api/licenses/" + license,
                caller.get("/api/licenses/" + license).header("ETag"));
        assertThat(caller.send(
                                "POST",
                                "/api/history/"
                                        + accepted.json().get("historyId").asString() + "/undo",
                                Map.of())
                        .status())
                .isLessThan(300);
        assertThat(caller.get(path).json().get("state").asString()).isEqualTo("REVIEW");
    }

    private static String drop(String flag, String fileName) {
        String id = caller.upload("/api/intakes?flag=" + flag, "files", Map.of(fileName, Samples.font(fileName)))
                .json()
                .get("id")
                .asString();
        caller.waitForIntake(id);
        return "/api/intakes/" + id;
    }

    private static JsonNode wanted(String intake) {
        return caller.get(intake + "/overview").json().get("wanted").get(0);
    }

    private static String flag(String family, String kind) {
        return caller.get("/api/flags?family=" + family)
                .json()
                .get("items")
                .valueStream()
                .filter(flag -> flag.get("kind").asString().equals(kind))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }

    private static List<String> covered(String license) {
        return caller.get("/api/licenses/" + license)
                .json()
                .get("terms")
                .get("covers")
                .valueStream()
                .map(covered -> covered.get("familyId").asString())
                .toList();
    }
}
