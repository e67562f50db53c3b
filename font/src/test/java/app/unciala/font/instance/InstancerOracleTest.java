package app.unciala.font.instance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.HmtxTable;
import app.unciala.font.table.MaxpTable;
import app.unciala.font.variation.Location;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Static faces against those that fontTools makes, and against HarfBuzz setting text in the variable font. */
class InstancerOracleTest {
    /** Prints every difference in points, components, metrics and font-wide values. */
    private static final String COMPARE = """
            import io, sys
            from fontTools.ttLib import TTFont
            from fontTools.varLib import instancer
            source = TTFont(sys.argv[1])
            at = dict((tag, float(value)) for tag, value in (pair.split('=') for pair in sys.argv[2].split(',')))
            for axis in source['fvar'].axes: at.setdefault(axis.axisTag, axis.defaultValue)
            written = io.BytesIO(); instancer.instantiateVariableFont(source, at).save(written)
            theirs = TTFont(written)
            ours = TTFont(sys.argv[3])
            def glyph(font, name):
                g = font['glyf'][name]
                if g.isComposite():
                    return [(c.glyphName, c.x, c.y) for c in g.components if hasattr(c, 'x')]
                return list(g.coordinates) if g.numberOfContours else []
            for name in theirs.getGlyphOrder():
                if glyph(theirs, name) != glyph(ours, name): print(name, glyph(theirs, name), glyph(ours, name))
                (advance, bearing), (width, side) = theirs['hmtx'][name], ours['hmtx'][name]
                # The bearing of a composite comes from points that fontTools has not rounded yet.
                slack = 1 if theirs['glyf'][name].isComposite() else 0
                if advance != width or abs(bearing - side) > slack: print(name, advance, bearing, width, side)
            for tag, fields in (('OS/2', ['sTypoAscender', 'sTypoDescender', 'sxHeight', 'sCapHeight', 'yStrikeoutSize',
                                          'yStrikeoutPosition', 'usWeightClass', 'usWidthClass']),
                                ('hhea', ['ascent', 'descent', 'advanceWidthMax'][:2]),
                                ('post', ['italicAngle', 'underlinePosition', 'underlineThickness'])):
                for field in fields:
                    a, b = getattr(theirs[tag], field), getattr(ours[tag], field)
                    if a != b: print(tag, field, a, b)
            print('glyphs', len(theirs.getGlyphOrder()))
            """;

    @TempDir
    Path folder;

    /** Gives a variable font vertical metrics, which its phantom points leave as they are. */
    private static final String WITH_VERTICAL = """
            import sys
            from fontTools.ttLib import TTFont, newTable
            font = TTFont(sys.argv[1])
            vhea = newTable('vhea'); vhea.tableVersion = 0x00011000
            for field in ('ascent', 'descent', 'lineGap', 'advanceHeightMax', 'minTopSideBearing', 'minBottomSideBearing',
                          'yMaxExtent', 'caretSlopeRise', 'caretSlopeRun', 'caretOffset', 'reserved1', 'reserved2',
                          'reserved3', 'reserved4', 'metricDataFormat', 'numberOfVMetrics'):
                setattr(vhea, field, 0)
            font['vhea'] = vhea; vmtx = newTable('vmtx'); vmtx.metrics = {}
            for i, name in enumerate(font.getGlyphOrder()): vmtx.metrics[name] = (2000 + i % 3, 50 + i % 7)
            font['vmtx'] = vmtx
            font.save(sys.argv[2])
            """;

    private static final String COMPARE_VERTICAL = """
            import io, sys
            from fontTools.ttLib import TTFont
            from fontTools.varLib import instancer
            source = TTFont(sys.argv[1]); ours = TTFont(sys.argv[2]); written = io.BytesIO()
            at = {axis.axisTag: axis.defaultValue for axis in source['fvar'].axes}; at['wght'] = 800
            instancer.instantiateVariableFont(source, at).save(written); theirs = TTFont(written); compared = 0
            for name in theirs.getGlyphOrder():
                (height, top), (high, bearing) = theirs['vmtx'][name], ours['vmtx'][name]
                slack = 1 if theirs['glyf'][name].isComposite() else 0
                if height != high or abs(top - bearing) > slack: print(name, height, top, high, bearing)
                compared += top != 50 + theirs.getGlyphID(name) % 7
            print('moved', compared > 500)
            """;

    @Test
    void verticalMetricsFollowTheOutlines(@TempDir Path folder) throws Exception {
        Path source = folder.resolve("vertical.ttf");
        Tool.python(WITH_VERTICAL, RealFonts.named("Inter.var.ttf"), source);
        Sfnt face = FontReader.read(RealFonts.bytes(source)).faces().get(0);
        Location location = Location.of(face, Map.of("wght", 800.0));
        Sfnt instance = Instancer.instantiate(face, location);
        Path ours = Files.write(folder.resolve("ours.ttf"), FontWriter.write(instance, FontFormat.TTF));
        assertThat(Tool.python(COMPARE_VERTICAL, source, ours)).isEqualToIgnoringNewLines("moved True");

        // VVAR made of HVAR: heights then grow as widths do.
        ByteSink vvar = new ByteSink().bytes(face.require("HVAR").slice(0, 4));
        for (int offset = 4; offset < 20; offset += 4) {
            int at = face.require("HVAR").i32(offset);
            vvar.u32(at == 0 ? 0 : at + 4);
        }
        vvar.u32(0).bytes(face.require("HVAR").from(20));
        Sfnt varied = Instancer.instantiate(face.with("VVAR", vvar.toArray()), location);
        int glyphs = MaxpTable.read(face).numGlyphs();
        int[] heights = HmtxTable.read(varied, "vhea", "vmtx").advances();
        int[] before = HmtxTable.read(face).advances();
        int[] after = HmtxTable.read(varied).advances();
        for (int glyph = 0; glyph < glyphs; glyph++) {
            assertThat(heights[glyph] - 2000 - glyph % 3).isEqualTo(after[glyph] - before[glyph]);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "Inter.var.ttf, true, 'wght=650,slnt=-6', 650, OBLIQUE, Weight 650 Oblique",
        "Inter.var.ttf, false, 'wght=100', 100, UPRIGHT, Thin",
        "Inter-roman.var.ttf, false, 'wght=700', 700, UPRIGHT, Bold",
        "InterDisplay-italic.var.ttf, false, 'wght=543', 543, ITALIC, Weight 543 Italic"
    })
    void theStaticFaceIsTheOneThatFontToolsMakes(
            String name, boolean whole, String at, double weight, Slope slope, String label) throws Exception {
        Path source = whole ? RealFonts.named(name) : lettersOf(name);
        Map<String, Double> values = new LinkedHashMap<>();
        for (String pair : at.split(",")) {
            values.put(pair.substring(0, 4), Double.parseDouble(pair.substring(5)));
        }
        Sfnt instance = StaticFaces.at(face(source), values);
        Path ours = Files.write(folder.resolve("static.ttf"), FontWriter.write(instance, FontFormat.TTF));
        assertThat(Tool.python(COMPARE, source, at, ours)).matches("glyphs \\d{3,4}\n");
        for (String text : new String[] {"AVATAR -> To 3x4 (fi) Ťž", "10:30 ½ Широкая Ζώα"}) {
            assertThat(Tool.shape(ours, "", text)).isEqualTo(Tool.shape(source, at, text));
        }
        FaceIdentity identity = FaceIdentifier.identify(instance);
        assertThat(identity.slot()).isEqualTo(Slot.of(weight, 100, slope));
        assertThat(identity.subfamily()).isEqualTo(label);
        assertThat(identity.conflicts()).isEmpty();
        assertThat(instance.tables()).doesNotContainKeys("fvar", "gvar", "avar", "HVAR", "MVAR", "STAT");
        assertThat(Tool.run("fc-scan", "--format", "%{variable} %{index}", ours))
                .isEqualTo("False 0");
    }

    @Test
    void aPlaceOutsideTheAxesAndAStaticFontAreRefused() {
        Sfnt inter = face(RealFonts.named("Inter.var.ttf"));
        assertThatThrownBy(() -> StaticFaces.at(inter, Map.of("wght", 950.0)))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("wght from 100");
        assertThatThrownBy(() -> StaticFaces.at(inter, Map.of("opsz", 12.0))).hasMessageContaining("no axis opsz");
        Sfnt fixed = face(RealFonts.named("DejaVuSans.ttf"));
        assertThatThrownBy(() -> StaticFaces.at(fixed, Map.of("wght", 500.0))).hasMessageContaining("not variable");
    }

    /** The font with the letters of three scripts, for which fontTools takes a fraction of the time. */
    private Path lettersOf(String name) throws IOException {
        BitSet letters = new BitSet();
        letters.set(0x20, 0x180);
        letters.set(0x386, 0x3CF);
        letters.set(0x410, 0x460);
        letters.set(0x2010, 0x2200);
        Sfnt cut = Subsetter.subset(face(RealFonts.named(name)), SubsetPlan.of(letters));
        return Files.write(folder.resolve("letters.ttf"), FontWriter.write(cut, FontFormat.TTF));
    }

    private static Sfnt face(Path path) {
        return FontReader.read(RealFonts.bytes(path)).faces().get(0);
    }
}
