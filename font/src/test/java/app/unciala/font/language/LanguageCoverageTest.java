package app.unciala.font.language;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.file.FontReader;
import app.unciala.font.table.CmapTable;
import app.unciala.testing.RealFonts;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class LanguageCoverageTest {
    static Stream<Path> fonts() {
        return RealFonts.twoOfEach();
    }

    @ParameterizedTest
    @MethodSource("fonts")
    void whatIsCoveredIsWhatLacksNothing(Path font) {
        CmapTable cmap =
                CmapTable.read(FontReader.read(RealFonts.bytes(font)).faces().get(0));
        List<String> lackingNothing = LanguageCoverage.lacking(cmap::has).entrySet().stream()
                .filter(entry -> entry.getValue().isEmpty())
                .map(Map.Entry::getKey)
                .toList();
        assertThat(LanguageCoverage.covered(cmap.codePoints())).isEqualTo(lackingNothing);
    }

    @Test
    void oneCharacterLessIsOneLanguageLess() {
        BitSet polish = Exemplars.of("pl");
        assertThat(LanguageCoverage.covered(polish.stream().toArray())).contains("pl");
        polish.clear('ł');
        assertThat(LanguageCoverage.covered(polish.stream().toArray())).doesNotContain("pl");
        assertThat(LanguageCoverage.covered(new int[0])).isEmpty();
        assertThat(LanguageCoverage.name("pl")).isEqualTo("Polish");
    }

    @ParameterizedTest
    @CsvSource({
        "pl, pl",
        "pt-BR, pt",
        "en-GB, en",
        "de-1996, de",
        "sr, sr",
        "sr-Latn-RS, sr-Latn",
        "zh-TW, zh-Hant",
        "zh-Hans, zh-Hans",
        "tlh,",
        "zz,",
        "und,"
    })
    void aLanguageOfARegionIsDescribedByItsOwnOrItsScript(String tag, String described) {
        assertThat(LanguageCoverage.described(tag)).isEqualTo(Optional.ofNullable(described));
    }

    @Test
    void aLanguageOfARegionLacksWhatTheLanguageLacks() {
        assertThat(LanguageCoverage.lacking("pt-BR", c -> c < 0x80))
                .isEqualTo(LanguageCoverage.lacking("pt", c -> c < 0x80))
                .matches(lacking -> lacking.get('ã'));
    }

    @Test
    void lettersOfLoanWordsComeOnRequest() {
        assertThat(Exemplars.of("en").get('é')).isFalse();
        assertThat(Exemplars.auxiliary("en").get('é')).isTrue();
        assertThat(Exemplars.auxiliary("en").get('É')).isTrue();
        assertThat(Exemplars.auxiliary("en").get('e')).isFalse();
        assertThat(Exemplars.auxiliary("de").get('ß'))
                .as("a letter of the language itself")
                .isFalse();
        assertThatThrownBy(() -> Exemplars.auxiliary("qqx")).isInstanceOf(IllegalArgumentException.class);
    }
}
