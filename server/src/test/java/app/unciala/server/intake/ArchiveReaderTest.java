package app.unciala.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Samples;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ArchiveReaderTest {
    @TempDir
    Path folder;

    private final List<String> files = new ArrayList<>();
    private final List<String> refused = new ArrayList<>();
    private long progress;
    private final ArchiveReader reader = new ArchiveReader(new ArchiveReader.Sink() {
        @Override
        public void file(String path, byte[] bytes) {
            files.add(path + " " + bytes.length);
        }

        @Override
        public void refused(String path, long bytes, String reason) {
            refused.add(path + " " + reason);
        }

        @Override
        public void progress(long bytes) {
            progress = bytes;
        }
    });

    @ParameterizedTest
    @CsvSource({
        "a/b.ttf, false",
        "a/..b/c.ttf, false",
        "../b.ttf, true",
        "a/../../b.ttf, true",
        "/etc/passwd, true",
        "C:\\fonts\\a.ttf, true",
        "a\\..\\b.ttf, true",
        "'..', true"
    })
    void pathsThatClimbOutAreSeen(String path, boolean climbs) {
        assertThat(ArchiveReader.climbsOut(path)).isEqualTo(climbs);
    }

    @Test
    void aFileThatIsNoArchiveIsHandedOnAsItIs() throws Exception {
        reader.read("loose.ttf", write("loose.ttf", new byte[] {1, 2, 3}));
        reader.read("empty.ttf", write("empty.ttf", new byte[0]));
        assertThat(files).containsExactly("loose.ttf 3", "empty.ttf 0");
    }

    @Test
    void archivesWithinArchivesAreOpenedWithTheirPaths() throws Exception {
        byte[] inner = Samples.zip(Map.of("web/font.woff2", new byte[5]));
        reader.read("outer.zip", write("outer.zip", Samples.zip(Map.of("vendor/inner.zip", inner))));
        assertThat(files).containsExactly("outer.zip/vendor/inner.zip/web/font.woff2 5");
        reader.read("none.zip", write("none.zip", Samples.zip(Map.of())));
        assertThat(files).hasSize(1);
    }

    @Test
    void tooManyEntriesAreCutOff() throws Exception {
        Map<String, byte[]> many = new LinkedHashMap<>();
        for (int i = 0; i <= ArchiveReader.MAX_ENTRIES; i++) {
            many.put("f" + i, new byte[0]);
        }
        reader.read("many.zip", write("many.zip", Samples.zip(many)));
        assertThat(files).hasSize(ArchiveReader.MAX_ENTRIES);
        assertThat(refused).singleElement().asString().contains("more than 5000 files");
    }

    @Test
    void aBombIsRefusedByWhatItUnpacksToAndNotByWhatItSays() throws Exception {
        Map<String, byte[]> bomb = new LinkedHashMap<>();
        bomb.put("zeros", new byte[40 << 20]);
        bomb.put("after", new byte[1]);
        reader.read("bomb.zip", write("bomb.zip", Samples.zip(bomb)));
        assertThat(files).isEmpty();
        assertThat(refused).singleElement().asString().startsWith("bomb.zip unpacks to far more");
    }

    @Test
    void damageInsideAnArchiveStaysInside() throws Exception {
        Map<String, byte[]> two = new LinkedHashMap<>();
        two.put("first.txt", "hello hello hello hello hello hello".getBytes(StandardCharsets.UTF_8));
        two.put("second.txt", "world world world world world world".getBytes(StandardCharsets.UTF_8));
        byte[] archive = Samples.zip(two);
        archive[40] ^= 0x55;
        archive[42] ^= 0x55;
        reader.read("broken.zip", write("broken.zip", archive));
        assertThat(files).contains("broken.zip/second.txt 35");
        reader.read("cut.zip", write("cut.zip", new byte[] {'P', 'K', 3, 4, 0, 0}));
        assertThat(refused).last().asString().startsWith("cut.zip is a damaged archive");
    }

    private Path write(String name, byte[] bytes) throws Exception {
        return Files.write(folder.resolve(name), bytes);
    }
}
