package app.unciala.server.storage;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Stored files that nothing names go, and no others. */
class StoredFilesTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void onlyFilesThatNoRecordHasNamedForAWeekAreRemoved() throws Exception {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Wendlow-Regular.ttf");
        String held = caller.get("/api/families/" + family)
                .json()
                .get("files")
                .get(0)
                .get("sha256")
                .asString();
        String license = caller.send("POST", "/api/licenses", Samples.license(family, "a.example"))
                .json()
                .get("id")
                .asString();
        caller.upload(
                "/api/licenses/" + license + "/agreement",
                "file",
                Map.of("terms.txt", "granted".getBytes(UTF_8)),
                Map.of("If-Match", caller.get("/api/licenses/" + license).header("ETag")));
        FileStore store = SERVER.bean(FileStore.class);
        String old = store.put("nobody names this".getBytes(UTF_8));
        String recent = store.put("nor this, but it is new".getBytes(UTF_8));
        String again = store.put("stored again just now".getBytes(UTF_8));
        for (String sha256 : new String[] {held, old, again, FileStore.sha256("granted".getBytes(UTF_8))}) {
            age(store.file(sha256));
        }
        store.put("stored again just now".getBytes(UTF_8));
        assertThat(SERVER.bean(StoredFiles.class).collect()).isEqualTo(1);
        assertThat(store.has(old)).isFalse();
        assertThat(store.has(recent)).isTrue();
        assertThat(store.has(again)).isTrue();
        assertThat(store.has(held)).isTrue();
        assertThat(store.has(FileStore.sha256("granted".getBytes(UTF_8)))).isTrue();
    }

    @Test
    void readingFilesAgainTakesThoseReadLongestAgoFirst() throws Exception {
        Caller caller = SERVER.signIn();
        caller.hold("TilletMono-Regular.ttf");
        caller.hold("Vellumine-Regular.ttf");
        StoredFiles files = SERVER.bean(StoredFiles.class);
        String first = files.next(1).get(0);
        assertThat(files.check(first)).as("nothing new is found").isFalse();
        assertThat(files.next(1)).doesNotContain(first);
        assertThat(files.next(1000)).hasSize(files.count()).endsWith(first);
    }

    private static void age(Path file) throws Exception {
        Files.setLastModifiedTime(file, FileTime.from(Instant.now().minus(Duration.ofDays(8))));
    }
}
