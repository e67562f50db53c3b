package app.unciala.font.woff;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.testing.RealFonts;
import java.util.Arrays;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;

/** Web fonts whose headers and directories lie, one lie at a time. */
class DamagedWebFontTest {
    private static final byte[] WOFF = written(FontFormat.WOFF);
    private static final byte[] WOFF2 = written(FontFormat.WOFF2);

    @Test
    void theLengthInTheHeaderIsTheLengthOfTheFile() {
        refuses(WOFF, bytes -> bytes[11]++, "WOFF", "says it is");
        refuses(WOFF2, bytes -> bytes[11]++, "WOFF2", "says it is");
        byte[] longer = Arrays.copyOf(WOFF2, WOFF2.length + 4);
        assertThatThrownBy(() -> FontReader.read(longer)).hasMessageContaining("but the file has " + longer.length);
    }

    @Test
    void aFontHasTables() {
        refuses(WOFF, bytes -> bytes[12] = bytes[13] = 0, "WOFF", "no tables");
        refuses(WOFF2, bytes -> bytes[12] = bytes[13] = 0, "WOFF2", "no tables");
    }

    @Test
    void aWoffTableLiesInsideAndUnpacksToWhatItSays() {
        String tag = new String(WOFF, 44, 4, UTF_8);
        refuses(WOFF, bytes -> bytes[44 + 4] = 0x70, null, "past its end");
        refuses(WOFF, bytes -> bytes[44 + 12] = 0x70, tag, "more than");
        refuses(WOFF, bytes -> bytes[44 + 15] = (byte) (bytes[44 + 15] + 9), tag, "instead of");
        int at = (WOFF[44 + 6] & 0xFF) << 8 | (WOFF[44 + 7] & 0xFF);
        refuses(WOFF, bytes -> bytes[at] ^= 0x7F, tag, "zlib");
    }

    @Test
    void tablesAreListedOnce() {
        refuses(
                WOFF,
                bytes -> System.arraycopy(bytes, 44, bytes, 64, 4),
                new String(WOFF, 44, 4, UTF_8),
                "listed twice");
    }

    @Test
    void aWoff2StreamUnpacksToWhatItsDirectorySays() {
        refuses(WOFF2, bytes -> bytes[bytes.length / 2] ^= 0x3C, null, null);
        byte[] cut = Arrays.copyOf(WOFF2, WOFF2.length - 200);
        cut[10] = (byte) (cut.length >> 8);
        cut[11] = (byte) cut.length;
        assertThatThrownBy(() -> FontReader.read(cut)).isInstanceOf(FontException.class);
    }

    @Test
    void unknownTransformsAreRefusedByTable() {
        refuses(WOFF2, bytes -> bytes[48] |= 0x40, null, "unknown transform");
        int glyf = indexOfFlag(10);
        refuses(WOFF2, bytes -> bytes[glyf] = (byte) (10 | 1 << 6), "glyf", "unknown transform 1");
    }

    /** Where the directory entry of a known table begins. */
    private static int indexOfFlag(int number) {
        for (int i = 48; i < 160; i++) {
            if (WOFF2[i] == number && WOFF2[i + 1] < 0) {
                return i;
            }
        }
        throw new IllegalStateException("no entry " + number);
    }

    private static void refuses(byte[] font, Consumer<byte[]> lie, String table, String reason) {
        byte[] damaged = font.clone();
        lie.accept(damaged);
        assertThatThrownBy(() -> FontReader.read(damaged)).isInstanceOfSatisfying(FontException.class, e -> {
            if (table != null) {
                assertThat(e.table()).isEqualTo(table);
            }
            if (reason != null) {
                assertThat(e.reason()).contains(reason);
            }
        });
    }

    private static byte[] written(FontFormat format) {
        return FontWriter.write(FontReader.read(RealFonts.small()).faces().get(0), format);
    }
}
