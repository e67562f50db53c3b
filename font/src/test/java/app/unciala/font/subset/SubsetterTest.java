package app.unciala.font.subset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.file.FontReader;
import app.unciala.font.language.Exemplars;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.CmapWriter;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import app.unciala.font.table.NameWriter;
import app.unciala.testing.RealFonts;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SubsetterTest {
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

    @ParameterizedTest
    @CsvSource({
        "ar, ٠١٢٣٤٥٦٧٨٩",
        "fa, ۰۱۲۳۴۵۶۷۸۹",
        "hi, ०१२३४५६७८९",
        "bn, ০১২৩৪৫৬৭৮৯",
        "th, ๐๑๒๓๔๕๖๗๘๙",
        "my, ၀၁၂၃၄၅၆၇၈၉"
    })
    void languagesBringTheirNativeDigits(String language, String digits) {
        BitSet characters = Exemplars.of(language);
        digits.codePoints()
                .forEach(c -> assertThat(characters.get(c)).as("U+%04X", c).isTrue());
        assertThat(characters.get('0')).as("the usual ones as well").isTrue();
        assertThat(Exemplars.of("de").get('٠')).isFalse();
        assertThat(Exemplars.of("he").get('א'))
                .as("letters that count are no digits")
                .isTrue();
    }

    @Test
    void nothingToKeepIsRefused() {
        BitSet none = new BitSet();
        none.set(0x10FFFD);
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        assertThatThrownBy(() -> Subsetter.subset(face, none)).isInstanceOf(FontException.class);
    }

    @Test
    void tablesThatAreNotKnownToNameNoGlyphsAreLeftOut() {
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        BitSet letters = new BitSet();
        letters.set('a', 'z');
        for (String tag : List.of("opbd", "lcar", "just", "ankr", "Silf", "Zapf", "TeX ", "zzzz")) {
            face = face.with(tag, new byte[] {0, 1, 0, 0});
        }
        assertThat(Subsetter.subset(face.with("meta", new byte[16]), letters).tables())
                .containsKeys("head", "cmap", "hmtx", "OS/2", "meta")
                .doesNotContainKeys("opbd", "lcar", "just", "ankr", "Silf", "Zapf", "TeX ", "zzzz");
    }

    @Test
    void namesInLanguagesByTagAreLeftOutRatherThanWrittenWithoutTheirTags() {
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        List<NameRecord> records = new ArrayList<>(NameTable.read(face).records());
        records.add(new NameRecord(3, 1, 0x8000, NameTable.FAMILY, "Nynorsk"));
        records.add(new NameRecord(3, 1, 0x0414, NameTable.FAMILY, "Bokmål"));
        NameTable read = NameTable.read(face.with("name", NameWriter.write(records)));
        assertThat(read.records())
                .extracting(NameRecord::text)
                .contains("Bokmål")
                .doesNotContain("Nynorsk");
        assertThat(read.records()).extracting(NameRecord::language).allMatch(language -> language < 0x8000);
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
}
