package app.unciala.font.layout;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.packing.Block;
import java.util.BitSet;

/** A coverage table (OpenType 1.9, "Common table formats"): glyphs and the number each has in its lookup. */
public final class Coverage {
    private static final ByteView NONE = ByteView.of(new byte[] {0, 1, 0, 0}, "coverage");

    private final ByteView table;
    private final Work work;
    private final int format;
    private final int count;

    private Coverage(ByteView table, Work work) {
        this.table = table;
        this.work = work;
        format = table.u16(0);
        count = table.u16(2);
        if (format != 1 && format != 2) {
            throw new FontException(table.table(), -1, "has a coverage of unknown format " + format);
        }
    }

    /** Takes a covered glyph and its coverage index. */
    public interface Visitor {
        void covered(int glyph, int index);
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
            int index = format == 1 ? i : table.u16(8 + 6 * i);
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
                return format == 1 ? middle : table.u16(8 + 6 * middle) + glyph - first(middle);
            }
        }
        return -1;
    }

    public BitSet in(BitSet glyphs) {
        BitSet covered = new BitSet();
        forEach(glyphs, (glyph, index) -> covered.set(glyph));
        return covered;
    }

    private int first(int i) {
        return table.u16(format == 1 ? 4 + 2 * i : 4 + 6 * i);
    }

    private int last(int i) {
        return format == 1 ? first(i) : table.u16(6 + 6 * i);
    }

    /** Writes the shorter of the two formats for glyphs in ascending order. */
    public static Block write(BitSet glyphs) {
        int ranges = 0;
        for (int first = glyphs.nextSetBit(0); first >= 0; first = glyphs.nextSetBit(glyphs.nextClearBit(first))) {
            ranges++;
        }
        Block block = new Block();
        if (2 * glyphs.cardinality() <= 6 * ranges) {
            block.u16(1).u16(glyphs.cardinality());
            glyphs.stream().forEach(block::u16);
            return block;
        }
        block.u16(2).u16(ranges);
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
