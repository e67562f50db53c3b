package app.unciala.core.font.subset;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.FontFaceRule;
import app.unciala.core.css.UnicodeRange;
import app.unciala.core.face.Slope;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import app.unciala.core.font.sfnt.CmapTable;
import app.unciala.core.language.NamedRanges;
import app.unciala.core.testing.RealFonts;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

    @Test
    void theRangeIsWrittenAsCssWantsIt() {
        BitSet characters = new BitSet();
        characters.set(0x20, 0x7F);
        characters.set(0xE9);
        characters.set(0x1F600, 0x1F602);
        assertThat(UnicodeRange.of(characters)).isEqualTo("U+20-7E, U+E9, U+1F600-1F601");
        String css = FontFaceRule.of(
                        "Harrow",
                        Slot.of(400, 100, Slope.UPRIGHT),
                        "a.woff2",
                        FontFormat.WOFF2,
                        Optional.of(characters))
                .css();
        assertThat(css).contains("  unicode-range: U+20-7E, U+E9, U+1F600-1F601;\n");
    }
}
