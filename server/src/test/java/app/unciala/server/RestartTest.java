package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.drawing.DrawingDigest;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.OwnProcess;
import app.unciala.server.testing.Samples;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** A server that is killed in the middle of an intake, in a process of its own. */
class RestartTest {
    @TempDir
    Path data;

    private OwnProcess process;

    @AfterEach
    void stop() {
        process.kill();
    }

    @Test
    void killingItLosesNothingAcceptedAndTheIntakeIsReadAgain() throws Exception {
        Caller caller = start();
        JsonNode first = caller.takeIn(Map.of("kept.ttf", Samples.font("Wendlow-Regular.ttf")));
        caller.send("POST", "/api/intakes/" + first.get("summary").get("id").asString() + "/accept", Map.of());
        Map<String, byte[]> many = new LinkedHashMap<>();
        for (int i = 0; i < 400; i++) {
            byte[] variant = Samples.font("Ostrel-Bold.ttf");
            variant[variant.length - 1] = (byte) i;
            variant[variant.length - 2] = (byte) (i >> 8);
            many.put("font-" + i + ".ttf", variant);
        }
        String id = caller.upload("/api/intakes", "files", Map.of("many.zip", Samples.zip(many)))
                .json()
                .get("id")
                .asString();
        assertThat(caller.get("/api/intakes/" + id).json().get("state").asString())
                .isEqualTo("READING");
        process.kill();

        Caller after = start();
        JsonNode intake = after.waitForIntake(id);
        assertThat(intake.get("state").asString()).isEqualTo("REVIEW");
        assertThat(intake.get("rows")).hasSize(400);
        JsonNode families = after.get("/api/families").json().get("items");
        assertThat(families).hasSize(1);
        String sha256 = families.get(0).get("files").get(0).get("sha256").asString();
        assertThat(after.get("/api/files/" + sha256).bytes()).isEqualTo(Samples.font("Wendlow-Regular.ttf"));
    }

    @Test
    void whatAnOlderVersionReadFromFontsIsReadAnew() throws Exception {
        Caller caller = start();
        byte[] held = Samples.font("Wendlow-Regular.ttf");
        JsonNode first = caller.takeIn(Map.of("kept.ttf", held));
        caller.send("POST", "/api/intakes/" + first.get("summary").get("id").asString() + "/accept", Map.of());
        byte[] again = held.clone();
        again[again.length - 1] ^= 1;
        String open = caller.takeIn(Map.of("again.ttf", again))
                .get("summary")
                .get("id")
                .asString();
        String verdict = verdict(caller, open);
        process.kill();
        try (Connection database =
                        DriverManager.getConnection("jdbc:h2:file:" + data.resolve("unciala"), "unciala", "");
                Statement statement = database.createStatement()) {
            assertThat(statement.executeUpdate(
                            "update face_file set drawing = 'old', drawing_version = 1, sample = ''"))
                    .isEqualTo(1);
            statement.executeUpdate("update intake_item set drawing_version = 1, facts = regexp_replace(regexp_replace("
                    + "cast(facts as varchar), '\"drawing\":\"[0-9a-f]+\"', '\"drawing\":\"older\"'), "
                    + "'\"(sample|settled)\":\"[^\"]*\",?|,\"settled\":\"[^\"]*\"', '') format json");
        }
        Caller after = start();
        JsonNode file = after.get("/api/families")
                .json()
                .get("items")
                .get(0)
                .get("files")
                .get(0);
        assertThat(file.get("drawing").asString()).isEqualTo(DrawingDigest.of(held));
        assertThat(file.get("sample").asString()).startsWith("Ag");
        assertThat(verdict(after, open))
                .isEqualTo(verdict.replaceFirst("\"sample\":\"[^\"]*\"", "\"sample\":\"\""))
                .contains("drawing");
    }

    private static String verdict(Caller caller, String intake) {
        return caller.get("/api/intakes/" + intake).json().get("rows").get(0).toString();
    }

    private Caller start() throws IOException {
        process = OwnProcess.start(data);
        return process.signIn();
    }
}
