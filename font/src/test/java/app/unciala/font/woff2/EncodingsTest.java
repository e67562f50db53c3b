package app.unciala.font.woff2;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.util.HexFormat;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The number encodings of WOFF 2.0, with the examples that the Recommendation gives. */
class EncodingsTest {
    @ParameterizedTest
    @CsvSource({"3F, 63", "8100, 128", "FF7F, 16383", "8FFFFFFF7F, ", "87FFFFFF7F, 2147483647", "8001, ", "FFFFFFFFFF, "
    })
    void uintBase128(String hex, Integer value) {
        if (value == null) {
            assertThatThrownBy(() -> cursor(hex).uintBase128()).isInstanceOf(FontException.class);
        } else {
            assertThat(cursor(hex).uintBase128()).isEqualTo(value);
        }
    }

    /** Section 4.2: "the value 506 has three encodings". */
    @ParameterizedTest
    @CsvSource({"00, 0", "FC, 252", "FF00, 253", "FFFD, 506", "FE00, 506", "FD01FA, 506", "FEFF, 761", "FD02FA, 762"})
    void uint255(String hex, int value) {
        assertThat(cursor(hex).uint255()).isEqualTo(value);
    }

    /** Section 5.2, the rows of the table: flag, bytes, and the move they stand for. */
    @ParameterizedTest
    @CsvSource({
        "0, 05, 0, -5",
        "1, 05, 0, 5",
        "3, 05, 0, 261",
        "10, 07, -7, 0",
        "13, 07, 263, 0",
        "20, 00, -1, -1",
        "23, 12, 2, 3",
        "39, 12, 18, 3",
        "84, 0000, -1, -1",
        "87, 0A0B, 11, 12",
        "95, 0A0B, 11, 524",
        "123, 123456, 291, 1110",
        "127, 10002000, 4096, 8192"
    })
    void tripletsAsTheTableSays(int flag, String hex, int dx, int dy) {
        long delta = Triplet.read(cursor(hex), flag);
        assertThat(Triplet.dx(delta)).isEqualTo(dx);
        assertThat(Triplet.dy(delta)).isEqualTo(dy);
    }

    @Test
    void everyMoveIsReadAsItWasWrittenInNoMoreBytesThanItNeeds() {
        Random random = new Random(7);
        for (int i = 0; i < 20_000; i++) {
            int reach = new int[] {3, 70, 300, 800, 1300, 4100, 32767}[random.nextInt(7)];
            int dx = random.nextInt(2 * reach + 1) - reach;
            int dy = random.nextInt(4) == 0 ? 0 : random.nextInt(2 * reach + 1) - reach;
            boolean onCurve = random.nextBoolean();
            ByteSink flags = new ByteSink();
            ByteSink data = new ByteSink();
            Triplet.write(flags, data, onCurve, dx, dy);
            int flag = flags.toArray()[0] & 0xFF;
            long read = Triplet.read(new ByteCursor(ByteView.of(data.toArray(), "glyf"), 0), flag & 0x7F);
            assertThat(new int[] {Triplet.dx(read), Triplet.dy(read)}).containsExactly(dx, dy);
            assertThat(flag < 128).isEqualTo(onCurve);
            assertThat(data.size()).isEqualTo(fewest(Math.abs(dx), Math.abs(dy)));
        }
    }

    private static int fewest(int dx, int dy) {
        if ((dx == 0 && dy < 1280) || (dy == 0 && dx < 1280) || (dx != 0 && dy != 0 && dx < 65 && dy < 65)) {
            return 1;
        }
        return dx != 0 && dy != 0 && dx < 769 && dy < 769 ? 2 : dx < 4096 && dy < 4096 ? 3 : 4;
    }

    @Test
    void knownTagsAreThoseOfTheRecommendation() {
        assertThat(KnownTags.tag(0)).isEqualTo("cmap");
        assertThat(KnownTags.tag(10)).isEqualTo("glyf");
        assertThat(KnownTags.tag(11)).isEqualTo("loca");
        assertThat(KnownTags.tag(13)).isEqualTo("CFF ");
        assertThat(KnownTags.tag(62)).isEqualTo("Sill");
        assertThat(KnownTags.number("GSUB")).isEqualTo(28);
        assertThat(KnownTags.number("CFF2")).isEqualTo(KnownTags.ARBITRARY);
    }

    private static ByteCursor cursor(String hex) {
        return new ByteCursor(ByteView.of(HexFormat.of().parseHex(hex), "WOFF2"), 0);
    }
}
