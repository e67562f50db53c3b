package app.unciala.font.file;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntWriter;
import app.unciala.testing.RealFonts;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ForeignFilesTest {
    @ParameterizedTest
    @CsvSource({
        "'%!PS-AdobeFont-1.0: Harrow', Type 1",
        "'StartFontMetrics 4.1', metrics of a PostScript Type 1",
        "'STARTFONT 2.1', bitmap font (BDF)",
        "'Rar!....', unpack it first",
        "'<svg xmlns=\"x\"><rect/></svg>', an SVG document",
        "'<!doctype html><p>', a web page",
        "'{\\rtf1', RTF",
        "'Dear all, the fonts', plain text"
    })
    void whatIsDroppedByMistakeIsNamed(String start, String said) {
        refused((start + " ".repeat(40)).getBytes(StandardCharsets.ISO_8859_1), said);
    }

    @Test
    void binaryKindsAreKnownByTheirStructure() {
        ByteSink suitcase = new ByteSink().u32(256).u32(1256).u32(1000).u32(60);
        suitcase.bytes(new byte[1400]);
        refused(suitcase.toArray(), "suitcase");
        ByteSink metrics = new ByteSink().u16(1).u32(Integer.reverseBytes(200)).bytes(new byte[194]);
        refused(metrics.toArray(), "PFM");
        refused(new ByteSink().u8(0x80).u8(1).bytes(new byte[60]).toArray(), "Type 1");
        refused(new ByteSink().u32(0x00051607).bytes(new byte[60]).toArray(), "macOS");
        refused(new byte[300], "all zeros");
        byte[] noise = new byte[300];
        Arrays.fill(noise, (byte) 0xA7);
        refused(noise, "A7A7A7A7");
    }

    @Test
    void aFontOfPicturesInOneColorIsNamed() {
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        Sfnt bitmaps = face.with("EBDT", new byte[4]).with("glyf", new byte[0]);
        refused(SfntWriter.write(bitmaps), "a bitmap font");
    }

    private static void refused(byte[] bytes, String said) {
        assertThatThrownBy(() -> FontReader.read(bytes))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("is not a font")
                .hasMessageContaining(said);
    }
}
