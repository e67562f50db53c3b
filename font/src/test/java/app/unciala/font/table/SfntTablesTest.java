package app.unciala.font.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.glyf.SimpleGlyph;
import app.unciala.font.sfnt.Sfnt;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Tables put together by hand, and glyphs made at random. */
class SfntTablesTest {
    @Test
    void englishOnWindowsIsPreferredAmongNames() {
        NameTable names = names(
                new Name(1, 0, 0, 1, "Mac English"),
                new Name(3, 1, 0x407, 1, "Windows German"),
                new Name(3, 1, 0x409, 1, "Windows English"),
                new Name(3, 1, 0x407, 2, "Fett"),
                new Name(1, 0, 0, 2, "Bold"));
        assertThat(names.best(1)).contains("Windows English");
        assertThat(names.best(2)).contains("Bold");
        assertThat(names.best(16)).isEmpty();
    }

    @Test
    void macNamesAreInMacRomanAndControlCharactersGo() {
        assertThat(names(new Name(1, 0, 0, 1, "Caf\u00e9 \u00a9")).best(1)).contains("Caf\u00e9 \u00a9");
        assertThat(names(new Name(3, 1, 0x409, 1, "\u0000Harrow\u0007 ")).best(1))
                .contains("Harrow");
        assertThat(names(new Name(3, 1, 0x409, 1, "  ")).best(1)).isEmpty();
    }

    @Test
    void aNameOutsideTheTableIsLeftOut() {
        ByteSink table = new ByteSink().u16(0).u16(2).u16(30);
        table.u16(3).u16(1).u16(0x409).u16(1).u16(2).u16(0);
        table.u16(3).u16(1).u16(0x409).u16(2).u16(400).u16(0).u16('H');
        NameTable names = NameTable.read(face(Map.of("name", table)));
        assertThat(names.best(1)).contains("H");
        assertThat(names.best(2)).isEmpty();
    }

    @Test
    void advancesRepeatTheLastOne() {
        ByteSink hmtx =
                new ByteSink().u16(500).u16(10).u16(600).u16(-20).u16(30).u16(-40);
        HmtxTable table = HmtxTable.read(ByteView.of(hmtx.toArray(), "hmtx"), 2, 4);
        assertThat(table.advances()).containsExactly(500, 600, 600, 600);
        assertThat(table.leftSideBearings()).containsExactly(10, -20, 30, -40);
        ByteView view = ByteView.of(hmtx.toArray(), "hmtx");
        assertThatThrownBy(() -> HmtxTable.read(view, 5, 4)).hasMessageContaining("5 advances for 4 glyphs");
        assertThatThrownBy(() -> HmtxTable.read(view, 2, 5)).isInstanceOf(FontException.class);
    }

    @Test
    void axesAreReadWithTheirRanges() {
        ByteSink fvar = new ByteSink()
                .u32(0x00010000)
                .u16(16)
                .u16(2)
                .u16(1)
                .u16(20)
                .u16(0)
                .u16(8);
        fvar.tag("wght").u32(100 << 16).u32(400 << 16).u32(900 << 16).u16(0).u16(256);
        FvarTable table = FvarTable.read(face(Map.of("fvar", fvar))).orElseThrow();
        assertThat(table.axis("wght")).contains(new FvarTable.Axis("wght", 100, 400, 900));
        assertThat(table.axis("wdth")).isEmpty();
    }

    @Test
    void damageIsNamedByTableAndPlace() {
        assertThatThrownBy(() -> face(Map.of()).require("glyf")).hasMessage("glyf: is missing, and a font needs it");
        ByteView five = ByteView.of(new byte[5], "post");
        assertThatThrownBy(() -> five.u32(2)).isInstanceOfSatisfying(FontException.class, e -> {
            assertThat(e.table()).isEqualTo("post");
            assertThat(e.offset()).isEqualTo(2);
        });
        assertThatThrownBy(() -> five.u8(-1)).isInstanceOf(FontException.class);
        assertThatThrownBy(() -> five.slice(3, Integer.MAX_VALUE)).isInstanceOf(FontException.class);
    }

    @Test
    void glyphsAreReadAsTheyWereWritten() {
        for (int seed = 0; seed < 300; seed++) {
            SimpleGlyph glyph = random(new Random(seed));
            ByteSink out = new ByteSink();
            glyph.write(out, glyph.bounds());
            ByteView bytes = ByteView.of(out.toArray(), "glyf");
            SimpleGlyph read = SimpleGlyph.read(bytes);
            assertThat(read.xs()).as("seed %d", seed).isEqualTo(glyph.xs());
            assertThat(read.ys()).isEqualTo(glyph.ys());
            assertThat(read.onCurve()).isEqualTo(glyph.onCurve());
            assertThat(read.contourEnds()).isEqualTo(glyph.contourEnds());
            assertThat(read.instructions()).isEqualTo(glyph.instructions());
            assertThat(read.overlaps()).isEqualTo(glyph.overlaps());
            assertThat(bytes.i16(2)).isEqualTo(glyph.bounds()[0]);
        }
    }

    private static SimpleGlyph random(Random random) {
        int contours = 1 + random.nextInt(4);
        int[] ends = new int[contours];
        int points = 0;
        for (int i = 0; i < contours; i++) {
            points += 1 + random.nextInt(40);
            ends[i] = points - 1;
        }
        int reach = random.nextBoolean() ? 200 : 12000;
        int[] xs = random.ints(points, -reach, reach).toArray();
        int[] ys = random.ints(points, -reach, reach).toArray();
        boolean[] onCurve = new boolean[points];
        for (int i = 0; i < points; i++) {
            onCurve[i] = random.nextBoolean();
            if (i > 0 && random.nextInt(3) == 0) {
                xs[i] = xs[i - 1];
            }
        }
        byte[] instructions = new byte[random.nextInt(5)];
        random.nextBytes(instructions);
        return new SimpleGlyph(ends, onCurve, xs, ys, instructions, random.nextBoolean());
    }

    private record Name(int platform, int encoding, int language, int id, String text) {
        byte[] bytes() {
            return text.getBytes(platform == 1 ? Charset.forName("x-MacRoman") : StandardCharsets.UTF_16BE);
        }
    }

    private static NameTable names(Name... all) {
        ByteSink records = new ByteSink();
        ByteSink storage = new ByteSink();
        for (Name name : all) {
            records.u16(name.platform())
                    .u16(name.encoding())
                    .u16(name.language())
                    .u16(name.id());
            records.u16(name.bytes().length).u16(storage.size());
            storage.bytes(name.bytes());
        }
        ByteSink table = new ByteSink().u16(0).u16(all.length).u16(6 + records.size());
        return NameTable.read(face(Map.of("name", table.bytes(records).bytes(storage))));
    }

    private static Sfnt face(Map<String, ByteSink> tables) {
        Map<String, ByteView> views = new HashMap<>();
        tables.forEach((tag, bytes) -> views.put(tag, ByteView.of(bytes.toArray(), tag)));
        return new Sfnt(Sfnt.TRUETYPE, views, List.of());
    }
}
