package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.OwnProcess;
import app.unciala.server.testing.Samples;
import app.unciala.server.testing.StartedServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Uploads that break off, or that the disk has no room for, leave nothing behind and everything as it was. */
class FailedUploadTest {
    private static final int ROOM = 24;

    @TempDir
    Path data;

    @Test
    void aDropThatBreaksOffOrDoesNotFitLeavesEverythingAsItWas() throws Exception {
        try (OwnProcess server = OwnProcess.withLittleRoom(data, ROOM)) {
            Caller caller = server.signIn();
            String held = caller.hold("Osier-Regular.ttf");

            breakOff(server, caller);
            assertThat(intakes(caller)).hasSize(1);

            byte[] large = new byte[(ROOM + 6) << 20];
            new Random(3).nextBytes(large);
            Answer full = caller.upload("/api/intakes", "files", Map.of("large.zip", large));
            assertThat(full.status()).as(full.text()).isEqualTo(507);
            assertThat(full.json().get("detail").asString()).startsWith("The disk of the server is full.");
            assertThat(intakes(caller)).hasSize(1);
            assertNothingHalfWritten();

            assertThat(caller.get("/api/families/" + held).status()).isEqualTo(200);
            caller.hold("Gannet-Regular.ttf");
            assertThat(intakes(caller)).hasSize(2);
        }
    }

    @Test
    void whatAStopLeftInTheMiddleOfAnUploadIsClearedAtTheNextStart() throws Exception {
        Path orphan = Files.createDirectories(data.resolve("staging").resolve("nobodyknows1"));
        Files.writeString(orphan.resolve("writing1.part"), "half a file");
        Path coming = Files.createDirectories(data.resolve("uploads")).resolve("upload_1.tmp");
        Files.writeString(coming, "what a request had sent so far");
        Path script = Files.createDirectories(data.resolve("backups").resolve("script1"));
        Files.writeString(script.resolve("database.sql"), "the database, half written");
        Path archive = Files.writeString(data.resolve("backups").resolve("backup1.part"), "half an archive");
        Path made = Files.writeString(data.resolve("backups").resolve("unciala-2030-01-01-000000.zip"), "a whole one");
        try (StartedServer server = StartedServer.over(data)) {
            Caller caller = server.signIn();
            assertThat(orphan).doesNotExist();
            assertThat(coming).doesNotExist();
            assertThat(script).doesNotExist();
            assertThat(archive).doesNotExist();
            assertThat(made).exists();
            caller.hold("Gannet-Regular.ttf");
            assertThat(data.resolve("uploads")).isEmptyDirectory();
        }
    }

    @Test
    void theSameArchiveDroppedByTwoAtOnceGoesInOnce() throws Exception {
        byte[] archive = Samples.zip(Map.of("a/Gannet-Bold.ttf", Samples.font("Gannet-Bold.ttf")));
        try (StartedServer server = StartedServer.over(data)) {
            Caller one = server.signIn();
            String first = "/api/intakes/"
                    + one.takeIn(Map.of("gannet.zip", archive))
                            .get("summary")
                            .get("id")
                            .asString();
            String second = "/api/intakes/"
                    + one.takeIn(Map.of("gannet.zip", archive))
                            .get("summary")
                            .get("id")
                            .asString();
            assertThat(one.send("POST", first + "/accept", Map.of()).status()).isEqualTo(200);
            Answer again = one.send("POST", second + "/accept", Map.of());
            assertThat(again.status()).isEqualTo(422);
            assertThat(again.text()).contains("No file of this intake is marked to be added.");
            assertThat(one.get(second).json().get("rows").get(0).get("verdict").asString())
                    .isEqualTo("SAME_BYTES");
        }
    }

    /** Announces a megabyte, sends half of it, and hangs up. */
    private static void breakOff(OwnProcess server, Caller caller) throws IOException {
        String head = "--cut\r\nContent-Disposition: form-data; name=\"files\"; filename=\"cut.zip\"\r\n\r\n";
        try (Socket socket = new Socket("localhost", server.port());
                OutputStream out = socket.getOutputStream()) {
            out.write(
                    ("POST /api/intakes HTTP/1.1\r\nHost: localhost\r\nContent-Type: multipart/form-data; boundary=cut\r\n"
                                    + "Content-Length: 1048576\r\nX-XSRF-TOKEN: "
                                    + caller.cookie("XSRF-TOKEN").orElseThrow() + "\r\nCookie: " + cookies(caller)
                                    + "\r\n\r\n"
                                    + head)
                            .getBytes(StandardCharsets.ISO_8859_1));
            out.write(new byte[1 << 19]);
        }
    }

    private static String cookies(Caller caller) {
        return Stream.of("XSRF-TOKEN", "SESSION", "JSESSIONID", "unciala")
                .flatMap(name -> caller.cookie(name).stream().map(value -> name + "=" + value))
                .reduce((one, other) -> one + "; " + other)
                .orElseThrow();
    }

    private static List<String> intakes(Caller caller) {
        return caller.get("/api/intakes")
                .json()
                .get("items")
                .valueStream()
                .map(intake -> intake.get("id").asString())
                .toList();
    }

    private void assertNothingHalfWritten() throws IOException {
        try (Stream<Path> files = Files.walk(data)) {
            assertThat(files.filter(file -> file.toString().endsWith(".part"))).isEmpty();
        }
    }
}
