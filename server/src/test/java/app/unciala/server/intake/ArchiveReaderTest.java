package app.unciala.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Samples;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.zip.GZIPOutputStream;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
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

    @Test
    void namesInAnOldCodePageAreReadAsTheyWereMeant() throws Exception {
        try (ZipArchiveOutputStream zip =
                new ZipArchiveOutputStream(folder.resolve("old.zip").toFile())) {
            zip.setEncoding("IBM437");
            zip.setUseLanguageEncodingFlag(false);
            zip.setCreateUnicodeExtraFields(ZipArchiveOutputStream.UnicodeExtraFieldPolicy.NEVER);
            put(zip, "Grüße/Schön.ttf", new byte[3]);
        }
        reader.read("old.zip", folder.resolve("old.zip"));
        assertThat(files).containsExactly("old.zip/Grüße/Schön.ttf 3");
        reader.read("new.zip", write("new.zip", Samples.zip(Map.of("Žluť.ttf", new byte[2]))));
        assertThat(files).contains("new.zip/Žluť.ttf 2");
        assertThat(refused).isEmpty();
    }

    @Test
    void aWrongChecksumOrSizeIsOneRefusal() throws Exception {
        Map<String, byte[]> two = new LinkedHashMap<>();
        two.put("first.ttf", "first first first".getBytes(StandardCharsets.UTF_8));
        two.put("second.ttf", "second".getBytes(StandardCharsets.UTF_8));
        byte[] crc = Samples.zip(two);
        int directory = indexOf(crc, new byte[] {'P', 'K', 1, 2});
        crc[directory + 16] ^= 1;
        reader.read("crc.zip", write("crc.zip", crc));
        assertThat(refused)
                .singleElement()
                .asString()
                .contains("crc.zip/first.ttf")
                .contains("checksum does not fit");
        byte[] size = Samples.zip(two);
        size[directory + 24]++;
        reader.read("size.zip", write("size.zip", size));
        assertThat(refused).last().asString().contains("size.zip/first.ttf").contains("where the archive says 18");
        assertThat(files).containsExactly("crc.zip/second.ttf 6", "size.zip/second.ttf 6");
    }

    @Test
    void anEncryptedEntryIsNamedAndTheRestGoesOn() throws Exception {
        Map<String, byte[]> two = new LinkedHashMap<>();
        two.put("secret.ttf", new byte[9]);
        two.put("open.ttf", new byte[4]);
        byte[] archive = Samples.zip(two);
        int directory = indexOf(archive, new byte[] {'P', 'K', 1, 2});
        archive[directory + 8] |= 1;
        archive[6] |= 1;
        reader.read("locked.zip", write("locked.zip", archive));
        assertThat(refused).singleElement().asString().contains("locked.zip/secret.ttf is encrypted");
        assertThat(files).containsExactly("locked.zip/open.ttf 4");
    }

    @Test
    void whatCanBeReadOfACutArchiveIsTaken() throws Exception {
        Map<String, byte[]> three = new LinkedHashMap<>();
        for (int i = 0; i < 3; i++) {
            byte[] noise = new byte[5000];
            new Random(i).nextBytes(noise);
            three.put("f" + i + ".ttf", noise);
        }
        byte[] whole = Samples.zip(three);
        reader.read("cut.zip", write("cut.zip", Arrays.copyOf(whole, whole.length * 2 / 3)));
        assertThat(files).contains("cut.zip/f0.ttf 5000");
        assertThat(refused)
                .singleElement()
                .asString()
                .contains("damaged archive")
                .contains("listed beside this");
    }

    @Test
    void splitArchivesAreNamed() throws Exception {
        reader.read("part.zip", write("part.zip", new byte[] {'P', 'K', 7, 8, 0, 0, 0, 0}));
        assertThat(refused).singleElement().asString().contains("split over several files");
    }

    @Test
    void tarAndGzipAreOpenedAndCountedByWhatTheyUnpackTo() throws Exception {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (TarArchiveOutputStream tar = new TarArchiveOutputStream(bytes, "UTF-8")) {
            tarEntry(tar, "fonts/a.ttf", new byte[7]);
            tarEntry(tar, "../b.ttf", new byte[7]);
            tarEntry(tar, "inner.zip", Samples.zip(Map.of("c.ttf", new byte[8])));
        }
        reader.read("plain.tar", write("plain.tar", bytes.toByteArray()));
        assertThat(files).containsExactly("plain.tar/fonts/a.ttf 7", "plain.tar/inner.zip/c.ttf 8");
        assertThat(refused).singleElement().asString().contains("climbs out");
        reader.read("packed.tar.gz", write("packed.tar.gz", gzip(bytes.toByteArray())));
        assertThat(files).contains("packed.tar.gz/fonts/a.ttf 7");
        reader.read("single.ttf.gz", write("single.ttf.gz", gzip(new byte[12])));
        assertThat(files).contains("single.ttf.gz/single.ttf 12");
        assertThat(progress).isPositive();
        byte[] cut = gzip(bytes.toByteArray());
        reader.read("cut.tar.gz", write("cut.tar.gz", Arrays.copyOf(cut, cut.length / 2)));
        assertThat(refused).last().asString().contains("cut.tar.gz is a damaged archive");
        reader.read("bomb.gz", write("bomb.gz", gzip(new byte[60 << 20])));
        assertThat(refused).last().asString().contains("unpacks to far more");
    }

    @Test
    void progressMovesWithinAnArchive() throws Exception {
        Map<String, byte[]> many = new LinkedHashMap<>();
        for (int i = 0; i < 20; i++) {
            byte[] noise = new byte[1000];
            new Random(i).nextBytes(noise);
            many.put("f" + i, noise);
        }
        byte[] archive = Samples.zip(many);
        List<Long> told = new ArrayList<>();
        new ArchiveReader(new ArchiveReader.Sink() {
                    @Override
                    public void file(String path, byte[] bytes) {}

                    @Override
                    public void refused(String path, long bytes, String reason) {}

                    @Override
                    public void progress(long bytes) {
                        told.add(bytes);
                    }
                })
                .read("many.zip", write("many.zip", archive));
        assertThat(told).hasSize(20).isSorted();
        assertThat(told.get(19)).isBetween(archive.length / 2L, (long) archive.length);
    }

    private static void put(ZipArchiveOutputStream zip, String name, byte[] bytes) throws Exception {
        zip.putArchiveEntry(new ZipArchiveEntry(name));
        zip.write(bytes);
        zip.closeArchiveEntry();
    }

    private static void tarEntry(TarArchiveOutputStream tar, String name, byte[] bytes) throws Exception {
        TarArchiveEntry entry = new TarArchiveEntry(name);
        entry.setSize(bytes.length);
        tar.putArchiveEntry(entry);
        tar.write(bytes);
        tar.closeArchiveEntry();
    }

    private static byte[] gzip(byte[] bytes) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(out)) {
            gzip.write(bytes);
        }
        return out.toByteArray();
    }

    private static int indexOf(byte[] bytes, byte[] wanted) {
        for (int i = 0; i < bytes.length - wanted.length; i++) {
            if (Arrays.equals(bytes, i, i + wanted.length, wanted, 0, wanted.length)) {
                return i;
            }
        }
        throw new IllegalStateException("not there");
    }

    private Path write(String name, byte[] bytes) throws Exception {
        return Files.write(folder.resolve(name), bytes);
    }
}
