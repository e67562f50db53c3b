package app.unciala.core.font.outline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.unciala.core.font.FontReader;
import app.unciala.core.font.sfnt.Sfnt;
import app.unciala.core.testing.RealFonts;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Outlines against those that fontTools draws, point by point, for CFF and TrueType. */
class OutlineOracleTest {
    private static final String SCRIPT = """
            import sys
            from fontTools.ttLib import TTFont
            from fontTools.pens.boundsPen import ControlBoundsPen
            font = TTFont(sys.argv[1]); glyphs = font.getGlyphSet()
            for name in font.getGlyphOrder():
                pen = ControlBoundsPen(glyphs)
                if 'glyf' in font: font['glyf'][name].draw(pen, font['glyf'])
                else: glyphs[name].draw(pen)
                b = pen.bounds or (0, 0, 0, 0)
                print(' '.join(str(round(v)) for v in b))
            """;

    static List<Path> fonts() {
        return List.of(RealFonts.in("opentype/cantarell").findFirst().orElseThrow(), RealFonts.named("DejaVuSans.ttf"));
    }

    @ParameterizedTest
    @MethodSource("fonts")
    void everyGlyphHasTheExtentThatFontToolsGivesIt(Path path) throws Exception {
        Process python = new ProcessBuilder("/usr/bin/python3", "-c", SCRIPT, path.toString()).start();
        List<String> expected =
                new String(python.getInputStream().readAllBytes()).lines().toList();
        assertThat(python.waitFor()).isZero();
        Sfnt face = FontReader.read(RealFonts.bytes(path)).faces().get(0);
        Outlines outlines = Outlines.of(face);
        assertThat(outlines.numGlyphs()).isEqualTo(expected.size()).isGreaterThan(300);
        for (int glyph = 0; glyph < expected.size(); glyph++) {
            double[] extent = extent(outlines.outline(glyph));
            String[] sides = expected.get(glyph).split(" ");
            for (int side = 0; side < 4; side++) {
                // fontTools rounds at every level of a scaled composite.
                assertThat(extent[side])
                        .as("side %d of glyph %d", side, glyph)
                        .isCloseTo(Double.parseDouble(sides[side]), within(1.5));
            }
        }
    }

    private static double[] extent(Outline outline) {
        double[] points = outline.coordinates();
        if (points.length <= 2) {
            return new double[4];
        }
        double[] box = {points[0], points[1], points[0], points[1]};
        for (int i = 0; i < points.length; i += 2) {
            box[0] = Math.min(box[0], points[i]);
            box[1] = Math.min(box[1], points[i + 1]);
            box[2] = Math.max(box[2], points[i]);
            box[3] = Math.max(box[3], points[i + 1]);
        }
        return box;
    }
}
