package app.unciala.font.subset.color;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.color.ColorFormats;
import app.unciala.font.color.ColorLayers;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ColorFontTest {
    /** A font whose layers are in COLR version 0: glyphs keep their numbers, and their layers are kept with them. */
    @Test
    void aColorGlyphIsCutWithItsLayers(@TempDir Path folder) throws Exception {
        Path source = RealFonts.named("AmiriQuranColored.ttf");
        Sfnt face = FontReader.read(RealFonts.bytes(source)).faces().get(0);
        assertThat(ColorFormats.of(face)).containsExactly("COLR version 0");
        String text = "بِسْمِ ٱللَّهِ";
        BitSet kept = new BitSet();
        text.codePoints().forEach(kept::set);
        Sfnt cut = Subsetter.subset(face, kept);
        assertThat(cut.require("COLR").sameBytes(face.require("COLR"))).isTrue();
        Path written = Files.write(folder.resolve("cut.ttf"), FontWriter.write(cut, FontFormat.TTF));
        assertThat(Tool.shape(written, "", text)).isEqualTo(Tool.shape(source, "", text));
        // Every layer of every glyph that is set still has its outline, by an independent reader.
        String layers = """
                import sys
                from fontTools.ttLib import TTFont
                source, cut = TTFont(sys.argv[1]), TTFont(sys.argv[2]); names = cut.getGlyphOrder(); count = 0
                for code, name in source.getBestCmap().items():
                    if chr(code) in sys.argv[3]:
                        for layer in source['COLR'].ColorLayers.get(name, []):
                            number = source.getGlyphID(layer.name)
                            a, b = source['glyf'][layer.name], cut['glyf'][names[number]]
                            assert list(a.getCoordinates(source['glyf'])[0]) == list(b.getCoordinates(cut['glyf'])[0])
                            count += 1
                print(count)
                """;
        assertThat(Integer.parseInt(Tool.python(layers, source, written, text).strip()))
                .isGreaterThan(3);
        assertThat(FontWriter.write(cut, FontFormat.WOFF2).length)
                .isLessThan(FontWriter.write(face, FontFormat.WOFF2).length / 3);
    }

    /** The picture of every glyph that is left is the one it had, by an independent reader. */
    @Test
    void emojiAreCutWithTheirPictures(@TempDir Path folder) throws Exception {
        Path source = RealFonts.emoji();
        String text = "😀👍🏽👨‍👩‍👧";
        BitSet kept = new BitSet();
        text.codePoints().forEach(kept::set);
        Sfnt cut = Subsetter.subset(
                FontReader.read(RealFonts.bytes(source)).faces().get(0), kept);
        Path written = Files.write(folder.resolve("cut.ttf"), FontWriter.write(cut, FontFormat.TTF));
        String pictures = """
                import sys, hashlib
                from fontTools.ttLib import TTFont
                font = TTFont(sys.argv[1]); digests = {}
                for strike in font['CBDT'].strikeData:
                    for name, picture in strike.items():
                        digests[name] = hashlib.sha256(picture.data).hexdigest()
                for glyph in sys.argv[2].split():
                    print(digests[font.getGlyphName(int(glyph))])
                """;
        String before = glyphs(Tool.shape(source, "", text));
        String after = glyphs(Tool.shape(written, "", text));
        assertThat(Tool.python(pictures, written, after))
                .isEqualTo(Tool.python(pictures, source, before))
                .hasLineCount(3);
        byte[] woff2 = FontWriter.write(cut, FontFormat.WOFF2);
        assertThat(woff2.length).isLessThan(Files.readAllBytes(written).length);
    }

    /** The numbers of the glyphs in what a shaper said, such as "[12=0+2550|34=1+2550]". */
    private static String glyphs(String shaped) {
        return Pattern.compile("[\\[|](\\d+)=")
                .matcher(shaped)
                .results()
                .map(found -> found.group(1))
                .collect(Collectors.joining(" "));
    }

    /** A graph of paints: layers 1 and 2 draw glyphs 5 and 6, glyph 6's child loops back to the first. */
    @Test
    void paintsAreFollowedOnceHoweverTheyLoop() {
        ByteSink colr = new ByteSink()
                .u16(1)
                .u16(0)
                .u32(0)
                .u32(0)
                .u16(0)
                .u32(34)
                .u32(44)
                .u32(0)
                .u32(0)
                .u32(0);
        colr.u32(1).u16(3).u32(22);
        colr.u32(2).u32(18).u32(24);
        colr.u8(1).u8(2).u32(0);
        colr.u8(10).u8(0).u8(0).u8(6).u16(5);
        colr.u8(10).u8(0xFF).u8(0xFF).u8(0xFF).u16(6);
        ColorLayers layers = ColorLayers.read(ByteView.of(colr.toArray(), "COLR"));
        BitSet found = new BitSet();
        assertThatThrownBy(() -> layers.parts(3, found::set)).isInstanceOf(FontException.class);
        assertThat(found.stream().toArray()).contains(5);
        BitSet none = new BitSet();
        layers.parts(4, none::set);
        assertThat(none.isEmpty()).isTrue();
    }

    @Test
    void picturesOfKeptGlyphsAreFoundThroughEveryIndexFormat() {
        ByteSink cblc = new ByteSink().u32(0x00030000).u32(1);
        cblc.u32(56).u32(0).u32(5).bytes(new byte[36]);
        cblc.u16(1).u16(3).u32(40).u16(4).u16(5).u32(64).u16(6).u16(7).u32(84);
        cblc.u16(8).u16(9).u32(98).u16(10).u16(12).u32(118);
        cblc.u16(1).u16(17).u32(4).u32(0).u32(2).u32(2).u32(6);
        cblc.u16(2).u16(19).u32(10).u32(3).bytes(new byte[] {1, 2, 3, 4, 5, 6, 7, 8});
        cblc.u16(3).u16(17).u32(16).u16(0).u16(1).u16(3);
        cblc.u16(4).u16(17).u32(19).u32(1).u16(9).u16(0).u16(0).u16(4);
        cblc.u16(5).u16(19).u32(23).u32(1).bytes(new byte[8]).u32(2).u16(10).u16(12);
        byte[] cbdt = new byte[25];
        for (int i = 0; i < cbdt.length; i++) {
            cbdt[i] = (byte) (i < 4 ? 0 : i);
        }
        BitSet kept = new BitSet();
        for (int glyph : new int[] {1, 2, 5, 7, 9, 12}) {
            kept.set(glyph);
        }
        Sfnt cut = BitmapCutter.cut(
                FontReader.read(RealFonts.small())
                        .faces()
                        .get(0)
                        .with("CBLC", cblc.toArray())
                        .with("CBDT", cbdt),
                GlyphMap.renumbering(kept, 13));
        // Glyph 1 at bytes 4 and 5; 2 has none; 5 at 13 to 15; 7 at 17 and 18; 9 at 19 to 22; 12 at 24.
        assertThat(cut.require("CBDT").toArray())
                .containsExactly(0, 0, 0, 0, 4, 5, 13, 14, 15, 17, 18, 19, 20, 21, 22, 24);
        Map<Integer, List<Integer>> found = new TreeMap<>();
        ByteView array = cut.require("CBLC").from(56);
        BitSet all = new BitSet();
        all.set(0, 6);
        for (int i = 0; i < cut.require("CBLC").u32(16); i++) {
            BitmapIndex.each(
                    array.from(array.offset32(8 * i + 4)),
                    array.u16(8 * i),
                    array.u16(8 * i + 2),
                    all,
                    cut.require("CBDT"),
                    (picture, glyph) -> found.put(
                            glyph,
                            List.of(
                                    picture.imageFormat(),
                                    picture.bytes().u8(0),
                                    picture.bytes().length())));
        }
        assertThat(found)
                .isEqualTo(Map.of(
                        0,
                        List.of(17, 4, 2),
                        2,
                        List.of(19, 13, 3),
                        3,
                        List.of(17, 17, 2),
                        4,
                        List.of(17, 19, 4),
                        5,
                        List.of(19, 24, 1)));
        assertThat(array.from(array.offset32(8 + 4)).slice(12, 8).toArray()).containsExactly(1, 2, 3, 4, 5, 6, 7, 8);
    }

    @Test
    void aPictureThatIsSharedByNameIsKeptWithTheGlyphThatNamesIt() {
        ByteSink sbix = new ByteSink().u16(1).u16(1).u32(1).u32(12);
        sbix.u16(20).u16(72).u32(20).u32(32).u32(44).u32(54);
        sbix.u32(0).tag("png ").u32(0x01020304);
        sbix.u32(0).tag("png ").u32(0x05060708);
        sbix.u32(0).tag("dupe").u16(0);
        BitSet kept = new BitSet();
        kept.set(2);
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0).with("sbix", sbix.toArray());
        ByteView left = SbixCutter.cut(face, 3, GlyphMap.renumbering(kept, 3)).require("sbix");
        assertThat(left.length()).isEqualTo(12 + 12 + 12);
        assertThat(left.tag(12 + 12 + 4)).isEqualTo("png ");
        assertThat(left.u32(12 + 12 + 8)).isEqualTo(0x01020304);
    }

    @Test
    void aFaceInOneColorHasNone() {
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        assertThat(ColorFormats.of(face)).isEqualTo(List.of());
        assertThat(CmapTable.read(face).size()).isPositive();
    }
}
