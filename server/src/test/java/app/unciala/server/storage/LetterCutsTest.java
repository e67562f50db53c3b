package app.unciala.server.storage;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.file.FontReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.MaxpTable;
import app.unciala.server.fault.Fault;
import app.unciala.server.testing.Samples;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LetterCutsTest {
    @TempDir
    private Path data;

    private DerivedFiles derived;
    private LetterCuts cuts;

    @BeforeEach
    void begin() {
        derived = new DerivedFiles(data);
        cuts = new LetterCuts(derived);
    }

    @Test
    void manyThatAskAtOnceGetTheSameBytesAndLeaveNothingHalfWritten() throws Exception {
        Path font = write("a.ttf", Samples.font("Ostrel-Bold.ttf"));
        ExecutorService threads = Executors.newFixedThreadPool(8);
        try {
            List<Future<byte[]>> asked = IntStream.range(0, 40)
                    .mapToObj(i -> threads.submit(() -> Files.readAllBytes(cuts.cut("a".repeat(64), font, "Ostrel"))))
                    .toList();
            byte[] first = asked.get(0).get();
            for (Future<byte[]> one : asked) {
                assertThat(one.get()).isEqualTo(first);
            }
        } finally {
            threads.shutdown();
        }
        try (var files = Files.walk(data)) {
            assertThat(files.filter(Files::isRegularFile)
                            .map(file -> file.getFileName().toString()))
                    .hasSize(2)
                    .noneMatch(name -> name.endsWith(".part"));
        }
    }

    @Test
    void whatIsNoFontStandsAsItIs() throws IOException {
        Path text = write("terms.pdf", "no font".getBytes(UTF_8));
        assertThat(cuts.cut("b".repeat(64), text, "Ag")).isEqualTo(text);
        byte[] font = Samples.font("Ostrel-Bold.ttf");
        Path damaged = write("cut.ttf", java.util.Arrays.copyOf(font, font.length / 2));
        assertThat(cuts.cut("c".repeat(64), damaged, "Ag")).isEqualTo(damaged);
    }

    @ParameterizedTest
    @CsvSource({
        "/usr/share/fonts/truetype/lohit-devanagari/Lohit-Devanagari.ttf, कखग, GSUB",
        "/usr/share/fonts/opentype/fonts-hosny-amiri/Amiri-Regular.ttf, عسم, GSUB",
    })
    void lettersOfScriptsThatAreShapedKeepTheLayoutThatShapesThem(Path font, String text, String table)
            throws IOException {
        Sfnt cut = face(cuts.cut("d".repeat(64), font, text));
        assertThat(cut.table(table)).isPresent();
        text.codePoints()
                .forEach(letter -> assertThat(CmapTable.read(cut).has(letter)).isTrue());
    }

    @Test
    void latinLettersComeWithoutLigaturesAndSmall() throws IOException {
        Path font = Path.of("/usr/share/fonts/truetype/lato/Lato-Regular.ttf");
        Path cut = cuts.cut("e".repeat(64), font, "Lato fi");
        assertThat(Files.size(cut)).isLessThan(6000);
        assertThat(MaxpTable.read(face(cut)).numGlyphs())
                .as("the letters, the space and .notdef, and no ligature of f and i")
                .isEqualTo(8);
    }

    @Test
    void lettersAreCountedOnceAndBounded() throws IOException {
        Path font = write("a.ttf", Samples.font("Ostrel-Bold.ttf"));
        assertThat(cuts.cut("f".repeat(64), font, "a".repeat(5000))).exists();
        assertThatThrownBy(() -> cuts.cut("f".repeat(64), font, "")).isInstanceOf(Fault.class);
    }

    private static Sfnt face(Path font) throws IOException {
        return FontReader.read(Files.readAllBytes(font)).faces().get(0);
    }

    private Path write(String name, byte[] bytes) throws IOException {
        return Files.write(data.resolve(name), bytes);
    }
}
