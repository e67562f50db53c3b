package app.unciala.font.subset.color;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.color.ColorFormats;
import app.unciala.font.color.ColorLayers;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.MaxpTable;
import app.unciala.font.testing.BuiltFonts;
import app.unciala.font.testing.BuiltTable;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ColorFontTest {
    /** A font whose layers are in COLR version 0. */
    @Test
    void aColorGlyphIsCutWithItsLayers(@TempDir Path folder) throws Exception {
        Path source = RealFonts.named("AmiriQuranColored.ttf");
        Sfnt face = FontReader.read(RealFonts.bytes(source)).faces().get(0);
        assertThat(ColorFormats.of(face)).containsExactly("COLR version 0");
        String text = "بِسْمِ ٱللَّهِ";
        BitSet kept = new BitSet();
        text.codePoints().forEach(kept::set);
        Sfnt cut = Subsetter.subset(face, kept);
        assertThat(MaxpTable.read(cut).numGlyphs())
                .isLessThan(MaxpTable.read(face).numGlyphs() / 3);
        Path written = Files.write(folder.resolve("cut.ttf"), FontWriter.write(cut, FontFormat.TTF));
        // What is set stands where it stood; its layers, by an independent reader, have the outlines they had.
        String before = Tool.shape(source, "", text);
        String after = Tool.shape(written, "", text);
        assertThat(after.replaceAll("[\\[|]\\d+=", "=")).isEqualTo(before.replaceAll("[\\[|]\\d+=", "="));
        String layers = """
                import sys
                from fontTools.ttLib import TTFont
                from fontTools.pens.recordingPen import DecomposingRecordingPen
                font = TTFont(sys.argv[1]); glyphs = font.getGlyphSet(); order = font.getGlyphOrder()
                for number in sys.argv[2].split():
                    for layer in font['COLR'].ColorLayers.get(order[int(number)], []):
                        pen = DecomposingRecordingPen(glyphs); glyphs[layer.name].draw(pen)
                        print(layer.colorID, pen.value)
                """;
        assertThat(Tool.python(layers, written, glyphs(after)))
                .isEqualTo(Tool.python(layers, source, glyphs(before)))
                .satisfies(said -> assertThat(said.lines()).hasSizeGreaterThan(3));
        assertThat(FontWriter.write(cut, FontFormat.WOFF2).length)
                .isLessThan(FontWriter.write(face, FontFormat.WOFF2).length / 3);
    }

    /** Prints the graph of each letter, with outlines in place of the glyphs. */
    private static final String PAINTS = """
            import sys
            from fontTools.ttLib import TTFont
            from fontTools.pens.recordingPen import DecomposingRecordingPen
            font = TTFont(sys.argv[1]); colr = font['COLR'].table; glyphs = font.getGlyphSet(); cmap = font.getBestCmap()
            bases = {r.BaseGlyph: r.Paint for r in colr.BaseGlyphList.BaseGlyphPaintRecord}
            def outline(name):
                pen = DecomposingRecordingPen(glyphs); glyphs[name].draw(pen); return pen.value
            def said(paint):
                if paint.Format == 1:
                    first = paint.FirstLayerIndex
                    return [said(p) for p in colr.LayerList.Paint[first:first + paint.NumLayers]]
                out = [paint.Format]
                for key, value in sorted(vars(paint).items()):
                    if key == 'Glyph': out.append(said(bases[value]) if paint.Format == 11 else outline(value))
                    elif key in ('Paint', 'SourcePaint', 'BackdropPaint'): out.append(said(value))
                    elif key == 'ColorLine': out.append([vars(stop) for stop in value.ColorStop])
                    elif key == 'Transform': out.append(vars(value))
                    else: out.append((key, value))
                return out
            for letter in sys.argv[2]:
                name = cmap[ord(letter)]; box = colr.ClipList.clips.get(name)
                print(letter, said(bases[name]), vars(box) if box else None)
            print(len(bases), len(colr.LayerList.Paint), len(colr.ClipList.clips))
            """;

    @Test
    void graphsOfPaintsAreCutAndRenumbered(@TempDir Path folder) throws Exception {
        Path source = folder.resolve("painted.ttf");
        BuiltFonts.painted(source);
        Sfnt face = FontReader.read(RealFonts.bytes(source)).faces().get(0);
        BitSet kept = new BitSet();
        "AHx".codePoints().forEach(kept::set);
        Sfnt cut = Subsetter.subset(face, kept);
        Path written = Files.write(folder.resolve("cut.ttf"), FontWriter.write(cut, FontFormat.TTF));
        List<String> before = Tool.python(PAINTS, source, "AHx").lines().toList();
        List<String> after = Tool.python(PAINTS, written, "AHx").lines().toList();
        assertThat(after.subList(0, 3)).isEqualTo(before.subList(0, 3));
        assertThat(before.get(3)).isEqualTo("5 12 4");
        assertThat(after.get(3))
                .as("A, E that H is made of, H and x; three layers of A, two of H; the clips of A, E and H")
                .isEqualTo("4 5 3");
        assertThat(MaxpTable.read(cut).numGlyphs())
                .as("A to I, x, y and .notdef")
                .isEqualTo(12);
        assertThat(cut.require("COLR").length()).isLessThan(face.require("COLR").length());
        // e2e/tests/engine.spec.ts sets text in both and compares the pixels.
        Path samples = Files.createDirectories(Path.of("target", "samples"));
        Files.copy(source, samples.resolve("painted-source.ttf"), StandardCopyOption.REPLACE_EXISTING);
        Files.write(samples.resolve("painted-cut.woff2"), FontWriter.write(cut, FontFormat.WOFF2));
        Files.writeString(samples.resolve("painted-cut.woff2.txt"), "painted-source.ttf\n\nAHx");
        assertThat(Subsetter.subset(face, bits('K')).table("COLR"))
                .as("without a color glyph there is no table of them")
                .isEmpty();
    }

    private static BitSet bits(int codePoint) {
        BitSet bits = new BitSet();
        bits.set(codePoint);
        return bits;
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

    /** {@code PaintGlyph}: a glyph filled by another paint, whose offset of 24 bits may lead anywhere. */
    private static BuiltTable paintGlyph(int glyph, int paintOffset) {
        return BuiltTable.of()
                .u8(10, paintOffset >> 16, paintOffset >> 8, paintOffset)
                .u16(glyph);
    }

    /** Glyph 3 is painted in two layers: the first draws glyph 5 and leads to the second, which leads far outside. */
    @Test
    void paintsAreFollowedOnceHoweverTheyLoop() {
        BuiltTable last = paintGlyph(6, 0xFFFFFF);
        BuiltTable slice = BuiltTable.of().u8(1, 2).u32(0);
        BuiltTable layerList = BuiltTable.of().u32(2).offset32(paintGlyph(5, 6)).offset32(last);
        BuiltTable baseList = BuiltTable.of().u32(1).u16(3).offset32(slice);
        BuiltTable colr = BuiltTable.of(1, 0)
                .u32(0)
                .u32(0)
                .u16(0)
                .offset32(baseList)
                .offset32(layerList)
                .u32(0)
                .u32(0)
                .u32(0);
        ColorLayers layers = ColorLayers.read(colr.toView("COLR"));
        BitSet found = new BitSet();
        assertThatThrownBy(() -> layers.parts(3, found::set)).isInstanceOf(FontException.class);
        assertThat(found.stream().toArray()).contains(5);
        BitSet none = new BitSet();
        layers.parts(4, none::set);
        assertThat(none.isEmpty()).isTrue();
    }

    /** A chain of 7,620 paints; layers lead into it every 60 paints, and others lead to these, from its end to its start. */
    @Test
    void aLongChainOfPaintsIsRefusedWhereverItIsEntered() {
        int entries = 127;
        int every = 60;
        int chain = 4 + 4 * 2 * entries;
        int slices = chain + 6 * every * entries + 5;
        BuiltTable layerList = BuiltTable.of().u32(2L * entries);
        for (int i = 0; i < entries; i++) {
            layerList.u32(chain + 6L * every * i);
        }
        for (int i = 0; i < entries; i++) {
            layerList.u32(slices + 6L * i);
        }
        for (int i = 0; i < every * entries; i++) {
            layerList.inline(paintGlyph(5, 6));
        }
        layerList.u8(2).u16(0, 0x4000);
        for (int i = entries - 1; i >= 0; i--) {
            layerList.u8(1, 1).u32(i);
        }
        BuiltTable root = BuiltTable.of().u8(1, entries).u32(entries);
        byte[] colr = BuiltTable.of(1, 0)
                .u32(0)
                .u32(0)
                .u16(0)
                .offset32(BuiltTable.of().u32(1).u16(3).offset32(root))
                .offset32(layerList)
                .u32(0)
                .u32(0)
                .u32(0)
                .toArray();
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0).with("COLR", colr);
        BitSet kept = new BitSet();
        kept.set(3);
        kept.set(5);
        assertThatThrownBy(() -> ColorLayersCutter.cut(face, GlyphMap.renumbering(kept, 13)))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("too deeply");
        assertThatThrownBy(() -> ColorLayers.read(face.require("COLR")).parts(3, glyph -> {}))
                .isInstanceOf(FontException.class);
    }

    @Test
    void picturesOfKeptGlyphsAreFoundThroughEveryIndexFormat() {
        byte[] metrics = {1, 2, 3, 4, 5, 6, 7, 8};
        // Index format, format of the pictures, where these begin in CBDT; then what differs between formats.
        BuiltTable offsets = BuiltTable.of(1, 17).u32(4).u32(0).u32(2).u32(2).u32(6);
        BuiltTable equalSize = BuiltTable.of(2, 19).u32(10).u32(3).bytes(metrics);
        BuiltTable shortOffsets = BuiltTable.of(3, 17).u32(16).u16(0, 1, 3);
        BuiltTable listed = BuiltTable.of(4, 17).u32(19).u32(1).u16(9, 0).u16(0, 4);
        BuiltTable listedEqualSize =
                BuiltTable.of(5, 19).u32(23).u32(1).bytes(new byte[8]).u32(2).u16(10, 12);
        BuiltTable ranges = BuiltTable.of()
                .u16(1, 3)
                .offset32(offsets)
                .u16(4, 5)
                .offset32(equalSize)
                .u16(6, 7)
                .offset32(shortOffsets)
                .u16(8, 9)
                .offset32(listed)
                .u16(10, 12)
                .offset32(listedEqualSize);
        byte[] cblc = BuiltTable.of(3, 0)
                .u32(1)
                .offset32(ranges)
                .u32(0)
                .u32(5)
                .bytes(new byte[36])
                .toArray();
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
                        .with("CBLC", cblc)
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
        BuiltTable first = BuiltTable.of().u32(0).tag("png ").u32(0x01020304);
        BuiltTable second = BuiltTable.of().u32(0).tag("png ").u32(0x05060708);
        BuiltTable named = BuiltTable.of().u32(0).tag("dupe").u16(0);
        BuiltTable strike = BuiltTable.of(20, 72)
                .offset32(first)
                .offset32(second)
                .offset32(named)
                .offset32(BuiltTable.of());
        BuiltTable sbix = BuiltTable.of(1, 1).u32(1).offset32(strike);
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

    /** A thousand base glyphs that all have the same ten thousand layers: more than 16 bits can count once they are apart. */
    @Test
    void layersThatOverlapTooOftenAreRefusedSoon() {
        BuiltTable bases = BuiltTable.of();
        for (int glyph = 0; glyph < 1000; glyph++) {
            bases.u16(glyph, 0, 10_000);
        }
        BuiltTable layers = BuiltTable.of();
        for (int layer = 0; layer < 10_000; layer++) {
            layers.u16(1, 0);
        }
        BuiltTable colr =
                BuiltTable.of(0, 1000).offset32(bases).offset32(layers).u16(10_000);
        BitSet all = new BitSet();
        all.set(0, 1000);
        Sfnt face = new Sfnt(Sfnt.TRUETYPE, Map.of("COLR", colr.toView("COLR")), List.of());
        assertThatThrownBy(() -> ColorLayersCutter.cut(face, GlyphMap.renumbering(all, 1000)))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("layers");
    }
}
