package app.unciala.cli;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import picocli.CommandLine;

/** The fixed points of the command line, on a font that a Debian package installed. */
class UncialaTest {
    private static final String SANS = "/usr/share/fonts/truetype/dejavu/DejaVuSans-Bold.ttf";

    @TempDir
    Path folder;

    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();
    private Path text;

    @BeforeEach
    void writeText() throws Exception {
        text = Files.writeString(folder.resolve("notes.ttf"), "no font");
    }

    @Test
    void inspectPrintsOneObjectALineAndFailsAtTheEnd() {
        assertThat(run("inspect", SANS, text.toString(), "missing.ttf")).isEqualTo(1);
        String[] lines = out.toString().split("\n");
        assertThat(lines).hasSize(3);
        assertThat(lines[0])
                .startsWith(
                        "{\"file\":\"" + SANS
                                + "\",\"format\":\"ttf\",\"family\":\"DejaVu Sans\",\"subfamily\":\"Bold\","
                                + "\"weight\":700,\"width\":100,\"slope\":\"upright\",\"variable\":false,\"axes\":[],\"glyphs\":")
                .containsPattern(
                        "\"embedding\":\"installable\",\"sha256\":\"[0-9a-f]{64}\",\"drawing\":\"[0-9a-f]{64}\",\"problems\":\\[");
        assertThat(lines[1]).isEqualTo("{\"file\":\"" + text + "\",\"error\":\"is not a font: it is plain text\"}");
        assertThat(lines[2]).contains("there is no such file");
    }

    @ParameterizedTest
    @CsvSource({"woff2, WOFF2", "woff, WOFF", "ttf, TTF", "eot, EOT"})
    void convertKeepsBaseNamesAndGoesOnAfterAFailure(String key, FontFormat format) throws Exception {
        assertThat(run(
                        "convert",
                        text.toString(),
                        SANS,
                        "--to",
                        key,
                        "--out-dir",
                        folder.resolve("out").toString()))
                .isEqualTo(1);
        byte[] written = Files.readAllBytes(folder.resolve("out/DejaVuSans-Bold." + key));
        assertThat(FontReader.read(written).format()).isEqualTo(format);
        assertThat(err.toString().lines()).hasSize(1).first().asString().contains("notes.ttf: is not a font");
    }

    @Test
    void subsetTakesRangesTextAndLanguages() throws Exception {
        Path cut = folder.resolve("cut.woff2");
        for (String[] what :
                new String[][] {{"--unicodes", "U+0041-005A,U+E9"}, {"--text", "Über"}, {"--languages", "pl,de"}}) {
            assertThat(run("subset", SANS, what[0], what[1], "--to", "woff2", "-o", cut.toString()))
                    .as(err.toString())
                    .isZero();
            assertThat(FontReader.read(Files.readAllBytes(cut)).format()).isEqualTo(FontFormat.WOFF2);
            assertThat(Files.size(cut)).isLessThan(Files.size(Path.of(SANS)) / 4);
        }
    }

    @Test
    void compareSeesThroughContainers() {
        Path woff = folder.resolve("bold.woff");
        run("convert", SANS, "--to", "woff", "-o", woff.toString());
        assertThat(run("compare", SANS, woff.toString())).isZero();
        assertThat(out.toString()).startsWith("same drawing");
        assertThat(run("compare", SANS, SANS.replace("-Bold", ""))).isEqualTo(1);
        assertThat(out.toString()).contains("different drawings").contains("slot: Bold | Regular");
    }

    @Test
    void mistakesAreOneLine() {
        Stream.of(
                        new String[] {"convert", SANS, "--to", "bmp", "-o", "x"},
                        new String[] {"convert", SANS, SANS, "--to", "woff", "-o", "x"},
                        new String[] {"subset", SANS, "--unicodes", "A-Z", "-o", "x"},
                        new String[] {"subset", SANS, "--languages", "qqx", "-o", "x"},
                        new String[] {"compare", SANS, "missing.ttf"},
                        new String[] {"frobnicate"})
                .forEach(args -> {
                    err.getBuffer().setLength(0);
                    assertThat(run(args)).isNotZero();
                    assertThat(err.toString().lines()).as(err.toString()).hasSize(1);
                });
    }

    private int run(String... args) {
        CommandLine line = Unciala.commandLine();
        line.setOut(new PrintWriter(out, true));
        line.setErr(new PrintWriter(err, true));
        return line.execute(args);
    }
}
