package app.unciala.font.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** The subtable formats, put together by hand as the specification lays them out. */
class CmapTableTest {
    private static final int GLYPHS = 300;

    @Test
    void format0MapsBytes() {
        ByteSink subtable = new ByteSink().u16(0).u16(262).u16(0);
        for (int code = 0; code < 256; code++) {
            subtable.u8(code == 65 ? 7 : code == 0x8A ? 8 : code == 0xDB ? 9 : 0);
        }
        assertThat(entries(1, 0, subtable))
                .as("the old Macintosh platform has a character set of its own")
                .isEqualTo(Map.of(65, 7, (int) 'ä', 8, (int) '€', 9));
        assertThat(entries(3, 1, subtable)).isEqualTo(Map.of(65, 7, 0x8A, 8, 0xDB, 9));
    }

    @Test
    void format4AddsDeltasAndFollowsRangeOffsets() {
        // Two segments: A to C by delta, a to b through the glyph array; then the closing one.
        ByteSink subtable =
                new ByteSink().u16(4).u16(0).u16(0).u16(6).u16(4).u16(1).u16(2);
        subtable.u16('C').u16('b').u16(0xFFFF).u16(0);
        subtable.u16('A').u16('a').u16(0xFFFF);
        subtable.u16(10 - 'A').u16(5).u16(1);
        subtable.u16(0).u16(4).u16(0);
        subtable.u16(20).u16(0);
        assertThat(entries(3, 1, subtable)).isEqualTo(Map.of(65, 10, 66, 11, 67, 12, 97, 25));
    }

    @Test
    void format4IgnoresAnArrayThatItPointsOutOf() {
        ByteSink subtable =
                new ByteSink().u16(4).u16(0).u16(0).u16(4).u16(4).u16(1).u16(0);
        subtable.u16('C')
                .u16(0xFFFF)
                .u16(0)
                .u16('A')
                .u16(0xFFFF)
                .u16(0)
                .u16(1)
                .u16(400)
                .u16(0);
        assertThat(entries(3, 1, subtable)).isEmpty();
    }

    @Test
    void formats6And10AreTrimmedArrays() {
        ByteSink six = new ByteSink()
                .u16(6)
                .u16(0)
                .u16(0)
                .u16(0x30)
                .u16(3)
                .u16(4)
                .u16(0)
                .u16(6);
        assertThat(entries(3, 1, six)).isEqualTo(Map.of(0x30, 4, 0x32, 6));
        ByteSink ten = new ByteSink()
                .u16(10)
                .u16(0)
                .u32(0)
                .u32(0)
                .u32(0x1F600)
                .u32(2)
                .u16(8)
                .u16(9);
        assertThat(entries(3, 10, ten)).isEqualTo(Map.of(0x1F600, 8, 0x1F601, 9));
    }

    @Test
    void formats12And13HaveGroups() {
        assertThat(entries(3, 10, groups(12, 0x1F600, 0x1F602, 30)))
                .isEqualTo(Map.of(0x1F600, 30, 0x1F601, 31, 0x1F602, 32));
        assertThat(entries(3, 10, groups(13, 0x1F600, 0x1F602, 30)))
                .isEqualTo(Map.of(0x1F600, 30, 0x1F601, 30, 0x1F602, 30));
    }

    @Test
    void glyphsThatAreNotThereAreLeftOut() {
        assertThat(entries(3, 10, groups(12, 65, 70, GLYPHS - 2))).isEqualTo(Map.of(65, 298, 66, 299));
    }

    @Test
    void groupsPastTheEndAreDamage() {
        assertThatThrownBy(() -> entries(3, 10, groups(12, 0x10FFFF, 0x110000, 1)))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("cmap at byte 16");
        assertThatThrownBy(() -> entries(3, 10, groups(12, 70, 65, 1))).isInstanceOf(FontException.class);
        ByteSink many = new ByteSink().u16(12).u16(0).u32(0).u32(0).u32(1_000_000_000L);
        assertThatThrownBy(() -> entries(3, 10, many)).hasMessageContaining("more than fit");
    }

    @Test
    void theFullUnicodeSubtableIsPreferredAndUnknownOnesArePassedOver() {
        ByteSink small = new ByteSink().u16(6).u16(0).u16(0).u16(65).u16(1).u16(1);
        ByteSink unknown = new ByteSink().u16(2).u16(0).u16(0);
        ByteSink full = groups(12, 65, 65, 9);
        ByteSink table = new ByteSink().u16(0).u16(3);
        int at = 28;
        for (Map.Entry<int[], ByteSink> entry : List.of(
                Map.entry(new int[] {3, 1}, small),
                Map.entry(new int[] {3, 10}, full),
                Map.entry(new int[] {0, 6}, unknown))) {
            table.u16(entry.getKey()[0]).u16(entry.getKey()[1]).u32(at);
            at += entry.getValue().size();
        }
        table.bytes(small).bytes(full).bytes(unknown);
        assertThat(entries(face(table))).isEqualTo(Map.of(65, 9));
        assertThat(entries(new Sfnt(Sfnt.TRUETYPE, Map.of("maxp", maxp()), List.of())))
                .isEmpty();
    }

    @Test
    void whateverIsWrittenIsReadAgain() {
        for (int seed = 0; seed < 200; seed++) {
            Random random = new Random(seed);
            TreeMap<Integer, Integer> mapping = new TreeMap<>();
            int count = 1 + random.nextInt(60);
            int code = random.nextInt(0x3000);
            for (int i = 0; i < count; i++) {
                code += random.nextInt(4) == 0 ? 1 + random.nextInt(0x2000) : 1;
                if (code != 0xFFFF) {
                    mapping.put(code, 1 + random.nextInt(GLYPHS - 1));
                }
            }
            ByteSink table = new ByteSink().bytes(CmapWriter.write(mapping));
            assertThat(entries(face(table))).as("seed %d", seed).isEqualTo(mapping);
        }
    }

    private static ByteSink groups(int format, int start, int end, int glyph) {
        return new ByteSink()
                .u16(format)
                .u16(0)
                .u32(28)
                .u32(0)
                .u32(1)
                .u32(start)
                .u32(end)
                .u32(glyph);
    }

    private static Map<Integer, Integer> entries(int platform, int encoding, ByteSink subtable) {
        return entries(face(
                new ByteSink().u16(0).u16(1).u16(platform).u16(encoding).u32(12).bytes(subtable)));
    }

    private static Map<Integer, Integer> entries(Sfnt face) {
        CmapTable cmap = CmapTable.read(face);
        Map<Integer, Integer> entries = new TreeMap<>();
        for (int codePoint : cmap.codePoints()) {
            entries.put(codePoint, cmap.glyph(codePoint));
        }
        return entries;
    }

    private static Sfnt face(ByteSink cmap) {
        return new Sfnt(Sfnt.TRUETYPE, Map.of("maxp", maxp(), "cmap", ByteView.of(cmap.toArray(), "cmap")), List.of());
    }

    private static ByteView maxp() {
        return ByteView.of(new ByteSink().u32(0x00010000).u16(GLYPHS).toArray(), "maxp");
    }
}
