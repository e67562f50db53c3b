package app.unciala.font.subset;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.outline.Outline;
import app.unciala.font.outline.Outlines;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** HarfBuzz sets text in the source and in the subset: the same drawings, at the same places. */
class SubsetShapingTest {
    private static final Pattern GLYPH = Pattern.compile("(\\d+)=(\\d+)(@-?\\d+,-?\\d+)?\\+(-?\\d+)(,-?\\d+)?");

    @TempDir
    Path folder;

    @ParameterizedTest
    @CsvSource({
        "DejaVuSans.ttf, '', 'Affinity flows; AVATAR Toffee ệ ṍ'",
        "DejaVuSans.ttf, '', 'Ζώα και φυτά'",
        "DejaVuSans.ttf, '', 'Широкая электрификация й'",
        "DejaVuSans.ttf, '', 'السلام عليكم لا إله'",
        "DejaVuSerif.ttf, '', 'ệ ṍ fi ffl 1⁄2'",
        "OpenSans-Regular.ttf, '', 'AVATAR Tofu Wave fi'",
        "Lato-Regular.ttf, '', 'AVATAR “Wave” To. fi fl Ty 1⁄2 ĳ'",
        "Lato-Italic.ttf, '', 'Żółć, gęślą jaźń; Ľudovít'",
        "Lato-Regular.ttf, '', 'Широкая Ґанок Ђ'",
        "Cantarell-Regular.otf, '', 'AVATAR Wave fi ffi Ťažký'",
        "Cantarell-Bold.otf, '', 'Широкая электрификация'",
        "EBGaramond12-Regular.otf, '', 'Quick fjord, Thick ffi Qu gy AVATAR'",
        "EBGaramond12-Italic.otf, '', 'ζώα καὶ φυτά ᾧ ἄνθρωπος'",
        "EBGaramond08-Regular.otf, '', 'Съешь ещё этих'",
        "Gentium-R.ttf, '', 'ᾠδή ἄειδε ṩ q̃ ạ̈'",
        "Lohit-Devanagari.ttf, '', 'हिन्दी में क्षत्रिय ज्ञान श्री कर्म र्कि द्ध्य'",
        "Lohit-Devanagari.ttf, '', 'मराठी भाषा ट्ठ ऱ्य'",
        "Amiri-Regular.ttf, '', 'بِسْمِ ٱللَّهِ ٱلرَّحْمَـٰنِ لا إله محمد'",
        "Amiri-Bold.ttf, '', 'الكتاب المفيد في الخط'",
        "Inter.var.ttf, '', 'AVATAR -> 3x4 (A) fi Ťo'",
        "Inter.var.ttf, 'wght=800', 'AVATAR -> 3x4 (A) fi To'",
        "Inter.var.ttf, 'wght=300,slnt=-10', 'Ζώα Широкая 10:30'",
        "Inter-italic.var.ttf, 'wght=650', 'Żółć “AV” 1⁄2'"
    })
    void textIsSetAsInTheSource(String name, String variations, String text) throws Exception {
        Path source = RealFonts.named(name);
        Sfnt face = FontReader.read(RealFonts.bytes(source)).faces().get(0);
        BitSet kept = new BitSet();
        text.codePoints().forEach(kept::set);
        for (SubsetPlan plan : List.of(
                SubsetPlan.ofText(text),
                SubsetPlan.of(kept),
                SubsetPlan.of(kept).withoutHinting())) {
            Sfnt cut = Subsetter.subset(face, plan);
            Path subset = Files.write(folder.resolve("cut.ttf"), FontWriter.write(cut, cut.bareFormat()));
            List<List<Object>> expected = set(source, face, variations, text);
            assertThat(set(subset, cut, variations, text)).isEqualTo(expected);
            assertThat(expected).hasSizeGreaterThan(8).noneMatch(glyph -> glyph.get(0)
                    .equals(0));
            // A text backwards meets other contexts; no dotted circle comes in, for its glyph may be gone.
            boolean onlyForwards = !plan.composing()
                    || Character.UnicodeScript.of(text.codePointAt(0)) == Character.UnicodeScript.DEVANAGARI;
            String backwards =
                    onlyForwards ? text : new StringBuilder(text).reverse().toString();
            assertThat(set(subset, cut, variations, backwards)).isEqualTo(set(source, face, variations, backwards));
            int[] asked = Arrays.stream(CmapTable.read(face).codePoints())
                    .filter(kept::get)
                    .toArray();
            assertThat(CmapTable.read(cut).codePoints()).contains(asked);
            if (!plan.composing()) {
                assertThat(CmapTable.read(cut).codePoints()).isEqualTo(asked);
            }
            assertThat(Files.size(subset)).isLessThan(Files.size(source) * 2 / 3);
            assertThat(FaceReport.of(cut).identity())
                    .isEqualTo(FaceReport.of(face).identity());
            assertThat(FontReader.read(FontWriter.write(cut, FontFormat.WOFF2)).faces())
                    .hasSize(1);
        }
    }

    /** Marks in an order that shapers change, letters with marks that take another, signs in place of others. */
    @ParameterizedTest
    @CsvSource({
        "Gentium-R.ttf, 'T\u0301\u032D \u00CE\u0301 \u0430\u0302 \u1E18\u0308 \u1E70\u0341 \u1F89\u0341 q'",
        "OpenSans-BoldItalic.ttf, '\u0168\u0301 \u0168\u0301\u0323 O\u0301 \u01D7 q'",
        "EBGaramond08-Italic.otf, '\u1E00\u030A\u0301 \u1E3A\u0331 \u014D\u0302 \u1E5E\u0327 q'",
        "Cantarell-ExtraBold.otf, '\u0216\u0328 \u00EC\u031B \u01CF\u0323 q'",
        "DejaVuSansCondensed-BoldOblique.ttf, '\u1E5E\u0327 \u1EF0\u0323 \u03C5\u0344 \u03F9\u0343 q'",
        "DejaVuSansMono.ttf, 'A\u0300 a\u0306 \u1EB0\u0306 \u1EC6\u032A q'",
        "Lato-Medium.ttf, '\u040B\u0344 \u1FFB\u030F \u0464 a\u200Cb'",
        "Lohit-Devanagari.ttf, '\u0915\u093C \u0958 \u0928\u093C\u093F \u0915\u094D\u200D\u0937'"
    })
    void marksAreSetAsInTheSource(String name, String text) throws Exception {
        Path source = RealFonts.named(name);
        Sfnt face = FontReader.read(RealFonts.bytes(source)).faces().get(0);
        Sfnt cut = Subsetter.subset(face, SubsetPlan.ofText(text));
        Path subset = Files.write(folder.resolve("cut.ttf"), FontWriter.write(cut, cut.bareFormat()));
        assertThat(set(subset, cut, "", text))
                .isEqualTo(set(source, face, "", text))
                .hasSizeGreaterThan(6);
    }

    /** For each glyph set: the cluster, the place with the advance, and the outline at the default of the axes. */
    private static List<List<Object>> set(Path font, Sfnt face, String variations, String text) {
        String output = Tool.shape(font, variations, text);
        Outlines outlines = OutlineReader.read(face);
        List<List<Object>> glyphs = new ArrayList<>();
        Matcher matcher = GLYPH.matcher(output);
        while (matcher.find()) {
            Outline outline = outlines.outline(Integer.parseInt(matcher.group(1)));
            List<Object> glyph = new ArrayList<>();
            glyph.add(matcher.group(1).equals("0") ? 0 : 1);
            glyph.add(matcher.group(2));
            glyph.add(matcher.group().substring(matcher.group(1).length()));
            glyph.add(Arrays.hashCode(outline.operators()) + "/" + Arrays.hashCode(outline.coordinates()));
            glyphs.add(glyph);
        }
        assertThat(glyphs).as(output).isNotEmpty();
        return glyphs;
    }
}
