package app.unciala.core.font.subset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.core.face.FaceReport;
import app.unciala.core.font.FontException;
import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import app.unciala.core.font.FontWriter;
import app.unciala.core.font.outline.OutlineReader;
import app.unciala.core.font.outline.Outlines;
import app.unciala.core.font.sfnt.CmapTable;
import app.unciala.core.font.sfnt.CmapWriter;
import app.unciala.core.font.sfnt.Sfnt;
import app.unciala.core.language.Exemplars;
import app.unciala.core.testing.RealFonts;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SubsetterTest {
    @TempDir
    Path folder;

    /** Shaped by HarfBuzz in source and subset: ligatures, kerning and marks, to the same glyphs and places. */
    @ParameterizedTest
    @CsvSource({
        "DejaVuSans.ttf, 'Affinity flows; AVATAR Toffee'",
        "DejaVuSans.ttf, 'Ζώα και φυτά'",
        "DejaVuSans.ttf, 'Широкая электрификация'",
        "DejaVuSans.ttf, 'السلام عليكم لا إله'",
        "DejaVuSerif.ttf, 'ệ ṍ fi ffl'"
    })
    void textIsShapedAsInTheSource(String name, String text) throws Exception {
        Path source = RealFonts.named(name);
        Sfnt face = FontReader.read(RealFonts.bytes(source)).faces().get(0);
        BitSet kept = new BitSet();
        text.codePoints().forEach(kept::set);
        Sfnt cut = Subsetter.subset(face, kept);
        Path subset = Files.write(folder.resolve("cut.ttf"), FontWriter.write(cut, FontFormat.TTF));
        assertThat(shape(subset, text)).isEqualTo(shape(source, text)).doesNotContain("[0=");

        Outlines before = OutlineReader.read(face);
        Outlines after = OutlineReader.read(cut);
        CmapTable cmap = CmapTable.read(cut);
        assertThat(cmap.codePoints()).isEqualTo(kept.stream().toArray());
        for (int codePoint : cmap.codePoints()) {
            int glyph = cmap.glyph(codePoint);
            assertThat(after.outline(glyph).coordinates())
                    .isEqualTo(before.outline(glyph).coordinates());
        }
        assertThat(Files.size(subset)).isLessThan(Files.size(source) / 2);
        assertThat(FaceReport.of(cut).identity()).isEqualTo(FaceReport.of(face).identity());
        assertThat(FontReader.read(FontWriter.write(cut, FontFormat.WOFF2)).faces())
                .hasSize(1);
    }

    @Test
    void languagesBringTheirOwnLettersInBothCases() {
        BitSet polish = Exemplars.of("pl");
        "ąćęłńóśźżĄĆĘŁŃÓŚŹŻaz09 ,.„”–"
                .codePoints()
                .forEach(c -> assertThat(polish.get(c)).as("U+%04X", c).isTrue());
        assertThat(polish.get('ß')).isFalse();
        assertThat(Exemplars.of("de").get('ß')).isTrue();
        assertThat(Exemplars.of("el").get('ώ')).isTrue();
        assertThatThrownBy(() -> Exemplars.of("qqx")).hasMessageContaining("qqx");
    }

    @Test
    void nothingToKeepAndOtherOutlinesAreRefused() {
        BitSet none = new BitSet();
        none.set(0x10FFFD);
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        assertThatThrownBy(() -> Subsetter.subset(face, none)).isInstanceOf(FontException.class);
        Sfnt cff = FontReader.read(RealFonts.cff()).faces().get(0);
        assertThatThrownBy(() -> Subsetter.subset(cff, Exemplars.of("en"))).hasMessageContaining("not cut yet");
    }

    @Test
    void aMapBeyondTheBasicPlaneIsReadAsWritten() {
        TreeMap<Integer, Integer> mapping = new TreeMap<>();
        IntStream.of(0x20, 0x41, 0x42, 0x43, 0x2014, 0x1F600, 0x1F601).forEach(c -> mapping.put(c, c % 50 + 1));
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        Sfnt mapped = face.with("cmap", CmapWriter.write(mapping));
        CmapTable read = CmapTable.read(mapped);
        assertThat(read.codePoints())
                .isEqualTo(mapping.keySet().stream().mapToInt(i -> i).toArray());
        mapping.forEach((code, glyph) -> assertThat(read.glyph(code)).isEqualTo(glyph));
    }

    private static String shape(Path font, String text) throws Exception {
        Process shape = new ProcessBuilder("hb-shape", "--no-glyph-names", font.toString(), text)
                .redirectErrorStream(true)
                .start();
        String glyphs = new String(shape.getInputStream().readAllBytes());
        assertThat(shape.waitFor()).as(glyphs).isZero();
        return glyphs;
    }
}
