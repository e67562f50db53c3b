package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Web files are made of held files as far as licenses let, one at once and all by a job. */
class MadeFormatsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void allFacesGetTheFormatByAJobThatSaysHowFarItIs() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Penmarrow-Regular.ttf");
        caller.hold("Penmarrow-Bold.ttf");
        caller.hold("Penmarrow-Italic.ttf");
        String formats = "/api/families/" + family + "/formats/woff2";
        JsonNode plan = caller.get(formats).json();
        assertThat(plan.get("faces")).hasSize(3).allSatisfy(face -> {
            assertThat(face.get("verdict").asString()).isEqualTo("NOT_STATED");
            assertThat(face.get("reason").asString()).isEqualTo("no license covers this face");
        });
        Answer unasked = caller.send("POST", formats, Map.of());
        assertThat(unasked.status()).as("nothing may be made without asking").isEqualTo(409);

        caller.send("POST", "/api/licenses", Samples.license(family, "client.example"));
        assertThat(caller.get(formats).json().get("faces"))
                .allSatisfy(face -> assertThat(face.get("verdict").asString()).isEqualTo("ALLOWED"));
        Answer begun = caller.send("POST", formats, Map.of());
        assertThat(begun.status()).isEqualTo(202);
        assertThat(begun.json().get("total").asInt()).isEqualTo(3);
        JsonNode done = waitFor(caller, formats);
        assertThat(done.get("faces")).isEmpty();
        assertThat(done.get("making").get("done").asInt()).isEqualTo(3);
        assertThat(done.get("making").get("failures")).isEmpty();
        JsonNode files = caller.get("/api/families/" + family).json().get("files");
        assertThat(files).hasSize(6).allSatisfy(file -> assertThat(
                        file.get("addedBy").asString())
                .as("made in the name of who asked")
                .isEqualTo("admin"));
        assertThat(caller.send("POST", formats, Map.of()).status())
                .as("nothing left to make")
                .isEqualTo(409);
    }

    @Test
    void whatIsNotStatedIsMadeOnlyOnRequestAndTheHistoryTells() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Osier-Regular.ttf");
        String file = fileOf(caller, family);
        String path = "/api/families/" + family + "/files/" + file + "/formats/";
        Answer refused = caller.send("POST", path + "woff2", Map.of());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("Whether it may be converted is not stated");
        assertThat(caller.send("POST", path + "woff2?anyway=true", Map.of()).status())
                .isEqualTo(201);
        assertThat(caller.get("/api/history?type=family&subject=" + family).text())
                .contains("though no license says whether it may be converted");
    }

    @ParameterizedTest
    @CsvSource({"woff,WOFF", "eot,EOT", "svg,SVG", "woff2,WOFF2"})
    void everyWebFormatIsReadAsWhatItIs(String key, FontFormat format) {
        Caller caller = SERVER.signIn();
        String family = caller.holdAs("Gannet-Regular.ttf", "Gannet " + key);
        String path = "/api/families/" + family + "/files/" + fileOf(caller, family) + "/formats/" + key;
        Answer made = caller.send("POST", path + "?anyway=true", Map.of());
        assertThat(made.status()).isEqualTo(201);
        assertThat(made.json().get("madeHere").asBoolean()).isTrue();
        byte[] bytes =
                caller.get("/api/files/" + made.json().get("sha256").asString()).bytes();
        assertThat(FontReader.read(bytes).format()).isEqualTo(format);
        assertThat(caller.send("POST", path + "?anyway=true", Map.of()).status())
                .as("held already")
                .isEqualTo(409);
    }

    @ParameterizedTest
    @CsvSource({"zip,422", "otf,422", "ttc,422"})
    void aFormatThatCannotBeMadeIsRefusedByItsField(String key, int status) {
        Caller caller = SERVER.signIn();
        String family = caller.holdAs("TilletMono-Regular.ttf", "Tillet " + key);
        Answer answer = caller.send(
                "POST",
                "/api/families/" + family + "/files/" + fileOf(caller, family) + "/formats/" + key + "?anyway=true",
                Map.of());
        assertThat(answer.status()).isEqualTo(status);
        assertThat(answer.json().get("errors").get(0).get("field").asString()).isEqualTo("format");
    }

    @Test
    void aRefusedFaceIsLeftOutOfTheJobAndItsReasonStandsInThePlan() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Hollin-Regular.ttf");
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "client.example"));
        terms.put("converting", "REFUSED");
        caller.send("POST", "/api/licenses", terms);
        String formats = "/api/families/" + family + "/formats/woff2";
        JsonNode face = caller.get(formats).json().get("faces").get(0);
        assertThat(face.get("verdict").asString()).isEqualTo("REFUSED");
        assertThat(face.get("reason").asString()).contains("converting to other formats is refused");
        assertThat(caller.send("POST", formats + "?anyway=true", Map.of()).status())
                .isEqualTo(409);
    }

    private static String fileOf(Caller caller, String family) {
        return caller.get("/api/families/" + family)
                .json()
                .get("files")
                .get(0)
                .get("id")
                .asString();
    }

    private static JsonNode waitFor(Caller caller, String formats) {
        return caller.waitFor(
                formats, plan -> !plan.get("making").get("running").asBoolean());
    }
}
