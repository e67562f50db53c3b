package app.unciala.core.font;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.fail;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTimeout;

import app.unciala.core.face.FaceReport;
import app.unciala.core.font.sfnt.Sfnt;
import app.unciala.core.font.subset.Subsetter;
import app.unciala.core.testing.RealFonts;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Damaged and hostile bytes: a face or one kind of exception, soon. */
class HostileFontTest {
    private static final int MUTANTS = Integer.getInteger("unciala.mutants", 400);

    enum Source {
        TRUETYPE,
        CFF,
        WOFF,
        WOFF2,
        EOT;

        byte[] bytes() {
            return switch (this) {
                case TRUETYPE -> RealFonts.small();
                case CFF -> RealFonts.cff();
                case WOFF -> FontWriter.write(face(RealFonts.small()), FontFormat.WOFF);
                case EOT -> FontWriter.write(face(RealFonts.small()), FontFormat.EOT);
                case WOFF2 -> FontWriter.write(face(RealFonts.small()), FontFormat.WOFF2);
            };
        }
    }

    @ParameterizedTest
    @EnumSource
    void aMutantGivesAFaceOrAFontException(Source source) {
        byte[] original = source.bytes();
        for (int seed = 0; seed < MUTANTS; seed++) {
            byte[] mutant = mutate(original, new Random(seed));
            int shown = seed;
            assertTimeout(Duration.ofSeconds(2), () -> readAll(mutant, source + " seed " + shown));
        }
    }

    @ParameterizedTest
    @EnumSource
    void everyTruncationIsRefusedOrRead(Source source) {
        byte[] original = source.bytes();
        for (int length = 0; length < original.length; length += 1 + length / 16) {
            readAll(Arrays.copyOf(original, length), source + " cut to " + length);
        }
        byte[] half = Arrays.copyOf(original, original.length / 2);
        assertThatThrownBy(() -> FontReader.read(half)).isInstanceOf(FontException.class);
    }

    @ParameterizedTest
    @CsvSource({
        "'hello, I am not a font', plain text",
        "'<!DOCTYPE html><title>Sign in</title>', web page",
        "'%PDF-1.7', PDF",
        "'%!PS-AdobeFont-1.0: Old', Type 1",
        "'<svg xmlns=\"http://www.w3.org/2000/svg\"/>', SVG"
    })
    void whatIsNoFontIsNamed(String content, String name) {
        byte[] bytes = content.getBytes(StandardCharsets.ISO_8859_1);
        assertThatThrownBy(() -> FontReader.read(bytes))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("is not a font")
                .hasMessageContaining(name);
    }

    @Test
    void anEmptyFileIsEmpty() {
        assertThatThrownBy(() -> FontReader.read(new byte[0])).hasMessage("is empty");
    }

    @Test
    void aTableThatPointsOutsideIsNamedWithItsPlace() {
        byte[] bytes = RealFonts.small();
        bytes[12 + 8] = 0x7F;
        FontException e = assertThrows(FontException.class, () -> FontReader.read(bytes));
        assertThat(e.table()).isEqualTo(new String(bytes, 12, 4, StandardCharsets.ISO_8859_1));
        assertThat(e.reason()).contains("the file ends at " + bytes.length);
    }

    private static void readAll(byte[] bytes, String what) {
        try {
            for (Sfnt face : FontReader.read(bytes).faces()) {
                FaceReport.of(face);
                FontWriter.write(face, FontFormat.WOFF);
                if (!face.hasCffOutlines()) {
                    Subsetter.subset(face, latin());
                }
            }
        } catch (FontException e) {
            assertThat(e.reason()).isNotBlank();
        } catch (RuntimeException | StackOverflowError e) {
            fail(what + " gave " + e, e);
        }
    }

    /** Changes a few bytes, most of them early where the structure is. */
    private static byte[] mutate(byte[] original, Random random) {
        byte[] mutant = original.clone();
        int changes = 1 + random.nextInt(6);
        for (int i = 0; i < changes; i++) {
            int reach = random.nextBoolean() ? Math.min(512, mutant.length) : mutant.length;
            mutant[random.nextInt(reach)] =
                    (byte) (random.nextBoolean() ? random.nextInt(256) : random.nextBoolean() ? 0xFF : 0);
        }
        return mutant;
    }

    private static BitSet latin() {
        BitSet latin = new BitSet();
        latin.set(0x20, 0x7F);
        return latin;
    }

    private static Sfnt face(byte[] bytes) {
        return FontReader.read(bytes).faces().get(0);
    }
}
