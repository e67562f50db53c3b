package app.unciala.font.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.fail;
import static org.junit.jupiter.api.Assertions.assertThrows;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.Problem;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.instance.StaticFaces;
import app.unciala.font.layout.position.Kerning;
import app.unciala.font.metrics.AverageAdvance;
import app.unciala.font.rename.Renamer;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.testing.BuiltFonts;
import app.unciala.font.testing.Mutants;
import app.unciala.testing.RealFonts;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Damaged and hostile bytes: a face or one kind of exception, soon. */
class HostileFontTest {
    private static final int MUTANTS = Integer.getInteger("unciala.mutants", 400);

    /** Fonts with all that the engine reads in them, cut to a size that leaves time for many mutants. */
    enum Source {
        TRUETYPE,
        CFF,
        VARIABLE,
        LAYOUT,
        LEGACY_KERNING,
        LAYERS,
        PAINTS,
        BLENDS,
        MATHEMATICS,
        PICTURES,
        WOFF,
        WOFF2,
        EOT,
        SVG;

        byte[] bytes() {
            return switch (this) {
                case TRUETYPE -> RealFonts.small();
                case CFF -> cut("EBGaramond12-Regular.otf", "AVTofficezaßł 12/", FontFormat.OTF);
                case VARIABLE -> cut("Inter.var.ttf", "AVTofficezaßł ->3x4", FontFormat.TTF);
                case LAYOUT -> cut("Amiri-Regular.ttf", "السلام عليكم لا إله بِسْمِ", FontFormat.TTF);
                case LEGACY_KERNING -> cut("OpenSans-Regular.ttf", "AVATAR Tofu Wave", FontFormat.TTF);
                case LAYERS -> cut("AmiriQuranColored.ttf", "بِسْمِ ٱللَّهِ", FontFormat.TTF);
                case PAINTS -> cut(built(BuiltFonts::painted), "AEHx", FontFormat.TTF);
                case BLENDS -> cut(built(BuiltFonts::blended), "AVTofficeza", FontFormat.OTF);
                case MATHEMATICS -> cut("DejaVuMathTeXGyre.ttf", "(x)√∑", FontFormat.TTF);
                case PICTURES -> cut(RealFonts.emoji(), "🅰🕳", FontFormat.TTF);
                case WOFF -> cut("DejaVuSans.ttf", "AVATAR ệ Ťoffi", FontFormat.WOFF);
                case WOFF2 -> cut("DejaVuSans.ttf", "AVATAR ệ Ťoffi", FontFormat.WOFF2);
                case EOT -> cut("DejaVuSans.ttf", "AVATAR", FontFormat.EOT);
                case SVG -> cut("Lato-Regular.ttf", "AVATAR Wave ß", FontFormat.SVG);
            };
        }

        private static Path built(Consumer<Path> builder) {
            try {
                Path file = Files.createTempFile("built", ".font");
                file.toFile().deleteOnExit();
                builder.accept(file);
                return file;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        private static byte[] cut(String name, String text, FontFormat format) {
            return cut(RealFonts.named(name), text, format);
        }

        private static byte[] cut(Path font, String text, FontFormat format) {
            BitSet characters = new BitSet();
            text.codePoints().forEach(characters::set);
            SubsetPlan plan = SubsetPlan.of(characters).withFeatures(tag -> true);
            return FontWriter.write(Subsetter.subset(face(RealFonts.bytes(font)), plan), format);
        }
    }

    @ParameterizedTest
    @EnumSource
    void aMutantGivesAFaceOrAFontException(Source source) {
        byte[] original = source.bytes();
        ThreadMXBean threads = ManagementFactory.getThreadMXBean();
        for (int seed = 0; seed < MUTANTS; seed++) {
            byte[] mutant = Mutants.mutate(original, new Random(seed));
            long before = threads.getCurrentThreadCpuTime();
            readAll(mutant, source + " seed " + seed);
            assertThat(Duration.ofNanos(threads.getCurrentThreadCpuTime() - before))
                    .as("processor time for %s seed %d", source, seed)
                    .isLessThan(Duration.ofSeconds(2));
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

    @Test
    void tablesThatShareBytesAreAProblem() {
        byte[] bytes = RealFonts.small();
        ByteView file = ByteView.of(bytes.clone(), "file");
        assertThat(FontReader.read(bytes).faces().get(0).problems()).isEmpty();
        int first = 12;
        int second = 12 + 16;
        int into = file.offset32(first + 8) + 4;
        for (int i = 0; i < 4; i++) {
            bytes[second + 8 + i] = (byte) (into >> (24 - 8 * i));
        }
        assertThat(FontReader.read(bytes).faces().get(0).problems())
                .extracting(Problem::text)
                .anyMatch(text -> text.startsWith("shares bytes with the table "));
    }

    /** All that the engine does with a face; a part that fails does not keep the others from being tried. */
    private static void readAll(byte[] bytes, String what) {
        List<Sfnt> faces = new ArrayList<>();
        attempt(what, () -> faces.addAll(FontReader.read(bytes).faces()));
        for (Sfnt face : faces) {
            attempt(what, () -> FaceReport.of(face));
            attempt(what, () -> FontWriter.write(face, FontFormat.WOFF));
            attempt(what, () -> Subsetter.subset(face, SubsetPlan.of(KEPT).withFeatures(tag -> true)));
            attempt(what, () -> Subsetter.subset(face, SubsetPlan.of(KEPT).withoutHinting()));
            attempt(what, () -> Kerning.read(face).between(1, 2));
            attempt(what, () -> OutlineReader.read(face).outline(3));
            attempt(what, () -> AverageAdvance.of(face));
            attempt(what, () -> Renamer.rename(face, "Another"));
            if (face.table("fvar").isPresent()) {
                attempt(what, () -> StaticFaces.at(face, Map.of("wght", 650.0)));
            }
        }
    }

    private static void attempt(String what, Runnable step) {
        try {
            step.run();
        } catch (FontException e) {
            assertThat(e.reason()).isNotBlank();
        } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
            fail(what + " gave " + e, e);
        }
    }

    private static final BitSet KEPT = kept();

    private static BitSet kept() {
        BitSet kept = new BitSet();
        kept.set(0x20, 0x7F);
        kept.set(0x600, 0x700);
        kept.set(0x2200, 0x2300);
        kept.set(0x1F000, 0x20000);
        return kept;
    }

    private static Sfnt face(byte[] bytes) {
        return FontReader.read(bytes).faces().get(0);
    }
}
