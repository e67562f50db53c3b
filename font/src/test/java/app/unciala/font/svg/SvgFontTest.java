package app.unciala.font.svg;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.Problem;
import app.unciala.font.drawing.Likeness;
import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.file.FontFile;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.layout.position.Kerning;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HmtxTable;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SvgFontTest {
    private static final String FONT = """
            <?xml version="1.0" standalone="no"?>
            <!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://svg.example/svg11.dtd">
            <svg xmlns="http://www.w3.org/2000/svg"><defs><font id="f" horiz-adv-x="500">
            <font-face font-family="Tarnow Slab" font-weight="600" font-style="italic" units-per-em="2000"
                       ascent="1500" descent="-500"/>
            <missing-glyph horiz-adv-x="700" d="M0 0h100v100z"/>
            <glyph unicode="A" glyph-name="A" horiz-adv-x="900" d="M 10,20 l 100 0 q50 50 100,0 t 100 0 Z"/>
            <glyph unicode="&#x56;" glyph-name="V" d="M0 0C10 20 30 40 50 60S70 80 90 100H0z m5-5.5.5 1e1V7Z"/>
            <glyph unicode="ffi" glyph-name="f_f_i" d="M0 0"/>
            <glyph unicode="&#x1F600;"/>
            <hkern u1="A" g2="V,missing" k="80"/>
            </font></defs></svg>
            """;

    @Test
    void glyphsNamesAndKerningComeOverAndWhatDoesNotIsSaid(@TempDir Path folder) throws Exception {
        FontFile file = FontReader.read(bytes(FONT));
        assertThat(file.format()).isEqualTo(FontFormat.SVG);
        Sfnt face = file.faces().get(0);
        assertThat(FaceIdentifier.identify(face).family()).isEqualTo("Tarnow Slab");
        assertThat(FaceIdentifier.identify(face).slot()).isEqualTo(Slot.of(600, 100, Slope.ITALIC));
        CmapTable cmap = CmapTable.read(face);
        assertThat(cmap.codePoints()).containsExactly('A', 'V', 0x1F600);
        assertThat(HmtxTable.read(face).advances()).containsExactly(700, 900, 500, 500);
        assertThat(OutlineReader.read(face).outline(2).coordinates())
                .containsExactly(
                        0, 0, 10, 20, 30, 40, 50, 60, 70, 80, 70, 80, 90, 100, 0, 100, 5, -5.5, 5.5, 4.5, 5.5, 7);
        assertThat(Kerning.read(face).between(1, 2)).isEqualTo(-80);
        assertThat(FaceReport.of(face).problems())
                .extracting(Problem::text)
                .contains("1 ligatures or alternate forms are left out");
        Path written = Files.write(folder.resolve("a.otf"), FontWriter.write(face, FontFormat.OTF));
        assertThat(Tool.run("fc-scan", "--format", "%{family}", written)).isEqualTo("Tarnow Slab");
        assertThat(Tool.shape(written, "", "AV")).contains("0+860", "+460");
    }

    @ParameterizedTest
    @CsvSource({"Lato-Regular.ttf", "Cantarell-Bold.otf"})
    void aFaceWrittenAsSvgAndReadAgainIsDrawnAlike(String name, @TempDir Path folder) throws Exception {
        Sfnt face =
                FontReader.read(RealFonts.bytes(RealFonts.named(name))).faces().get(0);
        Sfnt again =
                FontReader.read(FontWriter.write(face, FontFormat.SVG)).faces().get(0);
        assertThat(Likeness.of(face, again)).isCloseTo(1, within(1e-6));
        Path written = Files.write(folder.resolve("again.otf"), FontWriter.write(again, FontFormat.OTF));
        // The independent reader draws the same extent.
        String bounds = """
                import sys
                from fontTools.ttLib import TTFont
                from fontTools.pens.boundsPen import BoundsPen
                for path in sys.argv[1:]:
                    font = TTFont(path); glyphs = font.getGlyphSet(); pen = BoundsPen(glyphs)
                    glyphs[font.getBestCmap()[ord('g')]].draw(pen); print([round(v) for v in pen.bounds])
                """;
        String[] lines = Tool.python(bounds, RealFonts.named(name), written).split("\n");
        assertThat(lines[1]).isEqualTo(lines[0]);
    }

    @Test
    void noMoreFontsAreReadThanACollectionMayHave() {
        String font = "<font><font-face units-per-em='1000'/><glyph unicode='a' d='M0 0h5v5z'/></font>";
        assertThat(FontReader.read(bytes("<svg>" + font.repeat(256) + "</svg>")).faces())
                .hasSize(256);
        assertThatThrownBy(() -> FontReader.read(bytes("<svg>" + font.repeat(100_000) + "</svg>")))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("more than 256 fonts");
    }

    @Test
    void anArcIsDrawnInQuarters() {
        double[] circle =
                SvgPath.read("M100 0A100 100 0 0 1 -100 0A100 100 0 0 1 100 0Z").coordinates();
        assertThat(circle).hasSize(2 + 4 * 6);
        for (int i = 6; i + 1 < circle.length; i += 6) {
            assertThat(Math.hypot(circle[i], circle[i + 1])).isCloseTo(100, within(1e-6));
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<svg><font><glyph unicode='A' d='M0 0L1'/></font></svg>",
                "<svg><font><glyph unicode='A' d='0 0'/></font></svg>",
                "<svg><font><glyph unicode='A' d='M0 0X1 1'/></font></svg>",
                "<svg><font><glyph unicode='A' d='M0 0A1 1 0 2 0 5 5'/></font></svg>",
                "<svg><font><glyph unicode='A' d='M1e9 0'/></font></svg>",
                "<svg><font><font-face units-per-em='0'/></font></svg>",
                "<svg><font><glyph",
                "<!DOCTYPE svg [<!ENTITY a 'b'><!ENTITY c '&a;&a;'>]><svg><font id='&c;'/></svg>"
            })
    void aDamagedFontFailsWithItsPlace(String text) {
        assertThatThrownBy(() -> FontReader.read(bytes(text)))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("svg");
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
