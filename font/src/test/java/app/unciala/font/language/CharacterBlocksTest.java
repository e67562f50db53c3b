package app.unciala.font.language;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.language.CharacterBlocks.Block;
import org.junit.jupiter.api.Test;

class CharacterBlocksTest {
    @Test
    void charactersStandUnderTheNamesThatUnicodeGivesTheirBlocks() {
        int[] codePoints = {0x0D, 0x20, 'A', 0xE9, 0x100, 0x1E00, 0x2010, 0x1F600};
        assertThat(CharacterBlocks.of(codePoints))
                .containsExactly(
                        new Block("Basic Latin", " A"),
                        new Block("Latin-1 Supplement", "é"),
                        new Block("Latin Extended-A", "Ā"),
                        new Block("Latin Extended Additional", "Ḁ"),
                        new Block("General Punctuation", "‐"),
                        new Block("Emoticons", "😀"));
        assertThat(CharacterBlocks.of(new int[0])).isEmpty();
    }
}
