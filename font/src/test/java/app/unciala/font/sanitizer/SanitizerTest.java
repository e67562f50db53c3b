package app.unciala.font.sanitizer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.Problem;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntWriter;
import app.unciala.font.testing.Mutants;
import app.unciala.testing.RealFonts;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Damage of all kinds, with what we say of it. What is said is written beside each damaged font, and
 * e2e/tests/engine.spec.ts asks Chromium whether it is true.
 */
class SanitizerTest {
    private static final Path FOLDER = Path.of("target", "damaged");
    private static final int MUTANTS = 120;

    static Stream<Path> realFonts() {
        return RealFonts.everywhere();
    }

    @ParameterizedTest
    @MethodSource("realFonts")
    void fontsOfEveryHandAreSound(Path font) {
        for (Sfnt face : FontReader.read(RealFonts.bytes(font)).faces()) {
            assertThat(Sanitizer.of(face)).isEmpty();
            assertThat(FaceReport.of(face).problems())
                    .extracting(Problem::severity)
                    .doesNotContain(Problem.Severity.ERROR);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"OS/2", "cmap", "glyf", "post", "CFF "})
    void aTableThatBrowsersNeedIsMissed(String tag) throws IOException {
        Sfnt face = face(tag.equals("CFF ") ? RealFonts.cff() : RealFonts.small());
        Sfnt without = face.without(tag);
        refused(
                "without-" + tag.strip().replace("/", ""),
                SfntWriter.write(without),
                tag.equals("CFF ") ? "glyf" : tag);
    }

    /** A 16-bit value put into a table of the font. */
    @ParameterizedTest
    @CsvSource({
        "head, 0, 7, unknown major version 7",
        "head, 12, 0, magic number",
        "head, 18, 8, 8 units to the em",
        "head, 36, 32000, bounding box inside out",
        "head, 52, 1, glyph data format",
        "hhea, 0, 128, major version",
        "hhea, 32, 1, metric data format",
        "maxp, 0, 239, major version",
        "maxp, 14, 128, 128 zones",
        "OS/2, 0, 128, unknown version 128",
        "name, 0, 9, unknown format 9",
        "name, 4, 3, puts its texts at byte 3",
        "post, 2, 32767, unknown version",
        "post, 34, 65000, the name 65000",
        "post, 32, 9, names 9 glyphs",
        "cmap, 0, 1, unknown version",
        "gasp, 2, 999, ranges"
    })
    void aValueThatBrowsersRefuseIsNamed(String tag, int at, int value, String said) throws IOException {
        Sfnt face = face(RealFonts.bytes(RealFonts.named("DejaVuSans.ttf")));
        refused(tag.replace("/", "") + "-" + at, with(face, tag, at, value), said);
    }

    @ParameterizedTest
    @CsvSource({"2, 9999, runs past its end", "4, 5, Macintosh", "6, 3, half a segment", "8, 6, search values"})
    void theCharacterMapIsInOrder(int at, int value, String said) throws IOException {
        Sfnt face = face(RealFonts.bytes(RealFonts.named("OpenSans-Regular.ttf")));
        ByteView cmap = face.require("cmap");
        int subtable = -1;
        for (int i = 0; i < cmap.u16(2); i++) {
            if (cmap.i32(4 + 8 * i) == 0x30001) {
                subtable = cmap.offset32(8 + 8 * i);
            }
        }
        refused("cmap-format-4-" + at, with(face, "cmap", subtable + at, value), said);
        byte[] segments = with(face, "cmap", subtable + 16, 1);
        refused("cmap-order", segments, "out of order");
    }

    @Test
    void aTableWithNothingInItIsLeftOutOfWhatIsWritten() throws IOException {
        Sfnt face = face(RealFonts.small()).with("TSI3", new byte[0]);
        refused("empty", SfntWriter.write(face), "is empty");
        byte[] written = FontWriter.write(face, FontFormat.TTF);
        assertThat(face(written).table("TSI3")).isEmpty();
        says("empty-mended", written, true);
    }

    @Test
    void aTableThatStartsAnywhereOrSharesBytesIsNamed() throws IOException {
        byte[] sound = RealFonts.small();
        int last = 12 + 16 * (ByteView.of(sound, "file").u16(4) - 1);
        ByteView file = ByteView.of(sound, "file");
        ByteView table = file.slice(file.offset32(last + 8), file.offset32(last + 12));
        ByteSink moved = new ByteSink().bytes(sound).pad4().u8(0);
        int start = moved.size();
        moved.bytes(table).pad4();
        moved.putU32(last + 8, start);
        refused("misaligned", moved.toArray(), "no multiple of four");
        byte[] converted = FontWriter.write(face(moved.toArray()), FontFormat.TTF);
        assertThat(refusals(converted)).isEmpty();
        says("misaligned-mended", converted, true);
        byte[] shared = sound.clone();
        System.arraycopy(shared, last - 16 + 8, shared, last + 8, 8);
        refused("shared", shared, "shares bytes");
    }

    /** Browsers leave such a table out and use the font. */
    @Test
    void damagedLayoutIsNamedAndTheRestIsRead() throws IOException {
        Sfnt face = face(RealFonts.bytes(RealFonts.named("DejaVuSans.ttf")));
        byte[] font = with(face, "GPOS", 6, 65000);
        assertThat(FaceReport.of(face(font)).problems()).anySatisfy(problem -> {
            assertThat(problem.table()).isEqualTo("GPOS");
            assertThat(problem.severity()).isEqualTo(Problem.Severity.ERROR);
            assertThat(problem.text()).endsWith("browsers set text without it");
        });
        assertThat(FaceReport.of(face(font)).details().features())
                .contains("liga")
                .doesNotContain("mkmk");
        says("layout", font, refusals(font).isEmpty());
    }

    @Test
    void whatWouldUnpackAHundredfoldIsNotWritten() {
        Sfnt face = face(RealFonts.small()).with("zero", new byte[8_000_000]);
        assertThatThrownBy(() -> FontWriter.write(face, FontFormat.WOFF2))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("100 times");
    }

    /** Of mutants, all that we call refused must be; e2e/tests/engine.spec.ts also counts those we do not notice. */
    @ParameterizedTest
    @ValueSource(strings = {"LiberationSans-Regular.ttf", "Cantarell-Regular.otf", "Lohit-Devanagari.ttf"})
    void mutantsAreJudged(String name) throws IOException {
        byte[] original = RealFonts.bytes(RealFonts.named(name));
        int refusals = 0;
        for (int seed = 0; seed < MUTANTS; seed++) {
            byte[] mutant = Mutants.mutate(original, new Random(seed));
            try {
                boolean sound = refusals(mutant).isEmpty();
                refusals += sound ? 0 : 1;
                says("mutant-" + seed + "-" + name, mutant, sound);
            } catch (FontException e) {
                // Not read at all, which says nothing of browsers.
                assertThat(e.reason()).isNotBlank();
            }
        }
        assertThat(refusals).isBetween(5, MUTANTS - 5);
    }

    private static List<String> refusals(byte[] font) {
        return FaceReport.of(face(font)).problems().stream()
                .filter(problem -> problem.text().contains("browsers refuse the file"))
                .map(problem -> problem.table() + " " + problem.text())
                .toList();
    }

    private static void refused(String name, byte[] font, String said) throws IOException {
        assertThat(refusals(font)).isNotEmpty().anySatisfy(problem -> assertThat(problem)
                .contains(said));
        says(name, font, false);
    }

    private static void says(String name, byte[] font, boolean sound) throws IOException {
        Files.write(Files.createDirectories(FOLDER).resolve(name + (sound ? ".sound" : ".refused")), font);
    }

    private static byte[] with(Sfnt face, String tag, int at, int value) {
        byte[] bytes = face.require(tag).toArray();
        bytes[at] = (byte) (value >> 8);
        bytes[at + 1] = (byte) value;
        return SfntWriter.write(face.with(tag, bytes));
    }

    private static Sfnt face(byte[] bytes) {
        return FontReader.read(bytes).faces().get(0);
    }
}
