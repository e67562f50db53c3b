package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.OwnProcess;
import app.unciala.server.testing.Samples;
import app.unciala.server.testing.StartedServer;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * What a server leaves behind that is killed at random moments while intakes are dropped and accepted, licenses change
 * and backups are made: nothing that was answered is lost, nothing is half recorded, and the flags are those of a full
 * comparison. Ten moments, or as many as {@code -Dunciala.kills} says; at the last one the process is killed indeed.
 */
class KillTest {
    private static final int KILLS = Integer.getInteger("unciala.kills", 10);

    @TempDir
    Path folder;

    /** What a server had answered, and its folder. */
    private record Left(Path data, Set<String> families, Map<String, String> licenses) {}

    @Test
    void nothingAnsweredIsLostAndNothingIsHalfRecorded() throws Exception {
        Random random = new Random(11);
        Path data = Files.createDirectory(folder.resolve("data"));
        Set<String> families = ConcurrentHashMap.newKeySet();
        Map<String, String> licenses = new ConcurrentHashMap<>();
        List<Left> left = new ArrayList<>();
        try (OwnProcess server = OwnProcess.start(data)) {
            Caller caller = server.signIn();
            Thread worker = new Thread(() -> work(caller, families, licenses));
            worker.start();
            while (families.isEmpty() && worker.isAlive()) {
                Caller.pause();
            }
            for (int kill = 1; kill < KILLS; kill++) {
                Thread.sleep(random.nextInt(900) + 100);
                Path copy = folder.resolve("left" + kill);
                server.copyAsIfKilled(copy, () -> left.add(new Left(copy, Set.copyOf(families), Map.copyOf(licenses))));
            }
            Thread.sleep(random.nextInt(900) + 100);
            assertThat(worker.isAlive()).as("the work goes on until the kill").isTrue();
            server.kill();
            worker.join();
            left.add(new Left(data, families, licenses));
        }
        for (Left each : left) {
            assertThat(each.families()).as("accepted before").isNotEmpty();
            try (StartedServer server = StartedServer.over(each.data())) {
                assertWhole(server.signIn(), each.families(), each.licenses());
            }
        }
    }

    /** Changes things until the server is gone; remembers only what it answered. */
    private static void work(Caller caller, Set<String> families, Map<String, String> licenses) {
        try {
            for (int i = 0; i < 1000; i++) {
                Map<String, byte[]> files = new LinkedHashMap<>();
                for (int j = 0; j < 6; j++) {
                    byte[] font = Samples.font("Ostrel-Bold.ttf");
                    font[font.length - 1] = (byte) (i * 6 + j);
                    font[font.length - 2] = (byte) (i / 40);
                    files.put(j + ".ttf", font);
                }
                JsonNode intake = caller.takeIn(Map.of("d" + i + ".zip", Samples.zip(files)));
                String path = "/api/intakes/" + intake.get("summary").get("id").asString();
                for (JsonNode row : intake.get("rows")) {
                    caller.send(
                            "PATCH",
                            path + "/items/" + row.get("id").asString(),
                            Map.of("family", "Family " + i, "included", true));
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
            Answer held = caller.get("/api/families/" + id);
            assertThat(held.status()).as("a family that was accepted").isEqualTo(200);
            JsonNode family = held.json();
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
