package app.unciala.font.table;

import static app.unciala.font.testing.BuiltCmap.bytes;
import static app.unciala.font.testing.BuiltCmap.group;
import static app.unciala.font.testing.BuiltCmap.groups;
import static app.unciala.font.testing.BuiltCmap.list;
import static app.unciala.font.testing.BuiltCmap.longList;
import static app.unciala.font.testing.BuiltCmap.segments;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.testing.BuiltCmap;
import app.unciala.font.testing.BuiltCmap.Encoded;
import app.unciala.font.testing.BuiltCmap.Segment;
import app.unciala.font.testing.BuiltTable;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** The subtable formats, as the specification lays them out. */
class CmapTableTest {
    private static final int GLYPHS = 300;

    private static final int UNICODE = 0;
    private static final int MACINTOSH = 1;
    private static final int WINDOWS = 3;
    private static final int BMP = 1;
    private static final int FULL = 10;

    @Test
    void format0MapsBytes() {
        int[] glyphs = new int[256];
        glyphs['A'] = 7;
        glyphs[0x8A] = 8;
        glyphs[0xDB] = 9;
        assertThat(entries(MACINTOSH, 0, bytes(glyphs)))
                .as("the old Macintosh platform has a character set of its own")
                .isEqualTo(Map.of(65, 7, (int) 'ä', 8, (int) '€', 9));
        assertThat(entries(WINDOWS, BMP, bytes(glyphs))).isEqualTo(Map.of(65, 7, 0x8A, 8, 0xDB, 9));
    }

    @Test
    void format4AddsDeltasAndFollowsRangeOffsets() {
        BuiltTable subtable =
                segments(Segment.shifted('A', 'C', 10 - 'A'), Segment.listed('a', 5, 20, 0), Segment.closing());
        assertThat(entries(WINDOWS, BMP, subtable)).isEqualTo(Map.of(65, 10, 66, 11, 67, 12, 97, 25));
    }

    @Test
    void format4IgnoresAnArrayThatItPointsOutOf() {
        BuiltTable subtable = segments(400, Segment.listed('A', 0, 1, 2, 3), Segment.closing());
        assertThat(entries(WINDOWS, BMP, subtable)).isEmpty();
    }

    @Test
    void formats6And10AreTrimmedArrays() {
        assertThat(entries(WINDOWS, BMP, list(0x30, 4, 0, 6))).isEqualTo(Map.of(0x30, 4, 0x32, 6));
        assertThat(entries(WINDOWS, FULL, longList(0x1F600, 8, 9))).isEqualTo(Map.of(0x1F600, 8, 0x1F601, 9));
    }

    @Test
    void formats12And13HaveGroups() {
        assertThat(entries(WINDOWS, FULL, group(12, 0x1F600, 0x1F602, 30)))
                .isEqualTo(Map.of(0x1F600, 30, 0x1F601, 31, 0x1F602, 32));
        assertThat(entries(WINDOWS, FULL, group(13, 0x1F600, 0x1F602, 30)))
                .isEqualTo(Map.of(0x1F600, 30, 0x1F601, 30, 0x1F602, 30));
    }

    @Test
    void glyphsThatAreNotThereAreLeftOut() {
        assertThat(entries(WINDOWS, FULL, group(12, 65, 70, GLYPHS - 2))).isEqualTo(Map.of(65, 298, 66, 299));
    }

    @Test
    void groupsPastTheEndAreDamage() {
        assertThatThrownBy(() -> entries(WINDOWS, FULL, group(12, 0x10FFFF, 0x110000, 1)))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("cmap at byte 16");
        assertThatThrownBy(() -> entries(WINDOWS, FULL, group(12, 70, 65, 1))).isInstanceOf(FontException.class);
        assertThatThrownBy(() -> entries(WINDOWS, FULL, groups(12, 1_000_000_000L)))
                .hasMessageContaining("more than fit");
    }

    @Test
    void theFullUnicodeSubtableIsPreferredAndUnknownOnesArePassedOver() {
        BuiltTable unknown = BuiltTable.of(2, 0, 0);
        Sfnt several = face(BuiltCmap.table(
                new Encoded(WINDOWS, BMP, list(65, 1)),
                new Encoded(WINDOWS, FULL, group(12, 65, 65, 9)),
                new Encoded(UNICODE, 6, unknown)));
        assertThat(entries(several)).isEqualTo(Map.of(65, 9));
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
            BuiltTable table = BuiltTable.of().bytes(CmapWriter.write(mapping));
            assertThat(entries(face(table))).as("seed %d", seed).isEqualTo(mapping);
        }
    }

    private static Map<Integer, Integer> entries(int platform, int encoding, BuiltTable subtable) {
        return entries(face(BuiltCmap.table(new Encoded(platform, encoding, subtable))));
    }

    private static Map<Integer, Integer> entries(Sfnt face) {
        CmapTable cmap = CmapTable.read(face);
        Map<Integer, Integer> entries = new TreeMap<>();
        for (int codePoint : cmap.codePoints()) {
            entries.put(codePoint, cmap.glyph(codePoint));
        }
        return entries;
    }

    private static Sfnt face(BuiltTable cmap) {
        return new Sfnt(Sfnt.TRUETYPE, Map.of("maxp", maxp(), "cmap", cmap.toView("cmap")), List.of());
    }

    private static ByteView maxp() {
        return BuiltTable.version1().u16(GLYPHS).toView("maxp");
    }
}
