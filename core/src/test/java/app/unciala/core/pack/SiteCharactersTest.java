package app.unciala.core.pack;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.pack.SiteCharacters.ScriptPart;
import java.util.BitSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SiteCharactersTest {
    @ParameterizedTest
    @CsvSource({
        "en, ''",
        "'en,pl,vi', ''",
        "el, ''",
        "'en,el', ',Greek'",
        "'el,en', ',Greek'",
        "'el,ru', ',Greek,Cyrillic'",
        "'de,ru,uk,hi', ',Cyrillic,Devanagari'",
        "'sr-Latn,en', ''",
        "'sr-Cyrl,en', ',Cyrillic'",
        "'en,ja', ',Japanese'",
        "'en,zh-TW', ',Traditional Han'",
    })
    void aFileIsForEachScriptOnceThereAreSeveral(String languages, String scripts) {
        assertThat(parts(languages, "").stream().map(ScriptPart::script)).containsExactly(scripts.split(",", -1));
    }

    @ParameterizedTest
    @CsvSource({"'en,el', Ω→₽", "'de,ru,uk,hi', Привет", "'ja,ko,ar', 月", "'en,he,th', ''", "'', Ж"})
    void thePartsAreTheWholeAndHaveNothingInCommon(String languages, String words) {
        BitSet together = new BitSet();
        int count = 0;
        for (ScriptPart part : parts(languages, words)) {
            together.or(part.characters());
            count += part.characters().cardinality();
        }

        assertThat(together).isEqualTo(SiteCharacters.of(tags(languages), words));
        assertThat(count).isEqualTo(together.cardinality());
    }

    @Test
    void aLetterAndItsMarkComeFromOneFile() {
        List<ScriptPart> parts = parts("en,hi", "नमस्ते");

        assertThat("नमस्ते़्।".codePoints())
                .allMatch(c -> parts.get(1).characters().get(c));
        assertThat("Hello, 12 –".codePoints())
                .allMatch(c -> parts.get(0).characters().get(c));
    }

    @Test
    void wordsOfAScriptThatNoLanguageHasAreWithWhatAllShare() {
        List<ScriptPart> parts = parts("en,el", "Ελλάδα Привет");

        assertThat("Привет".codePoints())
                .allMatch(c -> parts.get(0).characters().get(c));
        assertThat("Ελλάδα".codePoints())
                .allMatch(c -> parts.get(1).characters().get(c));
    }

    private static List<ScriptPart> parts(String languages, String words) {
        return SiteCharacters.byScript(tags(languages), words);
    }

    private static List<String> tags(String languages) {
        return languages.isEmpty() ? List.of() : List.of(languages.split(","));
    }
}
