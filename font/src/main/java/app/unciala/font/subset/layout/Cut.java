package app.unciala.font.subset.layout;

import app.unciala.font.bytes.Work;
import app.unciala.font.layout.ClassDef;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.layout.packing.Block;
import app.unciala.font.layout.position.Devices;
import java.util.Arrays;
import java.util.BitSet;
import java.util.SortedMap;
import org.jspecify.annotations.Nullable;

/** A cut of layout tables: {@code glyphs} are those that text is set with, by their old numbers; {@code map} has the new ones. */
record Cut(BitSet glyphs, GlyphMap map, Devices devices, Work work) {
    /** The new coverage of kept glyphs, given by their old numbers. */
    Block coverage(BitSet kept) {
        BitSet renumbered = new BitSet();
        kept.stream().forEach(glyph -> renumbered.set(map.after(glyph)));
        return Coverage.write(renumbered);
    }

    /** The glyphs of a coverage that are kept. */
    BitSet covered(Coverage coverage) {
        work.spend(1);
        return coverage.in(glyphs);
    }

    /** A coverage cut down, or none where nothing of it is left. */
    @Nullable
    Block cutCoverage(Coverage coverage) {
        BitSet kept = covered(coverage);
        return kept.isEmpty() ? null : coverage(kept);
    }

    /** A class definition cut down, its classes under their old numbers, or none where nothing of it is left. */
    @Nullable
    Block cutClasses(ClassDef classes) {
        int[] same = new int[classes.classes(glyphs).length()];
        for (int i = 0; i < same.length; i++) {
            same[i] = i;
        }
        SortedMap<Integer, Integer> kept = classes.renumbered(glyphs, map, same);
        return kept.isEmpty() ? null : ClassDef.write(kept);
    }

    /** New numbers for the classes that kept glyphs are in, without gaps; class 0 stays, and -1 means gone. */
    int[] classNumbers(ClassDef classes) {
        BitSet used = classes.classes(glyphs);
        used.set(0);
        work.spend(glyphs.cardinality());
        int[] numbers = new int[used.length()];
        Arrays.fill(numbers, -1);
        int next = 0;
        for (int of = used.nextSetBit(0); of >= 0; of = used.nextSetBit(of + 1)) {
            numbers[of] = next++;
        }
        return numbers;
    }

    /** The glyph's new number, or -1 for one that is not kept, or is none. */
    int after(int glyph) {
        return glyph >= 0 && glyphs.get(glyph) ? map.after(glyph) : -1;
    }
}
