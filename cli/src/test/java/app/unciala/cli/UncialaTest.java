package app.unciala.cli;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.file.FontReader;
import app.unciala.font.layout.LayoutFeatures;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
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

    private static final String LATO = "/usr/share/fonts/truetype/lato/Lato-Regular.ttf";
    private static final String INTER = "/usr/share/fonts/truetype/inter-vf/Inter.var.ttf";

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
    void proofreadPrintsOneObjectALineAndMends() throws Exception {
        Path fonts = Files.createDirectories(folder.resolve("fonts/lato"));
        Files.copy(Path.of(LATO), fonts.resolve("lato.ttf"));
        Path css = Files.writeString(
                folder.resolve("site.css"),
                "@font-face { font-family: \"Lato\"; src: url(fonts/Lato.ttf); font-weight: 700; font-display: swap }\n"
                        + "body { font: 1em Lato }\n");
        Path mended = folder.resolve("mended.css");

        int code = run(
                "proofread",
                css.toString(),
                "--fonts",
                folder.resolve("fonts").toString(),
                "--fix",
                "-o",
                mended.toString());

        assertThat(code).isEqualTo(1);
        assertThat(out.toString().split("\n"))
                .containsExactly(
                        "{\"file\":\"" + css + "\",\"line\":1,\"column\":44,\"kind\":\"unresolved-path\",\"message\":"
                                + "\"There is no file “Lato.ttf”.\",\"fix\":\"\\\"fonts/lato.ttf\\\"\"}",
                        "{\"file\":\"" + css
                                + "\",\"line\":2,\"column\":8,\"kind\":\"asked-face-not-declared\",\"message\":"
                                + "\"“Lato” is asked for in 400, which no face supplies: browsers take Bold.\",\"fix\":null}",
                        "{\"file\":\"" + css + "\",\"line\":2,\"column\":18,\"kind\":\"no-generic\",\"message\":"
                                + "\"The list of families ends without a generic one; end it with sans-serif.\","
                                + "\"fix\":\", sans-serif\"}");
        assertThat(Files.readString(mended)).contains("font-weight: 400").contains("font: 1em Lato, sans-serif");
        assertThat(run("proofread", mended.toString(), "--fonts", fonts.toString()))
                .isZero();
    }

    @Test
    void everyCommandSaysHowItIsUsedAndOneThatIsNoneDoesNot() {
        for (String command : Unciala.commandLine().getSubcommands().keySet()) {
            out.getBuffer().setLength(0);
            assertThat(run(command, "--help")).as(command).isZero();
            assertThat(out.toString()).as(command).contains("Usage: unciala " + command);
            if (!List.of("help", "generate-completion").contains(command)) {
                assertThat(out.toString())
                        .as(command)
                        .contains("Example:\n  unciala " + command + " ")
                        .contains("Exit codes:");
            }
        }
        out.getBuffer().setLength(0);
        assertThat(run("help", "subset")).isZero();
        assertThat(out.toString()).startsWith("Usage: unciala subset");
        assertThat(run("nosuch", "--help")).isEqualTo(2);
        assertThat(run("nosuch")).isEqualTo(2);
        assertThat(err.toString()).contains("no such command; see unciala --help");
        assertThat(run("convrt", "a.ttf")).isEqualTo(2);
        assertThat(err.toString()).contains("did you mean convert?");
        assertThat(run("inspect", "a.ttf", "--detials")).isEqualTo(2);
        assertThat(err.toString()).contains("did you mean --details?");
        out.getBuffer().setLength(0);
        assertThat(run("generate-completion")).isZero();
        assertThat(out.toString()).contains("complete -F").contains("--languages");
        assertThat(run("--help")).isZero();
    }

    @Test
    void proofreadReadsTheStyleElementsOfAPage() throws Exception {
        Path page = Files.writeString(
                folder.resolve("head.html"),
                "<!doctype html>\n<style>\n@font-face { font-family: A; src: url(a.woff2) format(\"woff2\"); font-display: swap }\n"
                        + "</style><style>p { font-family: A }</style>\n");
        assertThat(run("proofread", page.toString())).isEqualTo(1);
        assertThat(out.toString().lines()).singleElement().asString().contains("\"line\":4", "\"kind\":\"no-generic\"");
    }

    @Test
    void proofreadSaysWhatIsWrongWithItsOptions() throws Exception {
        Path css = Files.writeString(folder.resolve("site.css"), "p { color: red }");

        assertThat(run("proofread", css.toString())).isZero();
        assertThat(run("proofread", css.toString(), "--served-at", "client")).isEqualTo(2);
        assertThat(run("proofread", css.toString(), "--fonts", css.toString())).isEqualTo(2);
        assertThat(run("proofread", css.toString(), "--fix")).isEqualTo(2);
        assertThat(run("proofread", folder.resolve("missing.css").toString())).isEqualTo(1);
        assertThat(err.toString())
                .contains("--served-at client: write an address")
                .contains("isn’t a folder")
                .contains("--fix needs -o OUT")
                .doesNotContain("\tat ");
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
    void nothingIsWrittenOverAnInputOrAnotherResult() throws Exception {
        Path here = Files.copy(Path.of(SANS), folder.resolve("Sans.ttf"));
        Path there = Files.createDirectories(folder.resolve("sub"));
        Path same = Files.copy(Path.of(SANS), there.resolve("Sans.otf"));
        byte[] before = Files.readAllBytes(here);
        assertThat(run("subset", here.toString(), "--text", "A", "--out-dir", folder.toString()))
                .isEqualTo(1);
        assertThat(err.toString()).contains("would be written over").contains("an input");
        assertThat(Files.readAllBytes(here)).isEqualTo(before);
        err.getBuffer().setLength(0);
        String out = folder.resolve("out").toString();
        assertThat(run("convert", here.toString(), same.toString(), "--to", "woff", "--out-dir", out))
                .isEqualTo(1);
        assertThat(err.toString().lines())
                .singleElement()
                .asString()
                .startsWith(same + ": ")
                .contains("made from " + here);
        assertThat(Files.exists(folder.resolve("out/Sans.woff"))).isTrue();
        assertThat(run("convert", here.toString(), "--to", "woff")).isNotZero();
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
    void subsetJoinsWhatIsAskedAndKeepsFeaturesAndHintingAsTold() throws Exception {
        Path cut = folder.resolve("cut.ttf");
        String[] asked = {
            "subset",
            LATO,
            "--ranges",
            "Basic Latin",
            "--text",
            "Ωß",
            "--features",
            "smcp,onum",
            "--no-hinting",
            "-o",
            ""
        };
        asked[asked.length - 1] = cut.toString();
        assertThat(run(asked)).as(err.toString()).isZero();
        Sfnt face = face(cut);
        assertThat(CmapTable.read(face).codePoints()).hasSize(97).contains('ß', 'Ω');
        assertThat(LayoutFeatures.of(face)).contains("kern", "liga", "onum").doesNotContain("dlig", "ss01");
        assertThat(face.tables()).doesNotContainKeys("fpgm", "prep", "cvt ");
        assertThat(run("subset", LATO, "--text", "fi", "--features", "all", "-o", cut.toString()))
                .isZero();
        assertThat(face(cut).tables()).containsKeys("fpgm", "GSUB");
    }

    @Test
    void theFileToWriteSaysTheFormatAndEachFaceOfACollectionIsWritten() throws Exception {
        Path woff = folder.resolve("named.woff");
        assertThat(run(
                        "convert",
                        SANS,
                        "--to",
                        "woff2",
                        "-o",
                        folder.resolve("odd.bin").toString()))
                .isZero();
        assertThat(run("subset", SANS, "--text", "A", "-o", woff.toString())).isZero();
        assertThat(FontReader.read(Files.readAllBytes(woff)).format()).isEqualTo(FontFormat.WOFF);

        byte[] one = Files.readAllBytes(Path.of(SANS));
        ByteSink collection =
                new ByteSink().tag("ttcf").u32(0x10000).u32(2).u32(20).u32(20).bytes(moved(one, 20));
        Path file = Files.write(folder.resolve("two.ttc"), collection.toArray());
        assertThat(run(
                        "convert",
                        file.toString(),
                        "--to",
                        "ttf",
                        "--out-dir",
                        folder.resolve("faces").toString()))
                .as(err.toString())
                .isZero();
        assertThat(folder.resolve("faces/two-1.ttf")).exists();
        assertThat(folder.resolve("faces/two-2.ttf")).exists();
        assertThat(run(
                        "convert",
                        file.toString(),
                        "--to",
                        "ttf",
                        "-o",
                        folder.resolve("x.ttf").toString()))
                .isEqualTo(1);
        assertThat(err.toString()).contains("collection of 2 faces");
    }

    /** A bare font as it stands behind a header of so many bytes: the offsets of its tables count from the file's start. */
    private static byte[] moved(byte[] font, int by) {
        ByteView view = ByteView.of(font.clone(), "font");
        ByteSink moved = new ByteSink().bytes(font);
        for (int i = 0; i < view.u16(4); i++) {
            moved.putU32(12 + 16 * i + 8, view.i32(12 + 16 * i + 8) + by);
        }
        return moved.toArray();
    }

    @Test
    void renameInstanceSplitAndFallbackDoWhatTheySay() throws Exception {
        Path renamed = folder.resolve("renamed.ttf");
        assertThat(run("rename", SANS, "--family", "Harrow Web", "-o", renamed.toString()))
                .isZero();
        assertThat(FaceIdentifier.identify(face(renamed)).family()).isEqualTo("Harrow Web");

        Path instance = folder.resolve("instance.woff2");
        assertThat(run("instance", INTER, "--at", "wght=650,slnt=-5", "--family", "Harrow", "-o", instance.toString()))
                .as(err.toString())
                .isZero();
        assertThat(FaceIdentifier.identify(face(instance)).family()).isEqualTo("Harrow");
        assertThat(FaceIdentifier.identify(face(instance)).slot().weight().min())
                .isEqualTo(650);

        assertThat(run("split", LATO, "--ranges", "Basic Latin,Latin,Cyrillic", "--out-dir", folder.toString()))
                .isZero();
        String css = Files.readString(folder.resolve("Lato-Regular.css"));
        assertThat(css.split("@font-face")).hasSize(5);
        assertThat(css).contains("url(\"Lato-Regular-cyrillic.woff2\")", "unicode-range: U+20-7E;");
        assertThat(CmapTable.read(face(folder.resolve("Lato-Regular-cyrillic.woff2")))
                        .has('Ж'))
                .isTrue();

        out.getBuffer().setLength(0);
        assertThat(run("fallback", LATO, SANS, "--face", "arial")).isZero();
        assertThat(out.toString())
                .contains("local(\"Arial\")", "local(\"Arial Bold\")", "\"Lato Fallback\"", "size-adjust: ");
    }

    @Test
    void collectPutsFacesIntoOneFile() throws Exception {
        Path all = folder.resolve("all.ttc");
        assertThat(run("collect", SANS, LATO, "-o", all.toString()))
                .as(err.toString())
                .isZero();
        assertThat(run("inspect", all.toString())).isZero();
        assertThat(out.toString().lines()).hasSize(2);
        assertThat(out.toString()).contains("\"format\":\"collection\"", "Lato", "DejaVu Sans");
        assertThat(run(
                        "collect",
                        all.toString(),
                        text.toString(),
                        "-o",
                        folder.resolve("b.ttc").toString()))
                .isEqualTo(1);
        assertThat(err.toString()).contains(text.getFileName().toString()).hasLineCount(1);
        assertThat(run("collect", all.toString(), LATO, "-o", all.toString())).isEqualTo(2);
        assertThat(FontReader.read(Files.readAllBytes(all)).faces()).hasSize(2);
    }

    @Test
    void inspectSaysMoreWhenAsked() {
        assertThat(run("inspect", INTER, "--details", "--languages", "vi,hi")).isZero();
        assertThat(out.toString().lines()).hasSize(1);
        assertThat(out.toString())
                .contains("\"designer\":\"Rasmus Andersson\"", "\"hhea ascender\":2728", "\"agree\":true")
                .contains("\"hinting\":\"not hinted\"", "\"name\":\"Semi Bold Italic\",\"wght\":600,\"slnt\":-10")
                .containsPattern("\"languages\":\\[.*\"pl\".*\"vi\"")
                .containsPattern("\"lacking\":\\{\"vi\":\"\",\"hi\":\"[^\"]*क");
    }

    @Test
    void compareSaysWhatChanged() throws Exception {
        Path cut = folder.resolve("cut.ttf");
        run("subset", LATO, "--languages", "de", "-o", cut.toString());
        assertThat(run("compare", LATO, cut.toString())).isEqualTo(1);
        assertThat(out.toString())
                .startsWith("different drawings\nlikeness: 1.000\n")
                .containsPattern("characters lost: \\d+ \\(U\\+0000")
                .contains("features lost:")
                .doesNotContain("glyphs changed", "kerning changed");
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
                        new String[] {"subset", SANS, "--ranges", "Nowhere", "-o", "x"},
                        new String[] {"instance", SANS, "--at", "bold", "-o", "x"},
                        new String[] {"instance", SANS, "--at", "wght=500", "-o", "x"},
                        new String[] {"rename", SANS, "--family", "!", "-o", "x"},
                        new String[] {"fallback", SANS, "--face", "Nobody"},
                        new String[] {"split", SANS, "--ranges", "Nowhere", "--out-dir", "x"},
                        new String[] {"compare", SANS, "missing.ttf"},
                        new String[] {"frobnicate"})
                .forEach(args -> {
                    err.getBuffer().setLength(0);
                    assertThat(run(args)).isNotZero();
                    assertThat(err.toString().lines()).as(err.toString()).hasSize(1);
                });
    }

    private static Sfnt face(Path path) throws Exception {
        return FontReader.read(Files.readAllBytes(path)).faces().get(0);
    }

    private int run(String... args) {
        CommandLine line = Unciala.commandLine();
        line.setOut(new PrintWriter(out, true));
        line.setErr(new PrintWriter(err, true));
        return line.execute(args);
    }
}
