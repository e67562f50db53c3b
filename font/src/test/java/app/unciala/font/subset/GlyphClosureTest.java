package app.unciala.font.subset;

import static app.unciala.font.testing.BuiltTable.coverage;
import static app.unciala.font.testing.BuiltTable.layout;
import static app.unciala.font.testing.BuiltTable.list;
import static app.unciala.font.testing.BuiltTable.lookup;
import static app.unciala.font.testing.BuiltTable.of;
import static app.unciala.font.testing.BuiltTable.version1;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.testing.BuiltTable;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Closure over substitutions; glyph 5 is kept to begin with. */
class GlyphClosureTest {
    private static final int SINGLE = 1;
    private static final int MULTIPLE = 2;
    private static final int ALTERNATE = 3;
    private static final int LIGATURE = 4;
    private static final int EXTENSION = 7;
    private static final int REVERSE_CHAIN = 8;

    @Test
    void singleSubstitutionByDeltaAndByList() {
        assertThat(closure(lookup(SINGLE, byDelta(3, 5)))).isEqualTo(glyphs(0, 5, 8));
        assertThat(closure(lookup(SINGLE, byList(5, 20)))).isEqualTo(glyphs(0, 5, 20));
        assertThat(closure(lookup(SINGLE, byDelta(3, 6)))).isEqualTo(glyphs(0, 5));
    }

    @Test
    void sequencesAndAlternatesAreAllReached() {
        BuiltTable table = of(1).offset(coverage(5)).u16(1).offset(list(21, 22));
        assertThat(closure(lookup(MULTIPLE, table))).isEqualTo(glyphs(0, 5, 21, 22));
        assertThat(closure(lookup(ALTERNATE, table))).isEqualTo(glyphs(0, 5, 21, 22));
    }

    @Test
    void aLigatureNeedsAllItsParts() {
        // Glyphs 5 and 6, of two parts, to 30.
        BuiltTable ligatures = of(1).offset(of(30, 2, 6));
        BuiltTable table = of(1).offset(coverage(5)).u16(1).offset(ligatures);
        assertThat(closure(lookup(LIGATURE, table))).isEqualTo(glyphs(0, 5));
        assertThat(closure(lookup(LIGATURE, table), 5, 6)).isEqualTo(glyphs(0, 5, 6, 30));
    }

    @Test
    void whatIsReachedReachesMore() {
        assertThat(closure(lookup(SINGLE, byDelta(1, 5, 6, 7)))).isEqualTo(glyphs(0, 5, 6, 7, 8));
    }

    @Test
    void extensionsAndReverseChainsAreFollowed() {
        BuiltTable extension = of(1, SINGLE).offset32(byDelta(3, 5));
        assertThat(closure(lookup(EXTENSION, extension))).isEqualTo(glyphs(0, 5, 8));
        BuiltTable reverse = of(1).offset(coverage(5)).u16(0, 0, 1, 25);
        assertThat(closure(lookup(REVERSE_CHAIN, reverse))).isEqualTo(glyphs(0, 5, 25));
        BuiltTable loop = of(1, EXTENSION).u32(0);
        assertThatThrownBy(() -> closure(lookup(EXTENSION, loop))).isInstanceOf(FontException.class);
    }

    @Test
    void glyphsThatAreNotThereAreNotReached() {
        assertThat(closure(lookup(SINGLE, byList(5, 4000)))).isEqualTo(glyphs(0, 5));
    }

    /** Glyph 5 grows downwards to 20 and 21, or of the parts 22 and 23; glyph 20 grows sideways to 24. */
    @Test
    void mathematicsIsStretchedByVariantsAndParts() {
        BuiltTable assembly = of(0, 0, 2).u16(22, 0, 0, 500, 0).u16(23, 0, 0, 500, 1);
        BuiltTable down = of().offset(assembly).u16(2).u16(20, 900).u16(21, 1800);
        BuiltTable sideways = of(0, 1).u16(24, 900);
        BuiltTable variants = of(0).offset(coverage(5))
                .offset(coverage(20))
                .u16(1, 1)
                .offset(down)
                .offset(sideways);
        Sfnt face = face("MATH", version1().u16(0, 0).offset(variants));
        assertThat(GlyphClosure.of(face, glyphs(5), "none"::equals, true).all())
                .isEqualTo(glyphs(0, 5, 20, 21, 22, 23, 24));
        assertThat(GlyphClosure.of(face, glyphs(5), "none"::equals, false).all())
                .isEqualTo(glyphs(0, 5));
        assertThat(GlyphClosure.of(face("MATH", version1().u16(0, 0, 0)), glyphs(5), "none"::equals, true)
                        .all())
                .isEqualTo(glyphs(0, 5));
        Sfnt outside = face("MATH", version1().u16(0, 0, 900));
        assertThatThrownBy(() -> GlyphClosure.of(outside, glyphs(5), "none"::equals, true))
                .isInstanceOf(FontException.class);
    }

    private static BuiltTable byDelta(int delta, int... glyphs) {
        return of(1).offset(coverage(glyphs)).u16(delta);
    }

    private static BuiltTable byList(int glyph, int substitute) {
        return of(2).offset(coverage(glyph)).u16(1, substitute);
    }

    private static BitSet closure(BuiltTable lookup, int... kept) {
        Sfnt face = face("GSUB", layout("", "test", lookup));
        BitSet closed = GlyphClosure.of(face, kept.length == 0 ? glyphs(5) : glyphs(kept), "test"::equals, false)
                .all();
        assertThat(GlyphClosure.of(face, glyphs(5), "none"::equals, false).all())
                .isEqualTo(glyphs(0, 5));
        return closed;
    }

    /** A face of 50 glyphs with a table. */
    private static Sfnt face(String tag, BuiltTable table) {
        ByteView maxp = version1().u16(50).toView("maxp");
        return new Sfnt(Sfnt.TRUETYPE, Map.of("maxp", maxp, tag, table.toView(tag)), List.of());
    }

    private static BitSet glyphs(int... numbers) {
        BitSet set = new BitSet();
        for (int number : numbers) {
            set.set(number);
        }
        return set;
    }
}
