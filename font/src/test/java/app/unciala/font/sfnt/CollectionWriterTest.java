package app.unciala.font.sfnt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontFile;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.rename.Renamer;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CollectionWriterTest {
    private static final String SCRIPT = """
            import sys
            from fontTools.ttLib import TTCollection
            fonts = TTCollection(sys.argv[1], checkChecksums=2).fonts
            for font in fonts:
                for tag in font.keys(): font[tag]
                print(font['name'].getDebugName(4), len(font.getGlyphOrder()), font.sfntVersion.encode())
            """;

    @Test
    void othersReadTheFacesAndTheirChecksums(@TempDir Path folder) throws Exception {
        List<Sfnt> faces = Stream.of("Lato-Regular.ttf", "Cantarell-Bold.otf", "DejaVuSansMono.ttf")
                .map(CollectionWriterTest::read)
                .toList();
        byte[] written = FontWriter.writeCollection(faces);
        Path file = Files.write(folder.resolve("all.ttc"), written);
        assertThat(Tool.python(SCRIPT, file).lines().map(line -> line.replaceAll(" \\d+ ", " ")))
                .containsExactly(
                        "Lato Regular b'\\x00\\x01\\x00\\x00'",
                        "Cantarell Bold b'OTTO'",
                        "DejaVu Sans Mono b'\\x00\\x01\\x00\\x00'");
        assertThat(Tool.run("fc-scan", "-f", "%{fullname[0]}\n", file).lines())
                .as("FreeType numbers the faces as they were put in")
                .containsExactly("Lato Regular", "Cantarell Bold", "DejaVu Sans Mono");
        FontFile back = FontReader.read(written);
        assertThat(back.format()).isEqualTo(FontFormat.COLLECTION);
        assertThat(back.faces()).hasSameSizeAs(faces);
        for (int i = 0; i < faces.size(); i++) {
            assertThat(contents(back.faces().get(i))).isEqualTo(contents(faces.get(i)));
        }
    }

    @Test
    void tablesThatAreEqualAreThereOnce() {
        Sfnt lato = read("Lato-Regular.ttf");
        Sfnt renamed = Renamer.rename(lato, "Harrow");
        int one = SfntWriter.write(lato).length;
        int names = renamed.require("name").length();
        assertThat(FontWriter.writeCollection(List.of(lato, renamed)).length).isLessThan(one + names + 1000);
        Sfnt second = FontReader.read(FontWriter.writeCollection(List.of(lato, renamed)))
                .faces()
                .get(1);
        assertThat(contents(second)).isEqualTo(contents(renamed));
    }

    @Test
    void aCollectionHasFaces() {
        assertThatThrownBy(() -> FontWriter.writeCollection(List.of())).isInstanceOf(IllegalArgumentException.class);
    }

    private static Map<String, ByteBuffer> contents(Sfnt face) {
        return face.tables().entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey,
                        table -> ByteBuffer.wrap(table.getValue().toArray())));
    }

    private static Sfnt read(String name) {
        return FontReader.read(RealFonts.bytes(RealFonts.named(name))).faces().get(0);
    }
}
