package app.unciala.core.css;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.BitSet;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Texts and ranges in a style sheet, read back as CSS Syntax 3 and CSS Fonts 4 say. */
class CssTextTest {
    private final Random random = new Random(7);

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Ostrel",
                "Marl “Text”",
                "say \"so\"",
                "back\\slash",
                "two\nlines",
                "\u0007bell",
                "</style><script>",
                "ends with \\",
                "Größe",
                "👍",
                ""
            })
    void aStringReadsBackAsItWas(String text) {
        String quoted = CssText.quote(text);
        assertThat(unquoted(quoted)).isEqualTo(text);
        assertThat(quoted).doesNotContain("<").doesNotContain("\n");
    }

    @Test
    void noContentEndsAString() {
        for (int i = 0; i < 5_000; i++) {
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(12); n > 0; n--) {
                text.append("\"\\\n\r\f;}{*/<a1 é'".charAt(random.nextInt(16)));
            }
            assertThat(unquoted(CssText.quote(text.toString()))).isEqualTo(text.toString());
        }
    }

    @Test
    void aNullCharacterBecomesTheOneThatStandsForIt() {
        assertThat(CssText.quote("a\u0000b")).isEqualTo("\"a\uFFFDb\"");
    }

    @ParameterizedTest
    @ValueSource(strings = {"*/", "a */ b */", "**//", "*\n/", "</style>"})
    void noContentEndsAComment(String text) {
        String comment = CssText.comment(text);
        assertThat(comment).doesNotContain("*/").doesNotContain("<").doesNotContain("\n");
    }

    @Test
    void aRangeOfCharactersReadsBackAsItWas() {
        for (int i = 0; i < 500; i++) {
            BitSet characters = new BitSet();
            for (int n = 1 + random.nextInt(20); n > 0; n--) {
                int first = random.nextInt(0x10FF00);
                characters.set(first, Math.min(0x110000, first + 1 + random.nextInt(40)));
            }
            String written = UnicodeRange.of(characters);
            BitSet read = new BitSet();
            for (String range : written.split(", ")) {
                Matcher parts = Pattern.compile("U\\+([0-9A-F]{1,6})(?:-([0-9A-F]{1,6}))?")
                        .matcher(range);
                assertThat(parts.matches()).as(range).isTrue();
                int first = Integer.parseInt(parts.group(1), 16);
                read.set(first, 1 + (parts.group(2) == null ? first : Integer.parseInt(parts.group(2), 16)));
            }
            assertThat(read).isEqualTo(characters);
        }
        assertThat(UnicodeRange.of(new BitSet())).isEmpty();
        BitSet one = new BitSet();
        one.set('é');
        assertThat(UnicodeRange.of(one)).isEqualTo("U+E9");
    }

    /** A string as a browser reads it (CSS Syntax 3, section 4.3.5 and 4.3.7). */
    private static String unquoted(String quoted) {
        assertThat(quoted).startsWith("\"").endsWith("\"");
        StringBuilder text = new StringBuilder();
        String inside = quoted.substring(1, quoted.length() - 1);
        for (int i = 0; i < inside.length(); i++) {
            char c = inside.charAt(i);
            assertThat(c).as("a quotation mark ends the string").isNotEqualTo('"');
            if (c != '\\') {
                text.append(c);
                continue;
            }
            Matcher hex = Pattern.compile("[0-9a-fA-F]{1,6}").matcher(inside).region(i + 1, inside.length());
            if (hex.lookingAt()) {
                text.appendCodePoint(Integer.parseInt(hex.group(), 16));
                i = hex.end() - 1;
                if (i + 1 < inside.length() && inside.charAt(i + 1) == ' ') {
                    i++;
                }
            } else {
                i++;
                text.append(inside.charAt(i));
            }
        }
        return text.toString();
    }
}
