package app.unciala.font.subset;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.cff.CffOutlines;
import app.unciala.font.color.ColorLayers;
import app.unciala.font.glyf.CompositeGlyph;
import app.unciala.font.glyf.GlyfTable;
import app.unciala.font.glyf.GlyphHeader;
import app.unciala.font.layout.closure.MathVariants;
import app.unciala.font.layout.closure.SubstitutionClosure;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.MaxpTable;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.function.IntConsumer;
import java.util.function.Predicate;

/**
 * The glyphs a subset needs. {@code inText} are those that text can come to: the glyphs of the characters and what
 * GSUB makes of them; {@code all} are these with the parts they are composed or layered of.
 */
record GlyphClosure(BitSet inText, BitSet all) {
    /**
     * Glyph 0 is always kept.
     *
     * @param mapped the glyphs of the kept characters
     * @param mathematics whether mathematics is set, so that glyphs are stretched by their variants
     */
    static GlyphClosure of(Sfnt face, BitSet mapped, Predicate<String> features, boolean mathematics) {
        int numGlyphs = MaxpTable.read(face).numGlyphs();
        BitSet inText = (BitSet) mapped.clone();
        inText.set(0);
        face.table("GSUB").ifPresent(gsub -> SubstitutionClosure.extend(inText, gsub, features, numGlyphs));
        if (mathematics) {
            face.table("MATH").map(MathVariants::of).ifPresent(math -> close(inText, numGlyphs, math::parts));
        }
        BitSet all = (BitSet) inText.clone();
        face.table("COLR").map(ColorLayers::read).ifPresent(layers -> close(all, numGlyphs, layers::parts));
        if (face.table("glyf").isPresent()) {
            GlyfTable glyf = GlyfTable.read(face);
            close(all, numGlyphs, (glyph, found) -> components(glyf.glyph(glyph), found));
        }
        face.table("CFF ")
                .map(CffOutlines::read)
                .ifPresent(cff -> close(all, numGlyphs, (glyph, found) -> {
                    for (int part : cff.parts(glyph)) {
                        found.accept(part);
                    }
                }));
        return new GlyphClosure(inText, all);
    }

    private interface Parts {
        void of(int glyph, IntConsumer found);
    }

    private static void close(BitSet glyphs, int numGlyphs, Parts parts) {
        Deque<Integer> open = new ArrayDeque<>();
        glyphs.stream().forEach(open::add);
        while (!open.isEmpty()) {
            parts.of(open.remove(), part -> {
                if (part < numGlyphs && !glyphs.get(part)) {
                    glyphs.set(part);
                    open.add(part);
                }
            });
        }
    }

    private static void components(ByteView bytes, IntConsumer found) {
        if (GlyphHeader.isComposite(bytes)) {
            CompositeGlyph.read(bytes, GlyphHeader.LENGTH).components().forEach(part -> found.accept(part.glyph()));
        }
    }
}
