package app.unciala.core.font.subset;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;
import app.unciala.core.font.sfnt.CompositeGlyph;
import app.unciala.core.font.sfnt.GlyfTable;
import app.unciala.core.font.sfnt.MaxpTable;
import app.unciala.core.font.sfnt.Sfnt;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;

/**
 * The glyphs that text in the kept characters can come to: those the character map gives, whatever GSUB can make of
 * them in any feature and context, and the parts of composites.
 */
final class GlyphClosure {
    private final Sfnt face;
    private final int numGlyphs;
    private final BitSet kept = new BitSet();

    private GlyphClosure(Sfnt face) {
        this.face = face;
        numGlyphs = MaxpTable.read(face).numGlyphs();
    }

    /** Glyph 0 is always kept; {@code mapped} are the glyphs of the kept characters. */
    static BitSet of(Sfnt face, BitSet mapped) {
        GlyphClosure closure = new GlyphClosure(face);
        closure.kept.or(mapped);
        closure.kept.set(0);
        face.table("GSUB").ifPresent(closure::substitutions);
        if (face.table("glyf").isPresent()) {
            closure.composites();
        }
        return closure.kept;
    }

    private void composites() {
        GlyfTable glyf = GlyfTable.read(face);
        Deque<Integer> open = new ArrayDeque<>();
        kept.stream().forEach(open::add);
        while (!open.isEmpty()) {
            ByteView bytes = glyf.glyph(open.remove());
            if (bytes.length() > 0 && bytes.i16(0) < 0) {
                for (CompositeGlyph.Component part :
                        CompositeGlyph.read(bytes, 10).components()) {
                    if (part.glyph() < numGlyphs && !kept.get(part.glyph())) {
                        kept.set(part.glyph());
                        open.add(part.glyph());
                    }
                }
            }
        }
    }

    /** Every lookup counts as active, so contextual ones need not be followed; until nothing new is reached. */
    private void substitutions(ByteView gsub) {
        ByteView lookups = gsub.from(gsub.u16(8));
        int before;
        do {
            before = kept.cardinality();
            for (int i = 0; i < lookups.u16(0); i++) {
                ByteView lookup = lookups.from(lookups.u16(2 + 2 * i));
                for (int j = 0; j < lookup.u16(4); j++) {
                    subtable(lookup.u16(0), lookup.from(lookup.u16(6 + 2 * j)));
                }
            }
        } while (kept.cardinality() > before);
    }

    private void subtable(int type, ByteView table) {
        switch (type) {
            case 1 -> single(table);
            case 2, 3 -> sequences(table);
            case 4 -> ligatures(table);
            case 7 -> extension(table);
            case 8 -> reverse(table);
            default -> {
                // Types 5 and 6 only say where other lookups apply.
            }
        }
    }

    private void extension(ByteView table) {
        int type = table.u16(2);
        if (type == 7) {
            throw new FontException("GSUB", -1, "extends an extension");
        }
        subtable(type, table.from(table.offset32(4)));
    }

    private void single(ByteView table) {
        int delta = table.i16(4);
        boolean listed = table.u16(0) == 2;
        Coverage.of(table.from(table.u16(2)))
                .forEach(kept, (glyph, index) -> add(listed ? table.u16(6 + 2 * index) : glyph + delta & 0xFFFF));
    }

    private void sequences(ByteView table) {
        Coverage.of(table.from(table.u16(2))).forEach(kept, (glyph, index) -> {
            ByteView sequence = table.from(table.u16(6 + 2 * index));
            for (int i = 0; i < sequence.u16(0); i++) {
                add(sequence.u16(2 + 2 * i));
            }
        });
    }

    private void ligatures(ByteView table) {
        Coverage.of(table.from(table.u16(2))).forEach(kept, (glyph, index) -> {
            ByteView set = table.from(table.u16(6 + 2 * index));
            for (int i = 0; i < set.u16(0); i++) {
                ByteView ligature = set.from(set.u16(2 + 2 * i));
                boolean all = true;
                for (int part = 1; part < ligature.u16(2) && all; part++) {
                    all = kept.get(ligature.u16(2 + 2 * part));
                }
                if (all) {
                    add(ligature.u16(0));
                }
            }
        });
    }

    private void reverse(ByteView table) {
        int backtrack = table.u16(4);
        int lookahead = table.u16(6 + 2 * backtrack);
        int substitutes = 8 + 2 * backtrack + 2 * lookahead;
        Coverage.of(table.from(table.u16(2)))
                .forEach(kept, (glyph, index) -> add(table.u16(substitutes + 2 + 2 * index)));
    }

    private void add(int glyph) {
        if (glyph < numGlyphs) {
            kept.set(glyph);
        }
    }
}
