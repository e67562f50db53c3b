package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.file.FontReader;
import app.unciala.font.sfnt.CollectionWriter;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What people and attackers drop and type: a message that names the file and what is wrong, and the rest goes on. */
class BadInputTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static final byte[] GOOD = Samples.font("Wendlow-Regular.ttf");

    private Caller caller;

    @BeforeEach
    void signIn() {
        caller = SERVER.signIn();
    }

    @Test
    void damagedFilesAreNamedAndTheRestGoesOn() {
        byte[] outside = GOOD.clone();
        outside[12 + 8] = 0x7F;
        String tag = ByteView.of(GOOD, "file").tag(12);
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("a/empty.ttf", new byte[0]);
        files.put("a/text.ttf", "not a font at all".getBytes(StandardCharsets.UTF_8));
        files.put("a/cut.ttf", Arrays.copyOf(GOOD, GOOD.length / 2));
        files.put("a/outside.ttf", outside);
        files.put("../climbing.ttf", GOOD);
        files.put("a/good.ttf", GOOD);
        files.put("a/again.ttf", GOOD);
        Map<String, JsonNode> rows = rows(caller.takeIn(Map.of("mixed.zip", Samples.zip(files))));
        assertThat(rows).hasSize(7);
        assertRow(rows, "empty.ttf", "DAMAGED", "is empty");
        assertRow(rows, "text.ttf", "DAMAGED", "plain text");
        assertRow(rows, "cut.ttf", "DAMAGED", "the file ends at " + GOOD.length / 2);
        assertRow(rows, "outside.ttf", "DAMAGED", tag);
        assertRow(rows, "climbing.ttf", "DAMAGED", "climbs out");
        assertRow(rows, "good.ttf", "NEW_FAMILY", "nothing is held of");
        assertRow(rows, "again.ttf", "SAME_BYTES", "good.ttf");
    }

    @Test
    void aZipBombIsStoppedAndSaysSo() {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("good.ttf", GOOD);
        for (int i = 0; i < 6; i++) {
            files.put("bomb-" + i, new byte[20 << 20]);
        }
        JsonNode intake = caller.takeIn(Map.of("bomb.zip", Samples.zip(files)));
        Map<String, JsonNode> rows = rows(intake);
        assertRow(rows, "bomb.zip", "DAMAGED", "unpacks to far more than it is");
        assertRow(rows, "good.ttf", "NEW_FAMILY", "");
        byte[] nested = Samples.zip(Map.of("good.ttf", GOOD));
        for (int i = 0; i < 4; i++) {
            nested = Samples.zip(Map.of("inner" + i + ".zip", nested));
        }
        assertThat(caller.takeIn(Map.of("nested.zip", nested)).toString()).contains("nested more than");
        byte[] archive = Samples.zip(Map.of("good.ttf", GOOD));
        byte[] broken = Arrays.copyOf(archive, archive.length / 2);
        assertThat(caller.takeIn(Map.of("broken.zip", broken)).toString()).contains("damaged archive");
    }

    @Test
    void anIntakeIsDiscardedWhileItIsRead() {
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (int i = 0; i < 400; i++) {
            byte[] other = GOOD.clone();
            ByteBuffer.wrap(other).putInt(other.length - 4, i);
            files.put(i + ".ttf", other);
        }
        String path = "/api/intakes/"
                + caller.upload("/api/intakes", "files", Map.of("many.zip", Samples.zip(files)))
                        .json()
                        .get("id")
                        .asString();
        assertThat(caller.get(path).json().get("state").asString()).isEqualTo("READING");
        assertThat(caller.delete(path).status()).isEqualTo(200);
        assertThat(caller.get(path).json().get("state").asString()).isEqualTo("DISCARDED");
        Map<String, JsonNode> next = rows(caller.takeIn(Map.of("next.ttf", GOOD)));
        assertRow(next, "next.ttf", "NEW_FAMILY", "");
        assertThat(caller.get(path).json().get("state").asString())
                .as("reading it did not go on to its end")
                .isEqualTo("DISCARDED");
        assertThat(caller.delete(path).status()).isEqualTo(409);
    }

    @Test
    void ofACollectionEachFaceIsAFile() {
        byte[] collection = CollectionWriter.write(
                Collections.nCopies(40, FontReader.read(GOOD).faces().get(0)));
        Map<String, JsonNode> rows = rows(caller.takeIn(Map.of("many.ttc", collection)));
        assertThat(rows).hasSize(40);
        assertRow(rows, "many.ttc (face 1).ttf", "NEW_FAMILY", "");
        assertRow(rows, "many.ttc (face 40).ttf", "SAME_BYTES", "face 1");
    }

    @Test
    void aRowCannotBeCorrectedToNonsense() {
        JsonNode intake = caller.takeIn(Map.of("good.ttf", GOOD));
        String path = "/api/intakes/" + intake.get("summary").get("id").asString() + "/items/"
                + intake.get("rows").get(0).get("id").asString();
        assertThat(caller.send("PATCH", path, Map.of("family", "x".repeat(200))).status())
                .isEqualTo(200);
        assertProblem(caller.send("PATCH", path, Map.of("family", "x".repeat(301))), 422, "between 1 and 300");
        assertProblem(
                caller.send("PATCH", path, Map.of("slot", Samples.face(1200, "upright"))), 422, "between 1 and 1000");
        assertProblem(caller.send("PATCH", path, Map.of("slot", Samples.face(400, "wavy"))), 422, "wavy");
    }

    @Test
    void whatCannotBeRecordedSaysWhy() {
        String client = caller.send("POST", "/api/clients", Map.of("name", "Client"))
                .json()
                .get("id")
                .asString();
        Map<String, Object> site =
                Map.of("clientId", client, "name", "Site", "domains", List.of("harbor bakery.example"));
        assertProblem(caller.send("POST", "/api/sites", site), 422, "harbor bakery.example");
        assertProblem(caller.send("POST", "/api/clients", Map.of("name", " ")), 422, "between 1 and 300");
        assertProblem(
                caller.send("POST", "/api/licenses", Map.of("name", "L", "domains", List.of("a_b.example"))),
                422,
                "a_b.example");
        assertProblem(caller.send("POST", "/api/licenses", Map.of("name", "L", "formats", List.of("bmp"))), 422, "bmp");
        assertProblem(
                caller.send("POST", "/api/licenses", Map.of("name", "L", "begins", "2030-01-02", "ends", "2030-01-01")),
                422,
                "before it begins");
        assertProblem(caller.send("POST", "/api/licenses", Map.of("name", "L", "webUse", "MAYBE")), 400, "");
        assertProblem(caller.get("/api/families/nothing"), 404, "nothing");
        assertProblem(caller.get("/api/files/passwd"), 404, "passwd");
        assertProblem(caller.get("/api/flags?group=odd"), 422, "odd");
    }

    @Test
    void withoutASessionOrTheTokenNothingIsDone() {
        Caller stranger = new Caller(SERVER.url());
        assertThat(stranger.get("/api/health").status()).isEqualTo(200);
        assertThat(stranger.get("/api/families").status()).isEqualTo(401);
        assertThat(stranger.get("/api/session").status()).isEqualTo(401);
        assertThat(stranger.signIn("admin", "wrong")).isEqualTo(401);
        assertThat(stranger.signIn("nobody", RunningServer.PASSWORD)).isEqualTo(401);
        Caller forged = SERVER.signIn().withoutToken();
        assertThat(forged.send("POST", "/api/clients", Map.of("name", "Forged")).status())
                .isEqualTo(403);
        assertThat(caller.get("/api/clients").text()).doesNotContain("Forged");
        assertThat(caller.get("/api/families").header("Content-Security-Policy"))
                .contains("default-src 'self'");
        assertThat(caller.delete("/api/session").status()).isEqualTo(204);
        assertThat(caller.get("/api/families").status()).isEqualTo(401);
    }

    private static void assertProblem(Answer answer, int status, String text) {
        assertThat(answer.status()).isEqualTo(status);
        assertThat(answer.header("Content-Type")).startsWith("application/problem+json");
        assertThat(answer.text()).contains(text);
    }

    private static void assertRow(Map<String, JsonNode> rows, String name, String verdict, String because) {
        assertThat(rows).containsKey(name);
        assertThat(rows.get(name).get("verdict").asString()).as(name).isEqualTo(verdict);
        assertThat(rows.get(name).get("because").asString()).as(name).contains(because);
    }

    private static Map<String, JsonNode> rows(JsonNode intake) {
        assertThat(intake.get("state").asString()).isEqualTo("REVIEW");
        Map<String, JsonNode> rows = new LinkedHashMap<>();
        intake.get("rows").forEach(row -> rows.put(row.get("path").asString().replaceAll("^.*/", ""), row));
        return rows;
    }
}
