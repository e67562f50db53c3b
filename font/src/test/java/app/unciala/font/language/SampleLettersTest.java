package app.unciala.font.language;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.file.FontReader;
import app.unciala.font.table.CmapTable;
import app.unciala.testing.RealFonts;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

class SampleLettersTest {
    @Test
    void aFaceIsShownByLettersItHas() {
        assertThat(letters(RealFonts.named("DejaVuSans.ttf"))).startsWith("AgAaBb");
        assertThat(letters(RealFonts.emoji())).startsWith("🌀🌁🌂");
        assertThat(SampleLetters.of("АБВабв 123 g".codePoints().sorted().toArray()))
                .isEqualTo("АБВабв");
        assertThat(SampleLetters.of(
                        "\u0301\u0935\u0936\u093F ".codePoints().sorted().toArray()))
                .isEqualTo("वश");
        assertThat(SampleLetters.of(new int[] {0x20, 0xA0, 0xE001, 0xE002})).isEqualTo("\uE001\uE002");
        assertThat(SampleLetters.of(new int[] {0x20, 0x200D, 0xFE0F})).isEmpty();
    }

    private static String letters(Path font) {
        return SampleLetters.of(
                CmapTable.read(FontReader.read(RealFonts.bytes(font)).faces().get(0))
                        .codePoints());
    }
}
