package app.unciala.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.file.FontReader;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.instance.Instancer;
import app.unciala.font.outline.Outlines;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HmtxTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.variation.Location;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The drawn fonts, read back by the engine and by fc-scan. */
class DemoFontTest {
    private static final String PUNCTUATION = "–—‘’‚“”„†‡•…‹›€™";

    static Stream<DemoFont> fonts() {
        return DemoFont.all().stream();
    }

    @ParameterizedTest
    @MethodSource("fonts")
    void saysWhatItIsAndCoversWhatItPromises(DemoFont font) {
        Sfnt face = face(font);
        FaceReport report = FaceReport.of(face);
        assertThat(report.identity().family()).isEqualTo(font.family());
        assertThat(report.identity().slot()).isEqualTo(font.slot());
        if (font.family().equals("Skerry Display")) {
            assertThat(report.problems())
                    .as("the one that is for trying says so")
                    .singleElement()
                    .satisfies(problem -> assertThat(problem.text()).startsWith("says it is a trial"));
        } else {
            assertThat(report.problems()).isEmpty();
        }
        assertThat(report.version()).isEqualTo("Version " + font.version());
        CmapTable cmap = CmapTable.read(face);
        Outlines outlines = OutlineReader.read(face);
        HmtxTable metrics = HmtxTable.read(face);
        IntStream.concat(
                        IntStream.concat(IntStream.range(0x20, 0x7F), IntStream.range(0xA0, 0x100)),
                        PUNCTUATION.codePoints())
                .forEach(codePoint -> {
                    assertThat(cmap.has(codePoint)).as("U+%04X", codePoint).isTrue();
                    int glyph = cmap.glyph(codePoint);
                    boolean space = codePoint == 0x20 || codePoint == 0xA0;
                    assertThat(outlines.outline(glyph).isEmpty())
                            .as("U+%04X", codePoint)
                            .isEqualTo(space);
                    assertThat(metrics.advances()[glyph]).isBetween(60, 1400);
                });
    }

    @Test
    void aVariableFontIsNarrowedAndCondensedIsNarrower() {
        DemoFont marl = named("Marl-Variable.ttf");
        Sfnt face = FontReader.read(marl.bytes()).faces().get(0);
        assertThat(FaceReport.of(face).identity().slot().width()).isEqualTo(new Range(75, 100));
        Sfnt narrow = Instancer.instantiate(face, Location.of(face, Map.of("wdth", 75.0)));
        int glyph = CmapTable.read(face).glyph('n');
        int full = HmtxTable.read(face).advances()[glyph];
        assertThat(HmtxTable.read(narrow).advances()[glyph]).isCloseTo(full * 3 / 4, within(1));
        assertThat(width(named("Ostrel-CondensedRegular.ttf"), 'n'))
                .isLessThan(width(named("Ostrel-Regular.ttf"), 'n') * 0.85);
        assertThat(width(named("PenmarrowCapitals-Regular.ttf"), 'i')).isPositive();
    }

    @Test
    void heavierMeansMoreInkAndItalicsLean() {
        double before = 0;
        for (DemoFont font : fonts().filter(f -> f.family().equals("Ostrel")
                        && f.version().equals("1.0")
                        && f.slot().slope() == Slope.UPRIGHT
                        && f.slot().width().contains(100))
                .toList()) {
            double stem = width(font, 'l');
            assertThat(stem).isGreaterThan(before);
            before = stem;
        }
        DemoFont upright = named("Ostrel-Regular.ttf");
        DemoFont italic = named("Ostrel-Italic.ttf");
        assertThat(width(italic, 'l')).isGreaterThan(width(upright, 'l') + 100);
    }

    @Test
    void theMonospacedOneHasOneAdvance() {
        Sfnt face = face(named("TilletMono-Regular.ttf"));
        CmapTable cmap = CmapTable.read(face);
        int[] advances = HmtxTable.read(face).advances();
        assertThat(IntStream.range(0x21, 0x7F)
                        .map(c -> advances[cmap.glyph(c)])
                        .distinct()
                        .toArray())
                .containsExactly(600);
    }

    @Test
    void figuresOfASansAreEquallyWide() {
        Sfnt face = face(named("Ostrel-Regular.ttf"));
        CmapTable cmap = CmapTable.read(face);
        int[] advances = HmtxTable.read(face).advances();
        assertThat(IntStream.rangeClosed('0', '9')
                        .map(c -> advances[cmap.glyph(c)])
                        .distinct()
                        .count())
                .isEqualTo(1);
    }

    @Test
    void twoVersionsOfOneFaceDifferInDrawing() {
        List<String> drawings = fonts().filter(f ->
                        f.fileName().startsWith("Ostrel-Bold") && !f.fileName().contains("Italic"))
                .map(f -> FaceReport.of(face(f)).drawing())
                .toList();
        assertThat(drawings).hasSize(2).doesNotHaveDuplicates();
    }

    @Test
    void namesAreCoinedAndSayWhereTheFontIsFrom() {
        fonts().forEach(font -> {
            NameTable names = NameTable.read(face(font));
            assertThat(names.best(NameTable.COPYRIGHT).orElse("")).contains("Unciala demonstration");
            assertThat(names.best(NameTable.LICENSE).orElse("")).isNotBlank();
            assertThat(names.best(NameTable.POSTSCRIPT_NAME).orElse("")).doesNotContain(" ");
        });
        assertThat(DemoFont.all().stream().map(DemoFont::fileName)).doesNotHaveDuplicates();
    }

    private static double width(DemoFont font, int codePoint) {
        Sfnt face = face(font);
        double[] points = OutlineReader.read(face)
                .outline(CmapTable.read(face).glyph(codePoint))
                .coordinates();
        double[] xs = IntStream.range(0, points.length / 2)
                .mapToDouble(i -> points[2 * i])
                .toArray();
        return Arrays.stream(xs).max().orElseThrow() - Arrays.stream(xs).min().orElseThrow();
    }

    private static DemoFont named(String fileName) {
        return fonts().filter(font -> font.fileName().equals(fileName))
                .findFirst()
                .orElseThrow();
    }

    private static Sfnt face(DemoFont font) {
        return FontReader.read(font.bytes()).faces().get(0);
    }
}
