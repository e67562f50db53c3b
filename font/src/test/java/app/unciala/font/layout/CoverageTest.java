package app.unciala.font.layout;

import static app.unciala.font.testing.BuiltTable.coverage;
import static app.unciala.font.testing.BuiltTable.of;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.testing.BuiltTable;
import java.util.BitSet;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

class CoverageTest {
    @Test
    void glyphsAreFoundByListAndByRange() {
        assertThat(indexes(coverage(3, 5, 9))).isEqualTo(Map.of(3, 0, 5, 1, 9, 2));
        BuiltTable ranges = of(2, 2).u16(2, 4, 0).u16(8, 9, 3);
        assertThat(indexes(ranges)).isEqualTo(Map.of(2, 0, 3, 1, 4, 2, 8, 3, 9, 4));
    }

    /** A shaper's binary search looks at the middle first: it comes upon 3 and 9, and never upon 5. */
    @Test
    void glyphsOutOfOrderAreThoseThatASearchComesUpon() {
        assertThat(indexes(coverage(5, 3, 9))).isEqualTo(Map.of(3, 1, 9, 2));
        BuiltTable overlapping = of(2, 2).u16(2, 5, 0).u16(5, 6, 4);
        assertThat(indexes(overlapping)).isEqualTo(Map.of(2, 0, 3, 1, 4, 2, 5, 3, 6, 5));
    }

    @Test
    void nothingIsCoveredAndNothingClassedAtOffsetZero() {
        ByteView parent = ByteView.of(new byte[] {9, 9, 9, 9}, "GSUB");
        assertThat(Coverage.of(parent, 0, new Work("GSUB")).in(all()).isEmpty()).isTrue();
        assertThat(ClassDef.of(parent, 0).classes(all()).stream().toArray()).containsExactly(0);
    }

    /** Fonts are in use whose tables of classes are of a format that there is not; shapers pass over such tables. */
    @Test
    void nothingIsCoveredAndNothingClassedInAnUnknownFormat() {
        ByteView parent = of(0).offset(of(9, 1, 5)).toView("GSUB");
        assertThat(Coverage.named(parent, 2, new Work("GSUB")).in(all()).isEmpty())
                .isTrue();
        assertThat(ClassDef.named(parent, 2).classes(all()).stream().toArray()).containsExactly(0);
    }

    private static Map<Integer, Integer> indexes(BuiltTable coverage) {
        ByteView table = of().offset(coverage).toView("GSUB");
        Map<Integer, Integer> found = new TreeMap<>();
        Coverage.named(table, 0, new Work("GSUB")).forEach(all(), found::put);
        return found;
    }

    private static BitSet all() {
        BitSet all = new BitSet();
        all.set(0, 12);
        return all;
    }
}
