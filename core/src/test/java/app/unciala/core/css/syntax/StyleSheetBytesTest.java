package app.unciala.core.css.syntax;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StyleSheetBytesTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '\u0000',
            value = {
                "@charset \"utf-8\"; q { content: “é” }  | UTF-8",
                "q { content: “é” }                      | UTF-8",
                "@charset \"ISO-8859-1\"; q { content: “é” } | windows-1252",
                "@charset \"windows-1251\"; q { content: Ж } | windows-1251",
                "@charset \"no-such-name\"; q { content: “é” } | UTF-8",
                "@charset \"utf-16\"; q { content: “é” } | UTF-8"
            })
    void readsWhatTheRuleSays(String css, String charset) {
        assertEquals(css.strip(), StyleSheetBytes.decode(css.strip().getBytes(Charset.forName(charset))));
    }

    @Test
    void aByteOrderMarkSaysItFirstAndIsNoText() {
        for (Charset charset :
                new Charset[] {StandardCharsets.UTF_8, StandardCharsets.UTF_16BE, StandardCharsets.UTF_16LE}) {
            assertEquals("é{}", StyleSheetBytes.decode("\uFEFFé{}".getBytes(charset)));
        }
    }

    @Test
    void whatCannotBeDecodedIsReplaced() {
        assertEquals("\uFFFD{}", StyleSheetBytes.decode(new byte[] {(byte) 0xE9, '{', '}'}));
        assertEquals("", StyleSheetBytes.decode(new byte[0]));
    }
}
