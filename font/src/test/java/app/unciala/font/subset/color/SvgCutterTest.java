package app.unciala.font.subset.color;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.color.SvgDocuments;
import app.unciala.font.color.SvgDocuments.Document;
import app.unciala.font.color.SvgDocuments.Glyphs;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.MaxpTable;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SvgCutterTest {
    private static final Sfnt FACE = FontReader.read(RealFonts.bytes(RealFonts.named("Lato-Regular.ttf")))
            .faces()
            .get(0);
    private static final CmapTable CMAP = CmapTable.read(FACE);

    /** Prints the ranges of each document and the document itself. */
    private static final String DOCUMENTS = """
            import sys
            from fontTools.ttLib import TTFont
            font = TTFont(sys.argv[1])
            for doc in font['SVG '].docList:
                print(doc.startGlyphID, doc.endGlyphID, doc.data)
            """;

    @Test
    void drawingsOfKeptGlyphsAreNamedByTheirNewNumbersAndTheOthersGo(@TempDir Path folder) throws IOException {
        String svg = document(
                "<g id='" + glyph('A') + "'><path d='M0 0h9v9z'/></g>",
                "<g id='" + glyph('B') + "'><path d='M1 1h9v9z'/></g>",
                "<g id='" + glyph('C') + "'><path d='M2 2h9v9z'/></g>");
        Sfnt cut = cut(face(new Document(List.of(glyphs('A', 'C')), utf8(svg))), "AC");
        assertThat(MaxpTable.read(cut).numGlyphs()).isLessThan(10);
        int a = CmapTable.read(cut).glyph('A');
        assertThat(documents(cut, folder))
                .isEqualTo(a + " " + (a + 1) + " "
                        + document(
                                        "<g id='glyph" + a + "'><path d='M0 0h9v9z'/></g>",
                                        "",
                                        "<g id='glyph" + (a + 1) + "'><path d='M2 2h9v9z'/></g>")
                                .replace('\'', '"'));
    }

    @Test
    void whatAKeptDrawingRefersToStaysUnderAnotherName(@TempDir Path folder) throws IOException {
        String svg = document(
                "<defs><linearGradient id='sky'/></defs><style>.b { fill: url(#" + glyph('D') + ") }</style>",
                "<g id='" + glyph('A') + "'><use href='#" + glyph('B') + "'/><path fill='url(#sky)'/></g>",
                "<g id='" + glyph('B') + "'><use href='#inner'/></g>",
                "<g id='" + glyph('C') + "'><path id='inner'/></g>",
                "<pattern id='" + glyph('D') + "'/>",
                "<g id='" + glyph('E') + "'><g id='" + glyph('F') + "'><path/></g></g>");
        Sfnt cut = cut(face(new Document(List.of(glyphs('A', 'F')), utf8(svg))), "A");
        String drawn = "glyph" + CmapTable.read(cut).glyph('A');
        assertThat(documents(cut, folder))
                .endsWith(document(
                                "<defs><linearGradient id='sky'/></defs><style>.b { fill: url(#of-" + glyph('D')
                                        + ") }</style>",
                                "<g id='" + drawn + "'><use href='#of-" + glyph('B')
                                        + "'/><path fill='url(#sky)'/></g>",
                                "<g id='of-" + glyph('B') + "'><use href='#inner'/></g>",
                                "<g id='of-" + glyph('C') + "'><path id='inner'/></g>",
                                "<pattern id='of-" + glyph('D') + "'/>",
                                "")
                        .replace('\'', '"'));
    }

    /** Each glyph of the alphabet has a document of its own, every other one is compressed, and one has two ranges. */
    @Test
    void manyDocumentsAreSortedAndCompressedOnesStaySo(@TempDir Path folder) throws IOException {
        List<Document> documents = "HGFEDCBA"
                .chars()
                .mapToObj(letter -> {
                    byte[] bytes = utf8(document("<g id='" + glyph(letter) + "'/>"));
                    return new Document(List.of(glyphs(letter, letter)), letter % 2 == 0 ? gzip(bytes) : bytes);
                })
                .toList();
        Document two = new Document(
                List.of(glyphs('X', 'X'), glyphs('Z', 'Z')),
                utf8(document("<g id='" + glyph('X') + "'/>", "<g id='" + glyph('Z') + "'/>")));
        Sfnt cut = cut(face(Stream.concat(documents.stream(), Stream.of(two)).toArray(Document[]::new)), "BGXYZ");
        CmapTable cmap = CmapTable.read(cut);
        assertThat(documents(cut, folder).lines().map(line -> line.replaceAll("<svg.*?>|</svg>", "")))
                .containsExactly(
                        line(cmap.glyph('B')),
                        line(cmap.glyph('G')),
                        line(cmap.glyph('X')) + "<g id=\"glyph" + cmap.glyph('Z') + "\"/>",
                        line(cmap.glyph('Z')).replaceAll("<.*", "") + "<g id=\"glyph" + cmap.glyph('X')
                                + "\"/><g id=\"glyph" + cmap.glyph('Z') + "\"/>");
        assertThat(SvgDocuments.read(cut.require("SVG ")).stream().map(Document::isCompressed))
                .containsExactly(true, false, false);
    }

    private static String line(int glyph) {
        return glyph + " " + glyph + " <g id=\"glyph" + glyph + "\"/>";
    }

    @Test
    void aCutWithoutAnyDrawnGlyphHasNoTable() {
        Sfnt face = face(new Document(List.of(glyphs('A', 'A')), utf8(document("<g id='" + glyph('A') + "'/>"))));
        assertThat(cut(face, "xyz").table("SVG ")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<!DOCTYPE svg [<!ENTITY a 'b'>]><svg xmlns='http://www.w3.org/2000/svg'>&a;</svg>",
                "<svg xmlns='http://www.w3.org/2000/svg'><g></svg>",
                "\u001F\u008B\u0008 no gzip",
                ""
            })
    void glyphsKeepTheirNumbersWhereADocumentCannotBeRead(String document) {
        Sfnt face = face(new Document(List.of(glyphs('A', 'A')), document.getBytes(StandardCharsets.ISO_8859_1)));
        Sfnt cut = cut(face, "AB");
        assertThat(CmapTable.read(cut).glyph('B')).isEqualTo(CMAP.glyph('B'));
        assertThat(cut.require("SVG ").toArray()).isEqualTo(face.require("SVG ").toArray());
    }

    @Test
    void aDocumentDeeperThanAnyDrawingKeepsTheNumbers() {
        String deep = document("<g>".repeat(100_000) + "</g>".repeat(100_000));
        Sfnt cut = cut(face(new Document(List.of(glyphs('A', 'A')), utf8(deep))), "AB");
        assertThat(CmapTable.read(cut).glyph('B')).isEqualTo(CMAP.glyph('B'));
    }

    /** Two bytes in two thousand tables are others: each is cut, or refused by name. */
    @Test
    void damagedTablesAreCutOrRefused() {
        Random random = new Random(20);
        byte[] whole = face(
                        new Document(List.of(glyphs('A', 'C')), utf8(document("<g id='" + glyph('A') + "'/>"))),
                        new Document(List.of(glyphs('D', 'D')), gzip(utf8(document("<g id='" + glyph('D') + "'/>")))))
                .require("SVG ")
                .toArray();
        int refused = 0;
        for (int i = 0; i < 2_000; i++) {
            byte[] damaged = whole.clone();
            damaged[random.nextInt(damaged.length)] = (byte) random.nextInt(256);
            damaged[random.nextInt(48)] = (byte) random.nextInt(256);
            Sfnt cut = cut(FACE.with("SVG ", damaged), "AD");
            refused += CmapTable.read(cut).glyph('A') == CMAP.glyph('A') ? 1 : 0;
        }
        assertThat(refused).as("those whose numbers stay").isBetween(500, 1_900);
    }

    @Test
    void anOffsetOutsideTheTableIsNamed() {
        byte[] table = SvgDocuments.write(List.of(new Document(List.of(new Glyphs(1, 1)), new byte[] {'<'})));
        byte[] cutShort = Arrays.copyOf(table, table.length - 1);
        assertThatThrownBy(() -> SvgDocuments.read(ByteView.of(cutShort, "SVG ")))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("SVG ");
        byte[] list = new ByteSink().u16(0).u32(0xFFFF).u32(0).toArray();
        assertThatThrownBy(() -> SvgDocuments.read(ByteView.of(list, "SVG "))).isInstanceOf(FontException.class);
        byte[] far = table.clone();
        far[10 + 2 + 4] = (byte) 0xFF;
        assertThatThrownBy(() -> SvgDocuments.read(ByteView.of(far, "SVG "))).isInstanceOf(FontException.class);
    }

    /** A small table could otherwise name as many bytes as fill any memory. */
    @Test
    void documentsOverOneAnotherAreRefused() {
        ByteSink table = new ByteSink().u16(0).u32(10).u32(0).u16(1000);
        for (int i = 0; i < 1000; i++) {
            table.u16(i).u16(i).u32(0).u32(5000 + i);
        }
        assertThatThrownBy(() -> SvgDocuments.read(ByteView.of(table.toArray(), "SVG ")))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("over one another");
    }

    private static Sfnt face(Document... documents) {
        return FACE.with("SVG ", SvgDocuments.write(List.of(documents)));
    }

    private static Sfnt cut(Sfnt face, String text) {
        BitSet kept = new BitSet();
        text.codePoints().forEach(kept::set);
        return Subsetter.subset(face, kept);
    }

    private static String documents(Sfnt cut, Path folder) throws IOException {
        Path written = Files.write(folder.resolve("cut.ttf"), FontWriter.write(cut, FontFormat.TTF));
        return Tool.python(DOCUMENTS, written).strip();
    }

    private static String document(String... content) {
        return "<svg xmlns='http://www.w3.org/2000/svg'>" + String.join("", content) + "</svg>";
    }

    private static String glyph(int letter) {
        return "glyph" + CMAP.glyph(letter);
    }

    private static Glyphs glyphs(int first, int last) {
        return new Glyphs(CMAP.glyph(first), CMAP.glyph(last));
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] gzip(byte[] bytes) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (OutputStream packed = new GZIPOutputStream(out)) {
            packed.write(bytes);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return out.toByteArray();
    }
}
