package app.unciala.font.glyph;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.unciala.font.FontFormat;
import app.unciala.font.cff.CffOutlines;
import app.unciala.font.drawing.DrawingDigest;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.outline.Outline;
import app.unciala.font.outline.Outlines;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.CmapWriter;
import app.unciala.font.variation.Location;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
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
        List<String> expected = Tool.python(SCRIPT, path).lines().toList();
        Sfnt face = FontReader.read(RealFonts.bytes(path)).faces().get(0);
        Outlines outlines = OutlineReader.read(face);
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

    /** fontTools builds a CFF2 font of the same letters, and one glyph whose line is a blend. */
    private static final String BUILD_CFF2 = """
            import sys
            from fontTools.ttLib import TTFont
            from fontTools.fontBuilder import FontBuilder
            from fontTools.pens.t2CharStringPen import T2CharStringPen
            from fontTools.misc.psCharStrings import T2CharString
            source = TTFont(sys.argv[1]); glyphs = source.getGlyphSet()
            names = source.getGlyphOrder()[:200]
            builder = FontBuilder(source['head'].unitsPerEm, isTTF=False)
            builder.setupGlyphOrder(names + ['blended'])
            builder.setupCharacterMap({65 + i: name for i, name in enumerate(names[1:])})
            strings = {}
            for name in names:
                pen = T2CharStringPen(None, glyphs, CFF2=True); glyphs[name].draw(pen)
                strings[name] = pen.getCharString()
            strings['blended'] = T2CharString(program=[10, 20, 'rmoveto', 100, 7, 1, 'blend', 'hlineto', 50, 60, 3, -4, 2, 'blend', 'rlineto'])
            builder.setupHorizontalMetrics({name: (600, 0) for name in names + ['blended']})
            builder.setupHorizontalHeader(); builder.setupOS2(); builder.setupPost()
            builder.setupNameTable({'familyName': 'Blend', 'styleName': 'Regular'})
            builder.setupFvar([('wght', 100, 100, 900, 'Weight')], [])
            builder.setupCFF2(strings, regions=[{'wght': (0, 1, 1)}])
            builder.save(sys.argv[2])
            """;

    @Test
    void cff2GivesTheSameOutlinesAsCffAndTheDefaultOfABlend(@TempDir Path folder) throws Exception {
        Path source = RealFonts.in("opentype/cantarell").findFirst().orElseThrow();
        Path built = folder.resolve("cff2.otf");
        Tool.python(BUILD_CFF2, source, built);
        Sfnt face = FontReader.read(RealFonts.bytes(built)).faces().get(0);
        assertThat(face.tables()).containsKey("CFF2").doesNotContainKey("CFF ");
        Outlines cff2 = OutlineReader.read(face);
        Outlines cff = OutlineReader.read(
                FontReader.read(RealFonts.bytes(source)).faces().get(0));
        assertThat(cff2.numGlyphs()).isEqualTo(201);
        for (int glyph = 0; glyph < 200; glyph++) {
            assertThat(extent(cff2.outline(glyph))).as("glyph %d", glyph).isEqualTo(extent(cff.outline(glyph)));
        }
        assertThat(cff2.outline(200).coordinates()).containsExactly(10, 20, 110, 20, 160, 80);
        assertThat(FaceReport.of(face).variable()).isTrue();

        BitSet kept = new BitSet();
        kept.set(70, 80);
        kept.set(264);
        Sfnt cut = Subsetter.subset(
                face.with("cmap", mapping()), SubsetPlan.of(kept).withoutHinting());
        Path written = Files.write(folder.resolve("cut.otf"), FontWriter.write(cut, FontFormat.OTF));
        List<String> theirs = Tool.python(SCRIPT, written).lines().toList();
        Outlines left = OutlineReader.read(cut);
        assertThat(theirs).hasSize(12).hasSize(left.numGlyphs());
        for (int codePoint : CmapTable.read(cut).codePoints()) {
            int glyph = CmapTable.read(cut).glyph(codePoint);
            assertThat(left.outline(glyph).coordinates())
                    .isEqualTo(cff2.outline(codePoint - 64).coordinates());
            assertThat(theirs.get(glyph)).isEqualTo(rounded(extent(left.outline(glyph))));
        }
        assertThat(cut.require("CFF2").length()).isLessThan(face.require("CFF2").length() / 5);
    }

    @Test
    void blendsAreDrawnAtAPlaceAndHaveAPartInTheDrawing(@TempDir Path folder) throws Exception {
        Path source = RealFonts.in("opentype/cantarell").findFirst().orElseThrow();
        Path built = folder.resolve("cff2.otf");
        Tool.python(BUILD_CFF2, source, built);
        Sfnt face = FontReader.read(RealFonts.bytes(built)).faces().get(0);
        // hlineto 100 + 7, rlineto 50 + 3, 60 - 4.
        assertThat(at(face, 900)).containsExactly(10, 20, 117, 20, 170, 76);
        assertThat(at(face, 500)).containsExactly(10, 20, 113.5, 20, 165, 78);
        assertThat(at(face, 100)).containsExactly(10, 20, 110, 20, 160, 80);

        String drawing = DrawingDigest.of(RealFonts.bytes(built));
        Path other = folder.resolve("other.otf");
        Tool.python(BUILD_CFF2.replace("100, 7, 1, 'blend'", "100, 8, 1, 'blend'"), source, other);
        assertThat(DrawingDigest.of(RealFonts.bytes(other)))
                .as("another blend is another drawing")
                .isNotEqualTo(drawing);
        Tool.python(BUILD_CFF2.replace("'wght': (0, 1, 1)", "'wght': (0, 0.5, 1)"), source, other);
        assertThat(DrawingDigest.of(RealFonts.bytes(other)))
                .as("another region is another drawing")
                .isNotEqualTo(drawing);
        Tool.python(
                BUILD_CFF2.replace("program=[10, 20,", "program=[30, 40, 5, 1, 'blend', 'hstem', 10, 20,"),
                source,
                other);
        assertThat(DrawingDigest.of(RealFonts.bytes(other)))
                .as("hints, which vary too, are no part of the drawing")
                .isEqualTo(drawing);
    }

    private static double[] at(Sfnt face, double weight) {
        Location location = Location.of(face, Map.of("wght", weight));
        return CffOutlines.read(face.require("CFF2")).at(location).outline(200).coordinates();
    }

    /** The letters, and the blended glyph under U+0108. */
    private static byte[] mapping() {
        TreeMap<Integer, Integer> mapping = new TreeMap<>();
        for (int glyph = 1; glyph <= 200; glyph++) {
            mapping.put(64 + glyph, glyph);
        }
        return CmapWriter.write(mapping);
    }

    private static String rounded(double[] extent) {
        return Arrays.stream(extent)
                .mapToObj(side -> String.valueOf(Math.round(side)))
                .collect(Collectors.joining(" "));
    }

    /** A glyph that ends with the deprecated four operands of endchar: dx dy base accent, in standard codes. */
    private static final String BUILD_ACCENT = """
            import sys
            from fontTools.fontBuilder import FontBuilder
            from fontTools.misc.psCharStrings import T2CharString
            names = ['.notdef', 'A', 'acute', 'Aacute']
            builder = FontBuilder(1000, isTTF=False)
            builder.setupGlyphOrder(names); builder.setupCharacterMap({65: 'A', 180: 'acute', 193: 'Aacute'})
            programs = {'.notdef': ['endchar'], 'A': [0, 0, 'rmoveto', 300, 700, 300, -700, 'rlineto', 'endchar'],
                'acute': [10, 0, 'rmoveto', 50, 100, 50, -100, 'rlineto', 'endchar'], 'Aacute': [200, 720, 65, 194, 'endchar']}
            strings = {name: T2CharString(program=program) for name, program in programs.items()}
            builder.setupHorizontalMetrics({name: (600, 0) for name in names}); builder.setupHorizontalHeader()
            builder.setupCFF('Accent-Regular', {}, strings, {}); builder.setupOS2(); builder.setupPost()
            builder.setupNameTable({'familyName': 'Accent', 'styleName': 'Regular'}); builder.save(sys.argv[2])
            """;

    @Test
    void anAccentedLetterIsComposedOfItsParts(@TempDir Path folder) throws Exception {
        Path built = folder.resolve("accent.otf");
        Tool.python(BUILD_ACCENT, built, built);
        Outlines outlines = OutlineReader.read(
                FontReader.read(RealFonts.bytes(built)).faces().get(0));
        assertThat(outlines.outline(3).coordinates())
                .containsExactly(0, 0, 300, 700, 600, 0, 210, 720, 260, 820, 310, 720);
    }
}
