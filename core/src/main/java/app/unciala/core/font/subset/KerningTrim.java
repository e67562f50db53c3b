package app.unciala.core.font.subset;

import app.unciala.core.font.ByteView;
import java.util.Arrays;
import java.util.BitSet;
import java.util.function.IntUnaryOperator;

/**
 * Fills with zeros what the pair adjustments of {@code GPOS} (lookup type 2) say of glyphs that are gone. The table
 * keeps its shape, so every offset stays true: an emptied pair set holds no pairs, an emptied class row moves nothing,
 * and both take next to no room once compressed. Bytes that several subtables share are emptied only when none of
 * them needs them.
 */
final class KerningTrim {
    private static final int PAIR = 2;
    private static final int EXTENSION = 9;

    private final ByteView gpos;
    private final byte[] bytes;
    private final BitSet kept;
    private final int numGlyphs;
    private final BitSet needed = new BitSet();
    private final BitSet idle = new BitSet();

    private KerningTrim(ByteView gpos, BitSet kept, int numGlyphs) {
        this.gpos = gpos;
        this.kept = kept;
        this.numGlyphs = numGlyphs;
        bytes = gpos.toArray();
    }

    static byte[] of(ByteView gpos, BitSet kept, int numGlyphs) {
        return new KerningTrim(gpos, kept, numGlyphs).run();
    }

    private byte[] run() {
        int lookups = gpos.u16(8);
        for (int i = 0; i < gpos.u16(lookups); i++) {
            int lookup = lookups + gpos.u16(lookups + 2 + 2 * i);
            for (int j = 0; j < gpos.u16(lookup + 4); j++) {
                int type = gpos.u16(lookup);
                int subtable = lookup + gpos.u16(lookup + 6 + 2 * j);
                if (type == EXTENSION) {
                    type = gpos.u16(subtable + 2);
                    subtable += gpos.offset32(subtable + 4);
                }
                if (type == PAIR) {
                    trim(subtable);
                }
            }
        }
        idle.andNot(needed);
        idle.stream().filter(at -> at < bytes.length).forEach(at -> bytes[at] = 0);
        return bytes;
    }

    private void trim(int at) {
        int pairSize = valueSize(gpos.u16(at + 4)) + valueSize(gpos.u16(at + 6));
        if (gpos.u16(at) == 1) {
            trimPairs(at, 2 + pairSize);
        } else if (gpos.u16(at) == 2) {
            trimClasses(at, pairSize);
        }
    }

    private void trimPairs(int at, int recordSize) {
        BitSet all = new BitSet();
        all.set(0, numGlyphs);
        int count = gpos.u16(at + 8);
        Coverage.of(gpos.from(at + gpos.u16(at + 2))).forEach(all, (glyph, index) -> {
            if (index < count) {
                int set = at + gpos.u16(at + 10 + 2 * index);
                mark(kept.get(glyph), set, 2 + gpos.u16(set) * recordSize);
            }
        });
    }

    private void trimClasses(int at, int pairSize) {
        int firstClasses = gpos.u16(at + 12);
        int secondClasses = gpos.u16(at + 14);
        BitSet firsts = new BitSet();
        IntUnaryOperator firstClass = classes(at + gpos.u16(at + 8));
        Coverage.of(gpos.from(at + gpos.u16(at + 2)))
                .forEach(kept, (glyph, index) -> firsts.set(firstClass.applyAsInt(glyph)));
        BitSet seconds = new BitSet();
        IntUnaryOperator secondClass = classes(at + gpos.u16(at + 10));
        kept.stream().forEach(glyph -> seconds.set(secondClass.applyAsInt(glyph)));
        for (int first = 0; first < firstClasses; first++) {
            for (int second = 0; second < secondClasses; second++) {
                boolean reached = firsts.get(first) && seconds.get(second);
                mark(reached, at + 16 + (first * secondClasses + second) * pairSize, pairSize);
            }
        }
    }

    /** A class definition table as a function from glyphs to classes; glyphs it does not name are in class 0. */
    private IntUnaryOperator classes(int at) {
        int[] classOf = new int[numGlyphs];
        if (gpos.u16(at) == 1) {
            int first = gpos.u16(at + 2);
            for (int i = 0; i < gpos.u16(at + 4) && first + i < numGlyphs; i++) {
                classOf[first + i] = gpos.u16(at + 6 + 2 * i);
            }
        } else {
            for (int i = 0; i < gpos.u16(at + 2); i++) {
                int record = at + 4 + 6 * i;
                int end = Math.min(gpos.u16(record + 2) + 1, numGlyphs);
                int start = Math.min(gpos.u16(record), end);
                Arrays.fill(classOf, start, end, gpos.u16(record + 4));
            }
        }
        return glyph -> classOf[glyph];
    }

    private void mark(boolean isNeeded, int at, int length) {
        (isNeeded ? needed : idle).set(at, at + length);
    }

    private static int valueSize(int format) {
        return 2 * Integer.bitCount(format & 0xFF);
    }
}
