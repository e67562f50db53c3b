package app.unciala.font.subset.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.ClassDef;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.Devices;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.layout.packing.Block;
import java.util.BitSet;
import java.util.SortedMap;
import org.jspecify.annotations.Nullable;

/** What a cut of layout tables keeps: {@code glyphs} that text can come to, by their old numbers, and what becomes of the rest. */
record Cut(BitSet glyphs, GlyphMap map, Devices devices, Work work) {
    /** The new coverage of kept glyphs, given by their old numbers. */
    Block coverage(BitSet kept) {
        BitSet renumbered = new BitSet();
        kept.stream().forEach(glyph -> renumbered.set(map.after(glyph)));
        return Coverage.write(renumbered);
    }

    /** The glyphs of a coverage that are kept. */
    BitSet covered(ByteView table, int at) {
        work.spend(1);
        return Coverage.of(table, table.u16(at), work).in(glyphs);
    }

    /** The coverage at an offset cut down, or none where there was none or nothing of it is left. */
    @Nullable
    Block cutCoverage(ByteView table, int offset) {
        if (offset == 0) {
            return null;
        }
        work.spend(1);
        BitSet kept = Coverage.of(table, offset, work).in(glyphs);
        return kept.isEmpty() ? null : coverage(kept);
    }

    /** The class definition at an offset, its classes with their old names, or none. */
    @Nullable
    Block cutClasses(ByteView table, int offset) {
        if (offset == 0) {
            return null;
        }
        ClassDef classes = ClassDef.of(table, offset);
        int[] same = new int[classes.classes(glyphs).length()];
        for (int i = 0; i < same.length; i++) {
            same[i] = i;
        }
        SortedMap<Integer, Integer> kept = classes.renamed(glyphs, map, same);
        return kept.isEmpty() ? null : ClassDef.write(kept);
    }

    /** New names for the classes that kept glyphs are in, closing the gaps; class 0 stays, and -1 means gone. */
    int[] classNames(ClassDef classes) {
        BitSet used = classes.classes(glyphs);
        used.set(0);
        work.spend(glyphs.cardinality());
        int[] names = new int[used.length()];
        java.util.Arrays.fill(names, -1);
        int next = 0;
        for (int of = used.nextSetBit(0); of >= 0; of = used.nextSetBit(of + 1)) {
            names[of] = next++;
        }
        return names;
    }

    /** The glyph's new number, or -1. */
    int after(int glyph) {
        return glyphs.get(glyph) ? map.after(glyph) : -1;
    }
}
