package app.unciala.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What a stored font says of itself, and in what two differ, is read from their bytes. */
class FileDetailsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void languagesCharactersAndMetricsAreTold() {
        Caller caller = SERVER.signIn();
        JsonNode details = caller.get("/api/files/" + held(caller, "Penmarrow-Regular.ttf") + "/details")
                .json();
        assertThat(strings(details.get("languages"))).contains("English", "German");
        assertThat(details.get("characters").get(0).get("name").asString()).isEqualTo("Basic Latin");
        assertThat(details.get("characters").get(0).get("characters").asString())
                .contains("A", "z");
        assertThat(details.get("metrics").valueStream().map(metric -> metric.get("name")
                        .asString()))
                .contains("hhea ascender", "OS/2 sTypoAscender");
        assertThat(details.get("unitsPerEm").asInt()).isPositive();
        assertThat(details.get("nearly").valueStream())
                .allSatisfy(language ->
                        assertThat(language.get("lacking").asString()).isNotBlank());
    }

    @Test
    void aCutDiffersByWhatItLost() {
        Caller caller = SERVER.signIn();
        String whole = held(caller, "Osier-Regular.ttf");
        byte[] cut = FontWriter.write(
                Subsetter.subset(
                        FontReader.read(Samples.font("Osier-Regular.ttf"))
                                .faces()
                                .get(0),
                        SubsetPlan.ofText("aegnorst")),
                FontFormat.WOFF2);
        JsonNode intake = caller.takeIn(Map.of("osier-cut.woff2", cut));
        String id = intake.get("summary").get("id").asString();
        String item = intake.get("rows").get(0).get("id").asString();
        JsonNode review =
                caller.get("/api/intakes/" + id + "/items/" + item + "/compare").json();
        assertThat(review.get("family").asString()).isEqualTo("Osier");
        assertThat(review.get("held").get("sha256").asString()).isEqualTo(whole);
        JsonNode difference = review.get("difference");
        assertThat(difference.get("lost").asString()).contains("A", "z").doesNotContain("a", "e", "g");
        assertThat(difference.get("lostCount").asInt()).isGreaterThan(50);
        assertThat(difference.get("addedCount").asInt()).isZero();
        assertThat(difference.get("changedCount").asInt())
                .as("what is left is drawn alike")
                .isZero();
        assertThat(difference.get("likeness").asDouble()).isGreaterThan(0.6);
    }

    @Test
    void twoWeightsDifferInDrawingsThatCanBeLaidOverEachOther() {
        Caller caller = SERVER.signIn();
        String regular = held(caller, "Gannet-Regular.ttf");
        String bold = held(caller, "Gannet-Bold.ttf");
        JsonNode difference =
                caller.get("/api/files/" + regular + "/compare/" + bold).json();
        assertThat(difference.get("sameDrawing").asBoolean()).isFalse();
        assertThat(difference.get("changedCount").asInt()).isGreaterThan(20);
        JsonNode first = difference.get("changed").get(0);
        assertThat(first.get("one").get("path").asString()).startsWith("M").endsWith("Z");
        assertThat(first.get("one").get("path").asString())
                .isNotEqualTo(first.get("other").get("path").asString());
        assertThat(first.get("other").get("advance").asDouble()).isBetween(50.0, 2000.0);
        assertThat(difference.get("facts").valueStream().map(fact -> fact.get("what")
                        .asString()))
                .contains("slot", "full name");
        JsonNode same =
                caller.get("/api/files/" + regular + "/compare/" + regular).json();
        assertThat(same.get("sameDrawing").asBoolean()).isTrue();
        assertThat(same.get("facts")).isEmpty();
    }

    @Test
    void whatIsNoFontIsRefusedAndWhatIsNotHeldIsNotFound() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("TilletMono-Regular.ttf");
        String font = caller.get("/api/families/" + family)
                .json()
                .get("files")
                .get(0)
                .get("sha256")
                .asString();
        Answer license = caller.send("POST", "/api/licenses", Samples.license(family, "client.example"));
        String path = "/api/licenses/" + license.json().get("id").asString() + "/agreement";
        JsonNode attached = caller.upload(
                        path,
                        "file",
                        Map.of("terms.txt", "You may use it.".getBytes(UTF_8)),
                        Map.of("If-Match", license.header("ETag")))
                .json();
        String text = attached.get("agreement").get(0).get("sha256").asString();
        for (String address : List.of(text + "/details", text + "/compare/" + font, font + "/compare/" + text)) {
            Answer refused = caller.get("/api/files/" + address);
            assertThat(refused.status()).as(address).isEqualTo(422);
            assertThat(refused.text()).contains("cannot be read as a font");
        }
        assertThat(caller.get("/api/files/" + "0".repeat(64) + "/details").status())
                .isEqualTo(404);
        JsonNode intake = caller.takeIn(Map.of("new.ttf", Samples.font("Hollin-Regular.ttf")));
        Answer alone =
                caller.get("/api/intakes/" + intake.get("summary").get("id").asString() + "/items/"
                        + intake.get("rows").get(0).get("id").asString() + "/compare");
        assertThat(alone.status()).isEqualTo(409);
        assertThat(alone.text()).contains("Nothing is held yet");
    }

    private static String held(Caller caller, String fileName) {
        String family = caller.hold(fileName);
        return caller.get("/api/families/" + family)
                .json()
                .get("files")
                .valueStream()
                .filter(file -> file.get("fileName").asString().equals(fileName))
                .findFirst()
                .orElseThrow()
                .get("sha256")
                .asString();
    }

    private static List<String> strings(JsonNode array) {
        return array.valueStream().map(JsonNode::asString).toList();
    }
}
