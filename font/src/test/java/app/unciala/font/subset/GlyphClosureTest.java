package app.unciala.font.subset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Closure over substitutions, with GSUB lookups put together by hand; glyph 5 is kept to begin with. */
class GlyphClosureTest {
    @Test
    void singleSubstitutionByDeltaAndByList() {
        assertThat(closure(lookup(1, new ByteSink().u16(1).u16(6).u16(3).bytes(coverage(5)))))
                .isEqualTo(glyphs(0, 5, 8));
        assertThat(closure(lookup(1, new ByteSink().u16(2).u16(8).u16(1).u16(20).bytes(coverage(5)))))
                .isEqualTo(glyphs(0, 5, 20));
        assertThat(closure(lookup(1, new ByteSink().u16(1).u16(6).u16(3).bytes(coverage(6)))))
                .isEqualTo(glyphs(0, 5));
    }

    @Test
    void sequencesAndAlternatesAreAllReached() {
        ByteSink table = new ByteSink()
                .u16(1)
                .u16(14)
                .u16(1)
                .u16(8)
                .u16(2)
                .u16(21)
                .u16(22)
                .bytes(coverage(5));
        assertThat(closure(lookup(2, table))).isEqualTo(glyphs(0, 5, 21, 22));
        assertThat(closure(lookup(3, table))).isEqualTo(glyphs(0, 5, 21, 22));
    }

    @Test
    void aLigatureNeedsAllItsParts() {
        ByteSink table = new ByteSink().u16(1).u16(18).u16(1).u16(8);
        table.u16(1).u16(4).u16(30).u16(2).u16(6).bytes(coverage(5));
        assertThat(closure(lookup(4, table))).isEqualTo(glyphs(0, 5));
        assertThat(closure(lookup(4, table), 5, 6)).isEqualTo(glyphs(0, 5, 6, 30));
    }

    @Test
    void whatIsReachedReachesMore() {
        ByteSink first = lookup(1, new ByteSink().u16(1).u16(6).u16(1).bytes(coverage(5, 6, 7)));
        assertThat(closure(first)).isEqualTo(glyphs(0, 5, 6, 7, 8));
    }

    @Test
    void extensionsAndReverseChainsAreFollowed() {
        ByteSink extension =
                new ByteSink().u16(1).u16(1).u32(8).u16(1).u16(6).u16(3).bytes(coverage(5));
        assertThat(closure(lookup(7, extension))).isEqualTo(glyphs(0, 5, 8));
        ByteSink reverse =
                new ByteSink().u16(1).u16(12).u16(0).u16(0).u16(1).u16(25).bytes(coverage(5));
        assertThat(closure(lookup(8, reverse))).isEqualTo(glyphs(0, 5, 25));
        ByteSink loop = new ByteSink().u16(1).u16(7).u32(0);
        assertThatThrownBy(() -> closure(lookup(7, loop))).isInstanceOf(FontException.class);
    }

    @Test
    void glyphsThatAreNotThereAreNotReached() {
        assertThat(closure(
                        lookup(1, new ByteSink().u16(2).u16(8).u16(1).u16(4000).bytes(coverage(5)))))
                .isEqualTo(glyphs(0, 5));
    }

    @Test
    void mathematicsIsStretchedByVariantsAndParts() {
        // Glyph 5 grows downwards to 20 and 21, or of the parts 22 and 23; glyph 20 grows sideways to 24.
        ByteSink down = new ByteSink().u16(12).u16(2).u16(20).u16(900).u16(21).u16(1800);
        down.u32(0).u16(2);
        down.u16(22).u16(0).u16(0).u16(500).u16(0);
        down.u16(23).u16(0).u16(0).u16(500).u16(1);
        ByteSink sideways = new ByteSink().u16(0).u16(1).u16(24).u16(900);
        int first = 14 + 6 + 6;
        ByteSink variants = new ByteSink().u16(0).u16(14).u16(20).u16(1).u16(1).u16(first);
        variants.u16(first + down.size())
                .bytes(coverage(5))
                .bytes(coverage(20))
                .bytes(down)
                .bytes(sideways);
        ByteSink math = new ByteSink().u32(0x00010000).u16(0).u16(0).u16(10).bytes(variants);
        ByteSink maxp = new ByteSink().u32(0x00010000).u16(50);
        Sfnt face = new Sfnt(
                Sfnt.TRUETYPE,
                Map.of(
                        "maxp", ByteView.of(maxp.toArray(), "maxp"),
                        "MATH", ByteView.of(math.toArray(), "MATH")),
                List.of());
        assertThat(GlyphClosure.of(face, glyphs(5), "none"::equals, true).all())
                .isEqualTo(glyphs(0, 5, 20, 21, 22, 23, 24));
        assertThat(GlyphClosure.of(face, glyphs(5), "none"::equals, false).all())
                .isEqualTo(glyphs(0, 5));
        ByteSink none = new ByteSink().u32(0x00010000).u16(0).u16(0).u16(0);
        assertThat(GlyphClosure.of(face.with("MATH", none.toArray()), glyphs(5), "none"::equals, true)
                        .all())
                .isEqualTo(glyphs(0, 5));
        ByteSink outside = new ByteSink().u32(0x00010000).u16(0).u16(0).u16(900);
        assertThatThrownBy(() -> GlyphClosure.of(face.with("MATH", outside.toArray()), glyphs(5), "none"::equals, true))
                .isInstanceOf(FontException.class);
    }

    private static BitSet closure(ByteSink lookup, int... kept) {
        ByteSink gsub = new ByteSink().u32(0x00010000).u16(10).u16(12).u16(26);
        gsub.u16(0).u16(1).tag("test").u16(8).u16(0).u16(1).u16(0);
        gsub.u16(1).u16(4).bytes(lookup);
        Sfnt face = new Sfnt(
                Sfnt.TRUETYPE,
                Map.of(
                        "maxp",
                                ByteView.of(
                                        new ByteSink().u32(0x00010000).u16(50).toArray(), "maxp"),
                        "GSUB", ByteView.of(gsub.toArray(), "GSUB")),
                List.of());
        BitSet closed = GlyphClosure.of(face, kept.length == 0 ? glyphs(5) : glyphs(kept), "test"::equals, false)
                .all();
        assertThat(GlyphClosure.of(face, glyphs(5), "none"::equals, false).all())
                .isEqualTo(glyphs(0, 5));
        return closed;
    }

    private static ByteSink lookup(int type, ByteSink subtable) {
        return new ByteSink().u16(type).u16(0).u16(1).u16(8).bytes(subtable);
    }

    private static ByteSink coverage(int... glyphs) {
        ByteSink table = new ByteSink().u16(1).u16(glyphs.length);
        for (int glyph : glyphs) {
            table.u16(glyph);
        }
        return table;
    }

    private static BitSet glyphs(int... numbers) {
        BitSet set = new BitSet();
        for (int number : numbers) {
            set.set(number);
        }
        return set;
    }
}
