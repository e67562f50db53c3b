package app.unciala.font.subset;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.file.FontReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.CmapWriter;
import app.unciala.testing.RealFonts;
import java.util.BitSet;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CharacterClosureTest {
    /** What a font has, what is asked for, and what has to be kept; code points in hexadecimal. */
    @ParameterizedTest
    @CsvSource({
        // Letters alone bring nothing with them; with a mark, what they compose to, and on the way there.
        "65 E9 301, 65 E9, 65 E9",
        "65 E9 EA 301, 65 301, 65 E9 301",
        "65 323 302 EA 1EB9 1EC7, 65 EA 323, 65 EA 323 1EB9 1EC7",
        // What a font lacks, by its parts; what normal text lacks, by what stands in for it.
        "65 301, E9, 65 301",
        "301 341 3A9, 341, 301 341",
        "41 C5 212B, 212B, C5 212B",
        "20 41 200C, 41 200C, 20 41 200C",
        "20 2010, 2011 2009, 20 2010",
        "20 17B4, 17B4, 20 17B4",
        // Signs of several parts.
        "995 9C7 9BE 9CB, 995 9CB, 995 9BE 9C7 9CB",
        "17C1 17C4, 17C4, 17C1 17C4",
        "E33 E32 E4D, E33, E32 E33 E4D",
        "110A5 110AB 110BA, 110AB, 110A5 110AB 110BA",
        "1100 1161 AC00, 1100 1161, 1100 1161 AC00",
        "5E9 5C1 FB2A, 5E9 5C1, 5C1 5E9 FB2A",
        // The circle under marks that no syllable can have, in scripts that are written by syllables.
        "25CC 915 943, 915 943, 915 943 25CC",
        "25CC 915, 915, 915",
        "25CC 65 301, 65 301, 65 301",
        "25CC E01 E31, E01 E31, E01 E31",
        // Brackets from right to left, by their mirror images.
        "28 29 5D0, 28 5D0, 28 29 5D0",
        "2E02 2E03 627, 2E02 627, 627 2E02 2E03",
        "28 29 41, 28 41, 28 41"
    })
    void allIsKeptThatTextIsSetWith(String has, String asked, String kept) {
        SortedMap<Integer, Integer> mapping = new TreeMap<>();
        codePoints(has).stream().forEach(c -> mapping.put(c, 1 + mapping.size()));
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0).with("cmap", CmapWriter.write(mapping));
        BitSet closed = CharacterClosure.of(SubsetPlan.of(codePoints(asked)), CmapTable.read(face));
        assertThat(words(closed)).isEqualTo(words(codePoints(kept)));
    }

    /** In one text it is known which letters meet which marks. */
    @Test
    void aTextBringsWhatItsLettersComeTo() {
        assertThat(words(SubsetPlan.ofText("ñ q̃ a").codePoints())).isEqualTo("20 61 71 f1 303");
        assertThat(SubsetPlan.ofText("q̃ a").composing()).isFalse();
        assertThat(words(SubsetPlan.ofText("\u01CF\u0323").codePoints())).isEqualTo("49 1cf 30c 323 1eca");
        assertThat(words(SubsetPlan.ofText("e\u0301").codePoints())).isEqualTo("65 e9 301");
    }

    /** In a text it is known whether a mark stands where no syllable can have it. */
    @ParameterizedTest
    @CsvSource({
        "915 943 20 915 94D 937 93F 902, false",
        "BAA BCA BB2, false",
        "1780 17D2 1780 17B6, false",
        "65 301 20 301, false",
        "943 20 915, true",
        "915 20 943, true",
        "915 93E 93E, true",
        "915 93F 93C, true"
    })
    void aTextWithBrokenSyllablesBringsTheCircle(String text, boolean brings) {
        StringBuilder words = new StringBuilder();
        for (String word : text.split(" ")) {
            words.appendCodePoint(Integer.parseInt(word, 16));
        }
        assertThat(SubsetPlan.ofText(words.toString()).codePoints().get(0x25CC)).isEqualTo(brings);
    }

    private static BitSet codePoints(String words) {
        BitSet codePoints = new BitSet();
        for (String word : words.split(" ")) {
            codePoints.set(Integer.parseInt(word, 16));
        }
        return codePoints;
    }

    private static String words(BitSet codePoints) {
        return codePoints.stream().mapToObj(Integer::toHexString).collect(Collectors.joining(" "));
    }
}
