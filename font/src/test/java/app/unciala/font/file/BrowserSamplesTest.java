package app.unciala.font.file;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.instance.StaticFaces;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.testing.RealFonts;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Writes what the engine makes of real fonts beside the fonts themselves; e2e/tests/engine.spec.ts sets text in both in
 * Chromium and compares the pixels.
 *
 * <p>Two things that are no fault of the output are kept out: ligatures of hinted fonts, which the system hints by their
 * own code points, and Open Sans, whose oversized kerning table Chromium refuses in the source and accepts once cut.
 */
class BrowserSamplesTest {
    private static final Path FOLDER = Path.of("target", "samples");

    @ParameterizedTest
    @CsvSource({
        "DejaVuSans.ttf, 'Affinity AVATAR ệ Ťoffi Ζώα Широкая'",
        "DejaVuSerif-Bold.ttf, 'Wave Tofu, «ßÄé» 1⁄2'",
        "Lato-Italic.ttf, 'Żółć, gęślą jaźń AV To'",
        "Cantarell-Regular.otf, 'Ťažký waffle AVATAR'",
        "EBGaramond12-Regular.otf, 'Quick fjord Thick ffi'",
        "Amiri-Regular.ttf, 'السلام عليكم لا إله بِسْمِ'",
        "Lohit-Devanagari.ttf, 'हिन्दी में क्षत्रिय श्री र्कि'",
        "Inter.var.ttf, 'AVATAR -> 3x4 (A) Ťo'"
    })
    void conversionsAndSubsets(String name, String text) throws Exception {
        Sfnt face = read(RealFonts.bytes(RealFonts.named(name)));
        String base = name.replaceFirst("\\.[^.]*$", "");
        String source = base + "-source." + face.bareFormat().extension();
        write(source, FontWriter.write(face, face.bareFormat()));
        byte[] woff2 = FontWriter.write(face, FontFormat.WOFF2);
        pair(base + ".woff2", woff2, source, "", text);
        pair(base + ".woff", FontWriter.write(face, FontFormat.WOFF), source, "", text);
        Sfnt unpacked = read(woff2);
        String bare = base + "-unpacked." + unpacked.bareFormat().extension();
        pair(bare, FontWriter.write(unpacked, unpacked.bareFormat()), source, "", text);
        // The system's automatic hinting lines letters up by certain letters of the script, so all of these are kept.
        Set<Character.UnicodeBlock> blocks =
                text.codePoints().mapToObj(Character.UnicodeBlock::of).collect(Collectors.toSet());
        BitSet kept = new BitSet();
        for (int codePoint : CmapTable.read(face).codePoints()) {
            kept.set(codePoint, blocks.contains(Character.UnicodeBlock.of(codePoint)));
        }
        pair(base + "-cut.woff2", FontWriter.write(Subsetter.subset(face, kept), FontFormat.WOFF2), source, "", text);
        if (face.hasCffOutlines()) {
            write(base + "-truetype.ttf", FontWriter.write(face, FontFormat.TTF));
        }
        if (face.table("fvar").isPresent()) {
            String variation = "\"wght\" 650";
            pair(base + "-varied.woff2", woff2, source, variation, text);
            Sfnt instance = StaticFaces.at(face, Map.of("wght", 650.0));
            pair(base + "-650.woff2", FontWriter.write(instance, FontFormat.WOFF2), source, variation, text);
        }
        assertThat(woff2.length).isLessThan(Files.readAllBytes(FOLDER.resolve(source)).length);
    }

    @Test
    void aFontOfPicturesIsCut() throws Exception {
        String text = "😀👍🏽👨‍👩‍👧";
        byte[] source = RealFonts.bytes(RealFonts.emoji());
        write("emoji-source.ttf", source);
        BitSet kept = new BitSet();
        text.codePoints().forEach(kept::set);
        byte[] cut = FontWriter.write(Subsetter.subset(read(source), kept), FontFormat.WOFF2);
        pair("emoji-cut.woff2", cut, "emoji-source.ttf", "", text);
        assertThat(cut.length).isLessThan(source.length / 100);
    }

    /** e2e/tests/engine.spec.ts sets a formula in both, whose brackets and roots grow by {@code MathVariants}. */
    @Test
    void aMathematicalFontIsCut() throws Exception {
        byte[] source = RealFonts.bytes(RealFonts.named("DejaVuMathTeXGyre.ttf"));
        write("mathematics-source.ttf", source);
        BitSet kept = new BitSet();
        "√∑∫∞".codePoints().forEach(kept::set);
        // The system's automatic hinting lines letters up by others of their script, so all of these are kept.
        kept.set(0x20, 0x7F);
        kept.set(0x1D434, 0x1D468);
        byte[] cut = FontWriter.write(Subsetter.subset(read(source), kept), FontFormat.WOFF2);
        write("mathematics-cut.woff2", cut);
        assertThat(cut.length).isLessThan(source.length / 4);
    }

    /** The output is beside a text file: its source, the variation settings for the source, and the text, a line each. */
    private static void pair(String name, byte[] bytes, String source, String variation, String text)
            throws IOException {
        write(name, bytes);
        write(name + ".txt", (source + "\n" + variation + "\n" + text).getBytes(UTF_8));
    }

    private static void write(String name, byte[] bytes) throws IOException {
        Files.write(Files.createDirectories(FOLDER).resolve(name), bytes);
    }

    private static Sfnt read(byte[] bytes) {
        return FontReader.read(bytes).faces().get(0);
    }
}
