package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.OwnProcess;
import app.unciala.server.testing.Samples;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * A server that is killed at random moments while intakes are dropped and accepted, licenses change and backups are
 * made: nothing that was answered is lost, nothing is half recorded, and the flags are those of a full comparison. Ten
 * kills, or as many as {@code -Dunciala.kills} says.
 */
class KillTest {
    private static final int KILLS = Integer.getInteger("unciala.kills", 10);

    @TempDir
    Path data;

    @Test
    void nothingAnsweredIsLostAndNothingIsHalfRecorded() throws Exception {
        Random random = new Random(11);
        Set<String> families = new HashSet<>();
        Map<String, String> licenses = new LinkedHashMap<>();
        for (int kill = 0; kill < KILLS; kill++) {
            try (OwnProcess server = OwnProcess.start(data)) {
                Caller caller = server.signIn();
                assertWhole(caller, families, licenses);
                server.killWithin(random.nextInt(3500) + 500);
                work(caller, kill, families, licenses);
            }
        }
        try (OwnProcess server = OwnProcess.start(data)) {
            assertWhole(server.signIn(), families, licenses);
        }
        assertThat(families).as("something was accepted before a kill").isNotEmpty();
    }

    /** Changes things until the server is gone; remembers only what it answered. */
    private static void work(Caller caller, int kill, Set<String> families, Map<String, String> licenses) {
        try {
            for (int i = 0; i < 1000; i++) {
                Map<String, byte[]> files = new LinkedHashMap<>();
                for (int j = 0; j < 6; j++) {
                    byte[] font = Samples.font("Ostrel-Bold.ttf");
                    font[font.length - 1] = (byte) (i * 6 + j);
                    font[font.length - 2] = (byte) kill;
                    files.put(j + ".ttf", font);
                }
                JsonNode intake = caller.takeIn(Map.of("d" + kill + "-" + i + ".zip", Samples.zip(files)));
                String path = "/api/intakes/" + intake.get("summary").get("id").asString();
                for (JsonNode row : intake.get("rows")) {
                    caller.send(
                            "PATCH",
                            path + "/items/" + row.get("id").asString(),
                            Map.of("family", "Family " + kill + " " + i, "included", true));
                }
                Answer accepted = caller.send("POST", path + "/accept", Map.of());
                if (accepted.status() == 200) {
                    String family = accepted.json().get("familyIds").get(0).asString();
                    families.add(family);
                    Answer license =
                            caller.send("POST", "/api/licenses", Samples.license(family, "a" + i + ".example"));
                    if (license.status() == 201) {
                        licenses.put(license.json().get("id").asString(), "a" + i + ".example");
                    }
                    caller.send("POST", "/api/backups", Map.of());
                }
            }
        } catch (UncheckedIOException | IllegalStateException | NullPointerException gone) {
            // The server was killed in the middle of this.
        }
    }

    private static void assertWhole(Caller caller, Set<String> families, Map<String, String> licenses) {
        for (String id : families) {
            JsonNode family = caller.get("/api/families/" + id).json();
            assertThat(family.get("files"))
                    .as("all files of an intake, or none")
                    .hasSize(6);
            for (JsonNode file : family.get("files")) {
                assertThat(caller.get("/api/files/" + file.get("sha256").asString())
                                .status())
                        .isEqualTo(200);
            }
        }
        licenses.forEach((id, domain) -> assertThat(caller.get("/api/licenses/" + id)
                        .json()
                        .get("terms")
                        .get("domains")
                        .get(0)
                        .asString())
                .isEqualTo(domain));
        List<String> open = new ArrayList<>();
        caller.get("/api/intakes")
                .json()
                .get("items")
                .forEach(intake -> open.add(intake.get("id").asString()));
        open.forEach(id ->
                assertThat(caller.waitForIntake(id).get("state").asString()).isIn("REVIEW", "ACCEPTED"));
        assertThat(caller.send("POST", "/api/flags/comparison", Map.of())
                        .json()
                        .get("mended")
                        .asInt())
                .isZero();
        caller.send("POST", "/api/storage/check", Map.of());
    }
}
