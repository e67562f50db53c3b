package app.unciala.font.woff2;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.glyf.GlyfTable;
import app.unciala.font.glyf.SimpleGlyph;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Our WOFF 2.0 against the reference tools, both ways, on real fonts. */
class Woff2OracleTest {
    private static long ourBytes;
    private static long theirBytes;

    @TempDir
    Path folder;

    static Stream<Path> fonts() {
        return RealFonts.twoOfEach();
    }

    @ParameterizedTest
    @MethodSource("fonts")
    void theReferenceToolsReadOursAndWeReadTheirs(Path source) throws Exception {
        byte[] bytes = RealFonts.bytes(source);
        Sfnt original = FontReader.read(bytes).faces().get(0);
        byte[] ours = Woff2Writer.write(original, Compression.SMALLEST);
        keepForTheBrowserTests(source, ours);
        run("woff2_decompress", Files.write(folder.resolve("ours.woff2"), ours));
        Sfnt decoded = FontReader.read(Files.readAllBytes(folder.resolve("ours.ttf")))
                .faces()
                .get(0);
        assertSame(decoded, original);
        assertThat(decoded.problems()).isEmpty();

        run("woff2_compress", Files.write(folder.resolve("theirs.ttf"), bytes));
        byte[] theirs = Files.readAllBytes(folder.resolve("theirs.woff2"));
        ourBytes += ours.length;
        theirBytes += theirs.length;
        Sfnt read = FontReader.read(theirs).faces().get(0);
        assertSame(read, original);
        assertThat(FaceReport.of(read).drawing())
                .isEqualTo(FaceReport.of(original).drawing());
    }

    /** Over all the fonts, what we write is no larger than what the reference encoder writes. */
    @AfterAll
    static void noLargerThanTheReference() {
        assertThat(ourBytes).isPositive().isLessThanOrEqualTo(theirBytes);
    }

    @ParameterizedTest
    @ValueSource(strings = {"Lato-Regular.ttf", "Cantarell-Regular.otf", "DejaVuSans.ttf", "Inter.var.ttf"})
    void whatIsWrittenQuicklyIsTheSameFontInAtMostAnEighthMoreBytes(String name, @TempDir Path folder)
            throws Exception {
        Sfnt face =
                FontReader.read(RealFonts.bytes(RealFonts.named(name))).faces().get(0);
        byte[] quick = FontWriter.writeQuickly(face);
        byte[] smallest = FontWriter.write(face, FontFormat.WOFF2);
        assertThat(quick.length).isBetween(smallest.length, smallest.length * 9 / 8);
        Path file = Files.write(folder.resolve("quick.woff2"), quick);
        Tool.run("woff2_decompress", file);
        Sfnt theirs = FontReader.read(Files.readAllBytes(folder.resolve("quick.ttf")))
                .faces()
                .get(0);
        assertSame(theirs, FontReader.read(smallest).faces().get(0));
    }

    @Test
    void theSameFaceGivesTheSameBytes() {
        Sfnt face = FontReader.read(RealFonts.cff()).faces().get(0);
        assertThat(Woff2Writer.write(face, Compression.SMALLEST))
                .isEqualTo(Woff2Writer.write(face, Compression.SMALLEST));
    }

    /** Every table byte for byte, except those that a WOFF 2.0 encoder may rewrite, which are compared by content. */
    private static void assertSame(Sfnt actual, Sfnt expected) {
        Set<String> tags = new TreeSet<>(expected.tables().keySet());
        tags.remove("DSIG");
        assertThat(actual.tables().keySet()).isEqualTo(tags);
        for (String tag : tags) {
            if (!Set.of("head", "glyf", "loca").contains(tag)) {
                assertThat(actual.require(tag).sameBytes(expected.require(tag)))
                        .as(tag)
                        .isTrue();
            }
        }
        if (tags.contains("glyf")) {
            assertSameGlyphs(GlyfTable.read(actual), GlyfTable.read(expected));
        }
    }

    private static void assertSameGlyphs(GlyfTable actual, GlyfTable expected) {
        assertThat(actual.numGlyphs()).isEqualTo(expected.numGlyphs());
        for (int glyph = 0; glyph < expected.numGlyphs(); glyph++) {
            ByteView one = actual.glyph(glyph);
            ByteView other = expected.glyph(glyph);
            int contours = other.length() == 0 ? 0 : other.i16(0);
            if (contours <= 0) {
                int length = contours == 0 ? 0 : Math.min(one.length(), other.length()) & ~3;
                assertThat(one.slice(0, length).sameBytes(other.slice(0, length)))
                        .isTrue();
                continue;
            }
            assertThat(one.slice(0, 10).sameBytes(other.slice(0, 10)))
                    .as("header of %d", glyph)
                    .isTrue();
            SimpleGlyph a = SimpleGlyph.read(one);
            SimpleGlyph b = SimpleGlyph.read(other);
            assertThat(a.xs()).isEqualTo(b.xs());
            assertThat(a.ys()).isEqualTo(b.ys());
            assertThat(a.onCurve()).isEqualTo(b.onCurve());
            assertThat(a.contourEnds()).isEqualTo(b.contourEnds());
            assertThat(a.instructions()).isEqualTo(b.instructions());
        }
    }

    /** Chromium loads them all in e2e/tests/woff2.spec.ts. */
    private static void keepForTheBrowserTests(Path source, byte[] woff2) throws IOException {
        Path samples = Files.createDirectories(Path.of("target", "woff2"));
        String name = source.getFileName().toString().replaceFirst("\\.[^.]*$", ".woff2");
        Files.write(samples.resolve(name), woff2);
    }

    private void run(String program, Path file) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(program, file.toString())
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .start();
        String output = new String(process.getInputStream().readAllBytes(), UTF_8);
        assertThat(process.waitFor()).as(output).isZero();
    }
}
