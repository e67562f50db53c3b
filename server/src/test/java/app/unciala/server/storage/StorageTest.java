package app.unciala.server.storage;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.server.fault.Fault;
import app.unciala.server.storage.StagingArea.Upload;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class StorageTest {
    @TempDir
    Path data;

    @Test
    void equalBytesAreStoredOnceUnderTheirDigest() throws IOException {
        FileStore store = new FileStore(data);
        String sha256 = store.put("abc".getBytes(UTF_8));
        assertThat(sha256).isEqualTo("ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad");
        assertThat(store.put("abc".getBytes(UTF_8))).isEqualTo(sha256);
        assertThat(files()).hasSize(1).allMatch(path -> !path.toString().endsWith(".part"));
        assertThat(store.get(sha256)).isEqualTo("abc".getBytes(UTF_8));
        assertThat(new FileStore(data).has(sha256)).isTrue();
    }

    @Test
    void whatIsNoDigestIsNotAPath() {
        FileStore store = new FileStore(data);
        for (String odd : List.of("", "..", "../../etc/passwd", "ba78", "BA7816BF".repeat(8))) {
            assertThat(store.has(odd)).isFalse();
            assertThatThrownBy(() -> store.get(odd)).isInstanceOf(Fault.class);
        }
    }

    @Test
    void theStagingAreaKeepsIntakesApart() throws IOException {
        StagingArea staging = new StagingArea(data);
        assertThat(staging.putUpload("one", 0, file -> Files.write(file, new byte[] {1})))
                .isEqualTo(1);
        staging.put("one", "digest", new byte[] {2});
        staging.put("two", "digest", new byte[] {3});
        assertThat(staging.get("one", "digest")).containsExactly(2);
        assertThat(Files.readAllBytes(staging.upload("one", 0))).containsExactly(1);
        staging.clear("one");
        staging.clear("one");
        assertThat(staging.get("two", "digest")).containsExactly(3);
        assertThat(files()).hasSize(1);
    }

    @Test
    void whatBreaksOffLeavesNothing() throws IOException {
        Upload broken = file -> {
            Files.write(file, new byte[100_000]);
            throw new IOException("the connection was lost");
        };
        assertThatThrownBy(() -> new StagingArea(data).putUpload("one", 0, broken))
                .hasRootCauseMessage("the connection was lost");
        InputStream full = new InputStream() {
            @Override
            public int read() throws IOException {
                throw new IOException("No space left on device");
            }

            @Override
            public int read(byte[] into, int at, int length) throws IOException {
                return read();
            }
        };
        assertThatThrownBy(() -> new FileStore(data).put(full)).hasRootCauseMessage("No space left on device");
        assertThat(files()).isEmpty();
    }

    private List<Path> files() throws IOException {
        try (Stream<Path> all = Files.walk(data)) {
            return all.filter(Files::isRegularFile).toList();
        }
    }
}
