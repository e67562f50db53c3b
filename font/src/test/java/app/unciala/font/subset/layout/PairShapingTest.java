package app.unciala.font.subset.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Pairs whose second glyph has values do not begin the next pair with it, though these values are all 0: HarfBuzz sets
 * text in the source and in the cut alike.
 */
class PairShapingTest {
    private static final int X_ADVANCE = 4;

    @TempDir
    Path folder;

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void whatBeginsTheNextPairStays(boolean listed) throws Exception {
        Sfnt real = FontReader.read(RealFonts.small()).faces().get(0);
        CmapTable cmap = CmapTable.read(real);
        int a = cmap.glyph('A');
        int v = cmap.glyph('V');
        for (int second : new int[] {X_ADVANCE, 0}) {
            Sfnt face = real.with("GPOS", gpos(listed ? pairs(a, v, second) : classes(a, v, second)))
                    .without("kern");
            Sfnt cut = Subsetter.subset(face, SubsetPlan.ofText("AV"));
            List<String> expected = advances(face);
            assertThat(advances(cut)).isEqualTo(expected);
            assertThat(expected.get(1)
                            .equals(advances(real.without("GPOS").without("kern"))
                                    .get(1)))
                    .as("V begins a pair only where it has no values")
                    .isEqualTo(second != 0);
        }
    }

    private List<String> advances(Sfnt face) throws Exception {
        Path file = Files.write(folder.resolve("f.ttf"), FontWriter.write(face, face.bareFormat()));
        return Pattern.compile("\\+(-?\\d+)")
                .matcher(Tool.shape(file, "", "AVA"))
                .results()
                .map(found -> found.group(1))
                .toList();
    }

    /** A and V move together by 100 units, V and A by 200. */
    private static ByteSink pairs(int a, int v, int second) {
        ByteSink table =
                new ByteSink().u16(1).u16(14).u16(X_ADVANCE).u16(second).u16(2);
        int size = second == 0 ? 6 : 8;
        table.u16(22).u16(22 + size).bytes(coverage(a, v));
        table.u16(1).u16(a < v ? v : a).u16(a < v ? -100 : -200);
        zero(table, second);
        table.u16(1).u16(a < v ? a : v).u16(a < v ? -200 : -100);
        return zero(table, second);
    }

    /** The same by classes: V is class 1 among first glyphs, A among second ones. */
    private static ByteSink classes(int a, int v, int second) {
        ByteSink table = new ByteSink().u16(2);
        int matrix = 4 * (second == 0 ? 2 : 4);
        table.u16(16 + matrix).u16(X_ADVANCE).u16(second).u16(16 + matrix + 8).u16(16 + matrix + 16);
        table.u16(2).u16(2);
        for (int value : new int[] {-100, 0, 0, -200}) {
            zero(table.u16(value), second);
        }
        table.bytes(coverage(a, v));
        return table.u16(1).u16(v).u16(1).u16(1).u16(1).u16(a).u16(1).u16(1);
    }

    private static ByteSink zero(ByteSink table, int second) {
        return second == 0 ? table : table.u16(0);
    }

    private static ByteSink coverage(int a, int v) {
        return new ByteSink().u16(1).u16(2).u16(Math.min(a, v)).u16(Math.max(a, v));
    }

    private static byte[] gpos(ByteSink subtable) {
        ByteSink gpos = new ByteSink().u32(0x00010000).u16(10).u16(30).u16(44);
        gpos.u16(1).tag("DFLT").u16(8).u16(4).u16(0).u16(0).u16(0xFFFF).u16(1).u16(0);
        gpos.u16(1).tag("kern").u16(8).u16(0).u16(1).u16(0);
        return gpos.u16(1).u16(4).u16(2).u16(0).u16(1).u16(8).bytes(subtable).toArray();
    }
}
