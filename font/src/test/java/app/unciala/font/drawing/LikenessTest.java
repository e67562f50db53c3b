package app.unciala.font.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.file.FontReader;
import app.unciala.font.language.Exemplars;
import app.unciala.font.rename.Renamer;
import app.unciala.font.report.FaceDifference;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.CmapWriter;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LikenessTest {
    /** fontTools exports the face again: at 1000 units to the em, with cubic curves in a CFF table. */
    private static final String EXPORT_AGAIN = """
            import sys
            from fontTools.ttLib import TTFont
            from fontTools.fontBuilder import FontBuilder
            from fontTools.pens.t2CharStringPen import T2CharStringPen
            from fontTools.pens.transformPen import TransformPen
            from fontTools.pens.reverseContourPen import ReverseContourPen
            source = TTFont(sys.argv[1]); glyphs = source.getGlyphSet(); scale = 1000 / source['head'].unitsPerEm
            names = source.getGlyphOrder()[:400]
            builder = FontBuilder(1000, isTTF=False); builder.setupGlyphOrder(names)
            builder.setupCharacterMap({code: name for code, name in source.getBestCmap().items() if name in names})
            strings, metrics = {}, {}
            for name in names:
                advance = round(source['hmtx'][name][0] * scale)
                pen = T2CharStringPen(advance, glyphs)
                glyphs[name].draw(ReverseContourPen(TransformPen(pen, (scale, 0, 0, scale, 0, 0))))
                strings[name] = pen.getCharString(); metrics[name] = (advance, 0)
            builder.setupCFF('Again-Regular', {}, strings, {}); builder.setupHorizontalMetrics(metrics)
            builder.setupHorizontalHeader(ascent=800, descent=-200); builder.setupOS2(); builder.setupPost()
            builder.setupNameTable({'familyName': 'Again', 'styleName': 'Regular'}); builder.save(sys.argv[2])
            """;

    @ParameterizedTest
    @CsvSource({"DejaVuSans.ttf", "Lato-Regular.ttf", "OpenSans-Italic.ttf"})
    void aFaceExportedAgainWithOtherUnitsAndCurvesIsStillAlike(String name, @TempDir Path folder) {
        Path source = RealFonts.named(name);
        Path again = folder.resolve("again.otf");
        Tool.python(EXPORT_AGAIN, source, again);
        Sfnt a = face(source);
        Sfnt b = face(again);
        assertThat(DrawingDigest.of(RealFonts.bytes(source))).isNotEqualTo(DrawingDigest.of(RealFonts.bytes(again)));
        assertThat(Likeness.of(a, b)).isBetween(0.95, 1.0).isEqualTo(Likeness.of(b, a));
    }

    @ParameterizedTest
    @CsvSource({
        "DejaVuSans.ttf, DejaVuSans-Bold.ttf, 0.5",
        "DejaVuSans.ttf, DejaVuSerif.ttf, 0.5",
        "Lato-Regular.ttf, OpenSans-Regular.ttf, 0.3",
        "Lato-Regular.ttf, Lato-Italic.ttf, 0.3",
        "EBGaramond08-Regular.otf, Gentium-R.ttf, 0.4",
        "Lato-Regular.ttf, Lato-Medium.ttf, 0.85"
    })
    void otherFacesAreNot(String one, String other, double most) {
        Sfnt a = face(RealFonts.named(one));
        Sfnt b = face(RealFonts.named(other));
        assertThat(Likeness.of(a, b)).isLessThan(most).isNotNegative();
        assertThat(Likeness.of(a, a)).isEqualTo(1);
    }

    @Test
    void aCutAndRenamedCopyIsWhollyAlikeAndFewCharactersProveLittle() {
        Sfnt whole = face(RealFonts.named("Lato-Regular.ttf"));
        Sfnt cut = Renamer.rename(Subsetter.subset(whole, Exemplars.of("pl")), "Something Else");
        assertThat(Likeness.of(whole, cut)).isEqualTo(1);
        BitSet three = new BitSet();
        three.set('A', 'D');
        assertThat(Likeness.of(whole, Subsetter.subset(whole, three))).isEqualTo(0.25);
        assertThat(Likeness.of(whole, face(RealFonts.named("Lohit-Devanagari.ttf"))))
                .isLessThan(0.3);
    }

    @Test
    void theReportSaysWhatChanged() {
        Sfnt whole = face(RealFonts.named("Lato-Regular.ttf"));
        BitSet kept = Exemplars.of("de");
        Sfnt other = Subsetter.subset(
                whole, SubsetPlan.of(kept).withFeatures("smcp"::equals).withoutHinting());
        CmapTable cmap = CmapTable.read(other);
        TreeMap<Integer, Integer> mapping = new TreeMap<>();
        for (int codePoint : cmap.codePoints()) {
            mapping.put(codePoint, cmap.glyph(codePoint == 'Q' ? 'O' : codePoint));
        }
        other = Renamer.rename(other.with("cmap", CmapWriter.write(mapping)), "Harrow");
        FaceDifference difference = FaceDifference.of(whole, FaceReport.of(whole), other, FaceReport.of(other));
        assertThat(difference.sameDrawing()).isFalse();
        assertThat(difference.changed()).extracting(Likeness.Changed::codePoint).containsExactly((int) 'Q');
        assertThat(difference.added()).isEmpty();
        assertThat(difference.lost()).contains('ą', 'Ж').doesNotContain('ä');
        assertThat(difference.facts()).containsKeys("family", "full name", "PostScript name", "glyphs", "hinting");
        assertThat(difference.facts().get("family")).isEqualTo(new FaceDifference.Pair("Lato", "Harrow"));
        assertThat(difference.facts()).doesNotContainKeys("slot", "units per em", "hhea ascender", "license text");
        assertThat(difference.kerning()).anySatisfy(pair -> {
            assertThat(pair.letters()).isEqualTo("AV");
            assertThat(pair.one()).isNegative();
            assertThat(pair.other()).isZero();
        });
        assertThat(difference.featuresLost()).contains("kern", "liga");
        assertThat(difference.featuresAdded()).isEmpty();
    }

    private static Sfnt face(Path path) {
        return FontReader.read(RealFonts.bytes(path)).faces().get(0);
    }
}
