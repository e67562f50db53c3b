package app.unciala.font.woff2;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.file.FontFile;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.testing.RealFonts;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Collections, which fontTools puts together and the reference encoder compresses. */
class Woff2CollectionTest {
    private static final String COLLECT = """
            import sys
            from fontTools.ttLib import TTCollection, TTFont
            collection = TTCollection()
            collection.fonts = [TTFont(path) for path in sys.argv[2:]]
            collection.save(sys.argv[1])
            """;

    @TempDir
    Path folder;

    @Test
    void everyFaceIsReadOutOfBothContainers() throws Exception {
        List<Path> sources = List.of(RealFonts.named("DejaVuSansMono.ttf"), RealFonts.named("DejaVuSansMono-Bold.ttf"));
        Path plain = folder.resolve("mono.ttc");
        run(
                "/usr/bin/python3",
                "-c",
                COLLECT,
                plain.toString(),
                sources.get(0).toString(),
                sources.get(1).toString());
        run("woff2_compress", plain.toString());

        FontFile collection = FontReader.read(Files.readAllBytes(plain));
        FontFile packed = FontReader.read(Files.readAllBytes(folder.resolve("mono.woff2")));
        assertThat(collection.format()).isEqualTo(FontFormat.COLLECTION);
        assertThat(packed.format()).isEqualTo(FontFormat.WOFF2);
        assertThat(packed.faces()).hasSize(2);
        for (int i = 0; i < 2; i++) {
            Sfnt source =
                    FontReader.read(RealFonts.bytes(sources.get(i))).faces().get(0);
            FaceReport expected = FaceReport.of(source);
            for (FontFile file : List.of(collection, packed)) {
                FaceReport report = FaceReport.of(file.faces().get(i));
                assertThat(report.drawing()).isEqualTo(expected.drawing());
                assertThat(report.identity()).isEqualTo(expected.identity());
                byte[] alone = FontWriter.write(file.faces().get(i), FontFormat.TTF);
                assertThat(FontReader.read(alone).faces()).hasSize(1);
            }
        }
    }

    @Test
    void aCollectionOfNothingOrTooMuchIsDamaged() {
        byte[] none = {'t', 't', 'c', 'f', 0, 1, 0, 0, 0, 0, 0, 0};
        assertThatThrownBy(() -> FontReader.read(none))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("0 faces");
        byte[] many = none.clone();
        many[9] = 1;
        assertThatThrownBy(() -> FontReader.read(many)).hasMessageContaining("65536 faces");
        byte[] outside = {'t', 't', 'c', 'f', 0, 1, 0, 0, 0, 0, 0, 1, 0, 0, 1, 0};
        assertThatThrownBy(() -> FontReader.read(outside)).hasMessageContaining("past its end");
    }

    private void run(String... command) throws Exception {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String output = new String(process.getInputStream().readAllBytes(), UTF_8);
        assertThat(process.waitFor()).as(output).isZero();
    }
}
