package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.drawing.DrawingDigest;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.OwnProcess;
import app.unciala.server.testing.Samples;
import app.unciala.server.testing.StartedServer;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** What a server does at its next start: after a kill in the middle of an intake, and after an older version. */
class RestartTest {
    @TempDir
    Path data;

    @Test
    void killingItLosesNothingAcceptedAndTheIntakeIsReadAgain() throws Exception {
        Map<String, byte[]> many = new LinkedHashMap<>();
        for (int i = 0; i < 400; i++) {
            byte[] variant = Samples.font("Ostrel-Bold.ttf");
            variant[variant.length - 1] = (byte) i;
            variant[variant.length - 2] = (byte) (i >> 8);
            many.put("font-" + i + ".ttf", variant);
        }
        String id;
        try (OwnProcess server = OwnProcess.start(data)) {
            Caller caller = server.signIn();
            caller.hold("Wendlow-Regular.ttf");
            id = caller.upload("/api/intakes", "files", Map.of("many.zip", Samples.zip(many)))
                    .json()
                    .get("id")
                    .asString();
            assertThat(caller.get("/api/intakes/" + id).json().get("state").asString())
                    .isEqualTo("READING");
            server.kill();
        }

        try (StartedServer server = start()) {
            Caller after = server.signIn();
            JsonNode intake = after.waitForIntake(id);
            assertThat(intake.get("state").asString()).isEqualTo("REVIEW");
            assertThat(intake.get("rows")).hasSize(400);
            JsonNode families = after.get("/api/families").json().get("items");
            assertThat(families).hasSize(1);
            String sha256 = families.get(0).get("files").get(0).get("sha256").asString();
            assertThat(after.get("/api/files/" + sha256).bytes()).isEqualTo(Samples.font("Wendlow-Regular.ttf"));
        }
    }

    @Test
    void whatAnOlderVersionReadFromFontsIsReadAnew() throws Exception {
        byte[] held = Samples.font("Wendlow-Regular.ttf");
        byte[] again = held.clone();
        again[again.length - 1] ^= 1;
        String open;
        String verdict;
        try (StartedServer server = start()) {
            Caller caller = server.signIn();
            caller.hold("Wendlow-Regular.ttf");
            open = caller.takeIn(Map.of("again.ttf", again))
                    .get("summary")
                    .get("id")
                    .asString();
            verdict = verdict(caller, open);
        }
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
        try (StartedServer server = start()) {
            Caller after = server.signIn();
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
                    .contains("outlines");
        }
    }

    private static String verdict(Caller caller, String intake) {
        return caller.get("/api/intakes/" + intake).json().get("rows").get(0).toString();
    }

    private StartedServer start() {
        return StartedServer.over(data);
    }
}
