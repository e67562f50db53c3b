package app.unciala.font.subset.color;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.instance.Instancer;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.testing.BuiltFonts;
import app.unciala.font.variation.Location;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Paints that vary, as fontTools reads them: in the source at a weight, in a cut at that weight, and in an instance. */
class PaintVariationTest {
    /** Prints the paints of letters with all values as they are written, the deltas of a weight added. */
    private static final String VALUES = """
            import sys
            from fontTools.misc.roundTools import otRound
            from fontTools.ttLib import TTFont
            from fontTools.ttLib.tables import otTables as ot
            from fontTools.ttLib.tables.otBase import getVariableAttrs
            from fontTools.varLib.models import normalizeLocation, piecewiseLinearMap
            from fontTools.varLib.varStore import VarStoreInstancer
            font = TTFont(sys.argv[1]); colr = font['COLR'].table; cmap = font.getBestCmap(); deltas = None
            if getattr(colr, 'VarStore', None):
                axes = font['fvar'].axes
                at = normalizeLocation({'wght': float(sys.argv[3])}, {a.axisTag: (a.minValue, a.defaultValue, a.maxValue)
                                                                     for a in axes})
                if 'avar' in font:
                    at = {tag: piecewiseLinearMap(v, font['avar'].segments[tag]) for tag, v in at.items()}
                deltas = VarStoreInstancer(colr.VarStore, axes, at)
            def values(table, names, base):
                said = []
                for i, name in enumerate(names):
                    value = getattr(table, name); converter = table.getConverterByName(name)
                    raw = converter.toInt(value) if hasattr(converter, 'toInt') else value
                    if base is not None and base != 0xFFFFFFFF:
                        raw += otRound(deltas[colr.VarIndexMap.mapping[base + i] if colr.VarIndexMap else base + i])
                    said.append((name, max(0, raw) if name in ('r0', 'r1') else raw))
                return said
            base = lambda table: getattr(table, 'VarIndexBase', None)
            bases = {r.BaseGlyph: r.Paint for r in colr.BaseGlyphList.BaseGlyphPaintRecord}
            def said(paint):
                if paint.Format == 1:
                    return [said(p) for p in colr.LayerList.Paint[paint.FirstLayerIndex:][:paint.NumLayers]]
                name = ot.PaintFormat(paint.Format).name.replace('Var', ''); out = [name]
                varied = getattr(ot.PaintFormat, name.replace('Paint', 'PaintVar'), None)
                if varied and name != 'PaintTransform':
                    out.append(values(paint, getVariableAttrs(ot.Paint, varied), base(paint)))
                for key, value in sorted(vars(paint).items()):
                    if key == 'PaletteIndex': out.append(value)
                    elif key == 'Paint': out.append(said(value))
                    elif key == 'Transform': out.append(values(value, ['xx', 'yx', 'xy', 'yy', 'dx', 'dy'], base(value)))
                    elif key == 'ColorLine':
                        out.append([(s.PaletteIndex, values(s, ['StopOffset', 'Alpha'], base(s))) for s in value.ColorStop])
                return out
            for letter in sys.argv[2]:
                name = cmap[ord(letter)]; box = colr.ClipList.clips.get(name) if colr.ClipList else None
                print(letter, said(bases[name]), box and values(box, ['xMin', 'yMin', 'xMax', 'yMax'], base(box)))
            """;

    private static final String LETTERS = "ABCDEFGHIJKLMNOP";

    @TempDir
    Path folder;

    private Path source;
    private Sfnt face;

    @BeforeEach
    void built() {
        source = folder.resolve("varied.ttf");
        BuiltFonts.variedPaints(source);
        face = FontReader.read(RealFonts.bytes(source)).faces().get(0);
    }

    private Path written(Sfnt made) throws Exception {
        return Files.write(folder.resolve("made.ttf"), FontWriter.write(made, FontFormat.TTF));
    }

    private static Sfnt cut(Sfnt face, String letters) {
        BitSet kept = new BitSet();
        letters.codePoints().forEach(kept::set);
        return Subsetter.subset(face, kept);
    }

    @ParameterizedTest
    @ValueSource(ints = {100, 250, 400, 650, 900})
    void anInstanceHasThePaintsOfItsWeight(int weight) throws Exception {
        Sfnt instance = Instancer.instantiate(face, Location.of(face, Map.of("wght", (double) weight)));
        List<String> expected =
                Tool.python(VALUES, source, LETTERS, weight).lines().toList();
        assertThat(Tool.python(VALUES, written(instance), LETTERS, 0).lines()).isEqualTo(expected);
        assertThat(expected).hasSize(LETTERS.length());
        // What is compared does vary.
        assertThat(weight == 400)
                .isEqualTo(expected.equals(
                        Tool.python(VALUES, source, LETTERS, 400).lines().toList()));
    }

    @ParameterizedTest
    @ValueSource(strings = {LETTERS, "BEHKP", "C", "P"})
    void aCutKeepsTheDeltasOfWhatIsLeft(String letters) throws Exception {
        Sfnt cut = cut(face, letters);
        for (int weight : new int[] {100, 250, 400, 900}) {
            assertThat(Tool.python(VALUES, written(cut), letters, weight))
                    .isEqualTo(Tool.python(VALUES, source, letters, weight));
        }
    }

    @Test
    void deltasOfPaintsThatAreNotKeptGo() throws Exception {
        int whole = face.require("COLR").length();
        assertThat(cut(face, "ABC").require("COLR").length()).isLessThan(whole / 3);
        assertThat(cut(face, "P").require("COLR").length())
                .as("its only paint does not vary, so no store of deltas is left")
                .isLessThan(100);
        // e2e/tests/engine.spec.ts sets text in both and compares the pixels.
        Path samples = Files.createDirectories(Path.of("target", "samples"));
        Files.copy(source, samples.resolve("varied-source.ttf"), StandardCopyOption.REPLACE_EXISTING);
        Files.write(samples.resolve("varied-cut.woff2"), FontWriter.write(cut(face, "ACEHKM"), FontFormat.WOFF2));
        Files.writeString(samples.resolve("varied-cut.woff2.txt"), "varied-source.ttf\n\"wght\" 730\nACEHKM");
    }

    @Test
    void aFaceWhosePaintsDoNotVaryKeepsThemInAnInstance() throws Exception {
        Sfnt plain = Instancer.instantiate(face, Location.of(face, Map.of("wght", 300.0)));
        Sfnt again = ColorLayersCutter.instantiate(plain, 1, Location.normalized(1));
        assertThat(again.require("COLR").sameBytes(plain.require("COLR"))).isTrue();
    }
}
