package app.unciala.font.instance;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sanitizer.Sanitizer;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.VorgTable;
import app.unciala.font.testing.BuiltFonts;
import app.unciala.font.variation.Location;
import app.unciala.font.variation.MetricsVariation;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.Map;
import java.util.TreeMap;
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

    /** Heights and origins of vertical text vary here as the widths of another font do, glyph by glyph. */
    @Test
    void theOriginsOfVerticalTextAreThoseOfTheLocation() throws IOException {
        Sfnt other = FontReader.read(RealFonts.bytes(RealFonts.named("Inter-roman.var.ttf")))
                .faces()
                .get(0);
        ByteView hvar = other.require("HVAR");
        // One field longer: the origins of vertical text vary by the map of the advances.
        ByteSink vvar = new ByteSink().u32(0x00010000);
        for (int offset : new int[] {4, 8, 12, 16, 8}) {
            vvar.u32(hvar.i32(offset) == 0 ? 0 : hvar.i32(offset) + 4);
        }
        vvar.bytes(hvar.from(20));
        assertThat(hvar.i32(8)).as("the map of advances").isPositive();
        Sfnt vertical = face.with("vhea", face.require("hhea").toArray())
                .with("vmtx", face.require("hmtx").toArray())
                .with("VVAR", vvar.toArray())
                .with("VORG", new VorgTable(880, new TreeMap<>(Map.of(3, 900, 7, 700))).write());
        Sfnt instance = StaticFaces.at(vertical, Map.of("wght", 900.0));
        MetricsVariation variation = MetricsVariation.read(vertical.require("VVAR"));
        Location location = Location.of(face, Map.of("wght", 900.0));
        VorgTable origins = VorgTable.read(instance.require("VORG"));
        int moved = 0;
        for (int glyph = 0; glyph < 200; glyph++) {
            int before = glyph == 3 ? 900 : glyph == 7 ? 700 : 880;
            int delta = (int) Math.round(variation.advanceDelta(glyph, location));
            assertThat(origins.origin(glyph)).as("glyph " + glyph).isEqualTo(before + delta);
            moved += delta == 0 ? 0 : 1;
        }
        assertThat(moved).isGreaterThan(100);
        Path ours = Files.write(folder.resolve("ours.otf"), FontWriter.write(instance, FontFormat.OTF));
        String read = "import sys; from fontTools.ttLib import TTFont; font = TTFont(sys.argv[1]);"
                + " print(font['VORG'].defaultVertOriginY, font['VORG'][font.getGlyphOrder()[3]])";
        assertThat(Tool.python(read, ours).strip()).isEqualTo("880 " + origins.origin(3));
        Sfnt byDefault = StaticFaces.at(vertical, Map.of("wght", 400.0));
        assertThat(byDefault.require("VORG").toArray())
                .isEqualTo(vertical.require("VORG").toArray());
    }

    private static double[] coordinates(Sfnt of, int letter) {
        return OutlineReader.read(of).outline(CmapTable.read(of).glyph(letter)).coordinates();
    }
}
