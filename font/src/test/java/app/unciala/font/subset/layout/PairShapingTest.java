package app.unciala.font.subset.layout;

import static app.unciala.font.testing.BuiltTable.coverage;
import static app.unciala.font.testing.BuiltTable.layout;
import static app.unciala.font.testing.BuiltTable.lookup;
import static app.unciala.font.testing.BuiltTable.of;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.font.testing.BuiltTable;
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
    private static final int PAIRS = 2;
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
    private static BuiltTable pairs(int a, int v, int second) {
        int first = Math.min(a, v);
        return of(1).offset(coverage(first, Math.max(a, v)))
                .u16(X_ADVANCE, second, 2)
                .offset(value(of(1, first == a ? v : a), first == a ? -100 : -200, second))
                .offset(value(of(1, first), first == a ? -200 : -100, second));
    }

    /** The same by classes: V is class 1 among first glyphs, A among second ones. */
    private static BuiltTable classes(int a, int v, int second) {
        BuiltTable table = of(2).offset(coverage(Math.min(a, v), Math.max(a, v)))
                .u16(X_ADVANCE, second)
                .offset(of(1, v, 1, 1))
                .offset(of(1, a, 1, 1))
                .u16(2, 2);
        for (int advance : new int[] {-100, 0, 0, -200}) {
            value(table, advance, second);
        }
        return table;
    }

    /** An advance, and 0 for the second glyph where that has a value. */
    private static BuiltTable value(BuiltTable table, int advance, int second) {
        return second == 0 ? table.u16(advance) : table.u16(advance, 0);
    }

    private static byte[] gpos(BuiltTable pairs) {
        return layout("DFLT", "kern", lookup(PAIRS, pairs)).toArray();
    }
}
