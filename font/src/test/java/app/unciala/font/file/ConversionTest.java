package app.unciala.font.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntReader;
import app.unciala.testing.RealFonts;
import java.io.ByteArrayInputStream;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** Faces in and out of containers. */
class ConversionTest {
    static Stream<byte[]> sources() {
        return Stream.of(RealFonts.small(), RealFonts.cff());
    }

    @ParameterizedTest
    @MethodSource("sources")
    void everyContainerKeepsTheDrawingAndTheTables(byte[] bytes) {
        Sfnt face = FontReader.read(bytes).faces().get(0);
        String drawing = FaceReport.of(face).drawing();
        for (FontFormat format : List.of(face.bareFormat(), FontFormat.WOFF, FontFormat.WOFF2, FontFormat.EOT)) {
            byte[] written = FontWriter.write(face, format);
            FontFile read = FontReader.read(written);
            assertThat(read.format()).isEqualTo(format);
            FaceReport report = FaceReport.of(read.faces().get(0));
            assertThat(report.drawing()).as("%s", format).isEqualTo(drawing);
            assertThat(report.identity()).isEqualTo(FaceReport.of(face).identity());
            assertThat(read.faces().get(0).tables().keySet())
                    .containsAll(face.without("DSIG").tables().keySet());
            assertThat(FontWriter.write(face, format)).isEqualTo(written);
        }
    }

    @Test
    void aBareFontIsWrittenWithTheChecksumsOfItsTables() {
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        byte[] written = FontWriter.write(face, FontFormat.TTF);
        ByteView file = ByteView.of(written, "file");
        assertThat(SfntReader.read(file, 0).problems()).isEmpty();
        assertThat(file.checksum()).isEqualTo(0xB1B0AFBA);
    }

    @Test
    void outlinesOfOneKindAreNotCalledTheOther() {
        Sfnt truetype = FontReader.read(RealFonts.small()).faces().get(0);
        assertThatThrownBy(() -> FontWriter.write(truetype, FontFormat.OTF))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("has the outlines of TrueType");
    }

    @Test
    void aChangedOutlineAdvanceOrMapChangesTheDrawingAndANameDoesNot() {
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        String drawing = FaceReport.of(face).drawing();
        byte[] hmtx = face.require("hmtx").toArray();
        hmtx[5] ^= 1;
        assertThat(FaceReport.of(face.with("hmtx", hmtx)).drawing()).isNotEqualTo(drawing);
        byte[] name = face.require("name").toArray();
        name[name.length - 1] ^= 1;
        assertThat(FaceReport.of(face.with("name", name)).drawing()).isEqualTo(drawing);
        byte[] head = face.require("head").toArray();
        head[30] ^= 1;
        assertThat(FaceReport.of(face.with("head", head)).drawing()).isEqualTo(drawing);
    }

    @Test
    void aMaskedEotIsReadAndACompressedOneIsNamed() {
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        byte[] eot = FontWriter.write(face, FontFormat.EOT);
        int fontSize = FontWriter.write(face, FontFormat.TTF).length;
        byte[] masked = eot.clone();
        masked[15] |= 0x10;
        for (int i = eot.length - fontSize; i < eot.length; i++) {
            masked[i] ^= 0x50;
        }
        assertThat(FaceReport.of(FontReader.read(masked).faces().get(0)).drawing())
                .isEqualTo(FaceReport.of(face).drawing());
        byte[] compressed = eot.clone();
        compressed[12] |= 4;
        assertThatThrownBy(() -> FontReader.read(compressed)).hasMessageContaining("MicroType-compressed");
        byte[] cut = Arrays.copyOf(eot, eot.length - 10);
        assertThatThrownBy(() -> FontReader.read(cut)).hasMessageContaining("the file has " + cut.length);
    }

    @Test
    void anSvgFontIsWellFormedAndHasAGlyphForEveryCharacter() throws Exception {
        Sfnt face = FontReader.read(RealFonts.cff()).faces().get(0);
        byte[] svg = FontWriter.write(face, FontFormat.SVG);
        Document document =
                DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new ByteArrayInputStream(svg));
        assertThat(document.getElementsByTagName("glyph").getLength())
                .isEqualTo(FaceReport.of(face).codePoints().length);
        Element faceElement =
                (Element) document.getElementsByTagName("font-face").item(0);
        assertThat(faceElement.getAttribute("font-family")).isEqualTo("Cantarell");
    }
}
