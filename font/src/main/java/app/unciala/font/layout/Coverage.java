package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.packing.Block;
import java.util.BitSet;

/**
 * A coverage table (OpenType 1.9, "Common table formats"): glyphs and the number each has in its lookup. One of an unknown
 * format covers nothing, as shapers have it.
 */
public final class Coverage {
    /** The glyphs themselves, in order. */
    private static final int LISTED = 1;
    /** Ranges of glyphs: first, last, and the coverage index of the first. */
    private static final int RANGES = 2;

    private static final int COUNT = 2;
    private static final int ENTRIES = 4;
    private static final int RANGE = 6;
    private static final int LAST = 2;
    private static final int FIRST_INDEX = 4;

    private static final ByteView NONE = ByteView.of(new byte[] {0, LISTED, 0, 0}, "coverage");

    private final ByteView table;
    private final Work work;
    private final int format;
    private final int count;

    private Coverage(ByteView table, Work work) {
        this.table = table;
        this.work = work;
        format = table.u16(0);
        count = format == LISTED || format == RANGES ? table.u16(COUNT) : 0;
    }

    /** Takes a covered glyph and its coverage index. */
    public interface Visitor {
        void covered(int glyph, int index);
    }

    /** The coverage whose offset stands at a byte of a table. */
    public static Coverage named(ByteView parent, int at, Work work) {
        return of(parent, parent.u16(at), work);
    }

    /** The coverage at an offset from the start of a table; none, at offset 0, covers nothing. */
    public static Coverage of(ByteView parent, int offset, Work work) {
        return new Coverage(offset == 0 ? NONE : parent.from(offset), work);
    }

    /** Visits, in ascending order, the covered glyphs that are also among {@code glyphs}. */
    public void forEach(BitSet glyphs, Visitor visitor) {
        if (!isInOrder()) {
            asSearched(glyphs, visitor);
            return;
        }
        for (int i = 0; i < count; i++) {
            int first = first(i);
            int last = last(i);
            int index = index(i, 0);
            for (int glyph = glyphs.nextSetBit(first);
                    glyph >= 0 && glyph <= last;
                    glyph = glyphs.nextSetBit(glyph + 1)) {
                visitor.covered(glyph, index + glyph - first);
            }
        }
    }

    private boolean isInOrder() {
        int before = -1;
        for (int i = 0; i < count; i++) {
            if (first(i) <= before || last(i) < first(i)) {
                return false;
            }
            before = last(i);
        }
        return true;
    }

    /** Where glyphs are out of order or given twice, the index is the one that a shaper's binary search finds. */
    private void asSearched(BitSet glyphs, Visitor visitor) {
        work.spend(4L * glyphs.cardinality());
        glyphs.stream().forEach(glyph -> {
            int index = index(glyph);
            if (index >= 0) {
                visitor.covered(glyph, index);
            }
        });
    }

    boolean covers(int glyph) {
        return index(glyph) >= 0;
    }

    /** The coverage index of a glyph, or -1. */
    public int index(int glyph) {
        int low = 0;
        int high = count - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            if (glyph < first(middle)) {
                high = middle - 1;
            } else if (glyph > last(middle)) {
                low = middle + 1;
            } else {
                return index(middle, glyph - first(middle));
            }
        }
        return -1;
    }

    public BitSet in(BitSet glyphs) {
        BitSet covered = new BitSet();
        forEach(glyphs, (glyph, index) -> covered.set(glyph));
        return covered;
    }

    private int first(int entry) {
        return table.u16(ENTRIES + (format == LISTED ? 2 : RANGE) * entry);
    }

    private int last(int entry) {
        return format == LISTED ? first(entry) : table.u16(ENTRIES + RANGE * entry + LAST);
    }

    /** The coverage index of the glyph that is so many after the first of an entry. */
    private int index(int entry, int after) {
        return (format == LISTED ? entry : table.u16(ENTRIES + RANGE * entry + FIRST_INDEX)) + after;
    }

    /** Writes the shorter of the two formats for glyphs in ascending order. */
    public static Block write(BitSet glyphs) {
        int ranges = 0;
        for (int first = glyphs.nextSetBit(0); first >= 0; first = glyphs.nextSetBit(glyphs.nextClearBit(first))) {
            ranges++;
        }
        Block block = new Block();
        if (2 * glyphs.cardinality() <= RANGE * ranges) {
            block.u16(LISTED).u16(glyphs.cardinality());
            glyphs.stream().forEach(block::u16);
            return block;
        }
        block.u16(RANGES).u16(ranges);
        int index = 0;
        for (int first = glyphs.nextSetBit(0); first >= 0; ) {
            int end = glyphs.nextClearBit(first);
            block.u16(first).u16(end - 1).u16(index);
            index += end - first;
            first = glyphs.nextSetBit(end);
        }
        return block;
    }
}
