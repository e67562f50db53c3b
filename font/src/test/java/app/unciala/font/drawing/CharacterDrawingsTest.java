package app.unciala.font.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.unciala.font.file.FontReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CharacterDrawingsTest {
    private static final Pattern NUMBER = Pattern.compile("-?\\d+(\\.\\d+)?");

    /** The bounds of all points and the advance, as fontTools reads them, in thousandths of the em. */
    private static final String BOUNDS = """
            import sys
            from fontTools.ttLib import TTFont
            from fontTools.pens.recordingPen import DecomposingRecordingPen
            font = TTFont(sys.argv[1]); glyphs = font.getGlyphSet(); name = font.getBestCmap()[ord(sys.argv[2])]
            pen = DecomposingRecordingPen(glyphs); glyphs[name].draw(pen)
            points = [p for _, args in pen.value for p in args if p]; scale = 1000 / font['head'].unitsPerEm
            print(*(round(v * scale, 1) for v in (min(p[0] for p in points), max(p[1] for p in points),
                                                  glyphs[name].width)))
            """;

    @ParameterizedTest
    @ValueSource(strings = {"truetype/lato/Lato-Regular.ttf", "opentype/cantarell/Cantarell-Regular.otf"})
    void whereFontToolsHasItOnAnEmOfAThousand(String font) {
        Path path = Path.of("/usr/share/fonts").resolve(font);
        Sfnt face = FontReader.read(RealFonts.bytes(path)).faces().get(0);
        for (String letter : new String[] {"g", "A", "é", "%"}) {
            String[] expected = Tool.python(BOUNDS, path.toString(), letter).split(" ");
            CharacterDrawings.Drawn drawn = new CharacterDrawings(face).of(letter.codePointAt(0));
            assertThat(drawn.advance()).isEqualTo(Double.parseDouble(expected[2]), within(0.1));
            double left = Double.MAX_VALUE;
            double top = -Double.MAX_VALUE;
            Matcher numbers = NUMBER.matcher(drawn.path());
            for (int i = 0; numbers.find(); i++) {
                double value = Double.parseDouble(numbers.group());
                left = i % 2 == 0 ? Math.min(left, value) : left;
                top = i % 2 == 1 ? Math.max(top, value) : top;
            }
            assertThat(left).isEqualTo(Double.parseDouble(expected[0]), within(0.2));
            assertThat(top).isEqualTo(Double.parseDouble(expected[1]), within(0.2));
            assertThat(drawn.path()).startsWith("M").endsWith("Z");
        }
    }
}
