package app.unciala.font.instance;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sanitizer.Sanitizer;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.font.testing.BuiltFonts;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Static faces of variable CFF2 outlines; fontTools builds the font, draws it at the location and reads what we write. */
class Cff2InstanceTest {
    /** Prints each glyph whose outline is further than the rounding from what the variable font has there. */
    private static final String COMPARE = """
            import sys
            from fontTools.ttLib import TTFont
            from fontTools.pens.boundsPen import ControlBoundsPen
            from fontTools.pens.recordingPen import RecordingPen
            ours = TTFont(sys.argv[2]); source = TTFont(sys.argv[1]); compared = moved = 0
            there = source.getGlyphSet(location={'wght': float(sys.argv[3])}); here = ours.getGlyphSet()
            before = source.getGlyphSet()
            for old, new in zip(source.getGlyphOrder(), ours.getGlyphOrder()):
                a, b, c = RecordingPen(), RecordingPen(), RecordingPen()
                there[old].draw(a); here[new].draw(b); before[old].draw(c)
                flat = lambda pen: [n for op, points in pen.value for p in points for n in p]
                x, y = flat(a), flat(b)
                if len(x) != len(y) or any(abs(p - q) > 0.5001 for p, q in zip(x, y)): print(old, x[:8], y[:8])
                compared += len(x) > 0; moved += x != flat(c)
                if x and ours['hmtx'][new][1] > min(x[::2]) + 1: print(old, 'bearing', ours['hmtx'][new])
            print('compared', compared > 150, 'moved', moved > 150, 'tables', sorted(t for t in ours.keys() if t in ('fvar', 'CFF2', 'CFF ')))
            """;

    @TempDir
    private Path folder;

    private Path source;
    private Sfnt face;

    @BeforeEach
    void build() throws IOException {
        source = folder.resolve("blend.otf");
        BuiltFonts.blended(source);
        face = FontReader.read(RealFonts.bytes(source)).faces().get(0);
    }

    @ParameterizedTest
    @ValueSource(doubles = {100, 250, 400, 650, 900})
    void theOutlinesAreThoseOfTheLocation(double weight) throws IOException {
        Sfnt instance = StaticFaces.at(face, Map.of("wght", weight));
        Path ours = Files.write(folder.resolve("ours.otf"), FontWriter.write(instance, FontFormat.OTF));
        String moved = weight == 400 ? "False" : "True";
        assertThat(Tool.python(COMPARE, source, ours, weight))
                .isEqualToIgnoringNewLines("compared True moved " + moved + " tables ['CFF ']");
        assertThat(Sanitizer.of(instance)).isEmpty();
        FaceReport report = FaceReport.of(instance);
        assertThat(report.variable()).isFalse();
        assertThat(report.identity().slot().weight().min()).isEqualTo(weight);
    }

    @Test
    void whatIsCutIsInstantiatedAsTheWholeIs() {
        BitSet kept = new BitSet();
        kept.set('A', 'Z' + 1);
        Sfnt cut = StaticFaces.at(Subsetter.subset(face, kept), Map.of("wght", 700.0));
        Sfnt whole = StaticFaces.at(face, Map.of("wght", 700.0));
        for (int letter = 'A'; letter <= 'Z'; letter++) {
            assertThat(coordinates(cut, letter)).as(Character.toString(letter)).isEqualTo(coordinates(whole, letter));
        }
        assertThat(FontWriter.write(cut, FontFormat.WOFF2).length)
                .isLessThan(FontWriter.write(whole, FontFormat.WOFF2).length / 3);
    }

    private static double[] coordinates(Sfnt of, int letter) {
        return OutlineReader.read(of).outline(CmapTable.read(of).glyph(letter)).coordinates();
    }
}
