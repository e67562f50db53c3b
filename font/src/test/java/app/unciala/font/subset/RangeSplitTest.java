package app.unciala.font.subset;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.file.FontReader;
import app.unciala.font.language.NamedRanges;
import app.unciala.font.table.CmapTable;
import app.unciala.testing.RealFonts;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class RangeSplitTest {
    @Test
    void everyCharacterIsServedAndALetterIsServedWithItsMarks() {
        CmapTable cmap = CmapTable.read(FontReader.read(RealFonts.bytes(RealFonts.named("DejaVuSans.ttf")))
                .faces()
                .get(0));
        Map<String, BitSet> ranges = new LinkedHashMap<>();
        for (String name : List.of("Basic Latin", "Latin", "Cyrillic", "Khmer")) {
            ranges.put(name, NamedRanges.of(name));
        }
        List<RangeSplit.Part> parts = RangeSplit.of(cmap.codePoints(), ranges);
        assertThat(parts)
                .extracting(RangeSplit.Part::name)
                .containsExactly("Basic Latin", "Latin", "Cyrillic", "other");
        BitSet together = new BitSet();
        parts.forEach(part -> together.or(part.codePoints()));
        assertThat(together.stream().toArray()).isEqualTo(cmap.codePoints());
        BitSet latin = parts.get(1).codePoints();
        assertThat(latin.get('A')).isFalse();
        assertThat(latin.get('ạ')).isTrue();
        assertThat(latin.get(0x323)).isTrue();
        assertThat(parts.get(0).codePoints().get(0x323)).isFalse();
        // й is и with a breve, which Latin has too.
        assertThat(parts.get(2).codePoints().get(0x306)).isTrue();
        assertThat(latin.get(0x306)).isTrue();
    }
}
