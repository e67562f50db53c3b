package app.unciala.font.layout;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.packing.Block;
import java.util.BitSet;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/** A class definition table (OpenType 1.9, "Common table formats"): glyphs it does not name are in class 0. */
public final class ClassDef {
    private static final ByteView NONE = ByteView.of(new byte[] {0, 2, 0, 0}, "classes");

    private final ByteView table;
    private final int format;
    private final int count;

    private ClassDef(ByteView table) {
        this.table = table;
        format = table.u16(0);
        if (format != 1 && format != 2) {
            throw new FontException(table.table(), -1, "has classes in the unknown format " + format);
        }
        count = table.u16(format == 1 ? 4 : 2);
    }

    /** The classes at an offset from the start of a table; where there are none, at offset 0, all glyphs are in class 0. */
    public static ClassDef of(ByteView parent, int offset) {
        return new ClassDef(offset == 0 ? NONE : parent.from(offset));
    }

    public int classOf(int glyph) {
        if (format == 1) {
            int at = glyph - table.u16(2);
            return at >= 0 && at < count ? table.u16(6 + 2 * at) : 0;
        }
        int low = 0;
        int high = count - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            int record = 4 + 6 * middle;
            if (glyph < table.u16(record)) {
                high = middle - 1;
            } else if (glyph > table.u16(record + 2)) {
                low = middle + 1;
            } else {
                return table.u16(record + 4);
            }
        }
        return 0;
    }

    /** The glyphs among these that are in the class. */
    BitSet members(int wanted, BitSet glyphs) {
        BitSet members = new BitSet();
        glyphs.stream().filter(glyph -> classOf(glyph) == wanted).forEach(members::set);
        return members;
    }

    /** The classes that these glyphs are in. */
    public BitSet classes(BitSet glyphs) {
        BitSet classes = new BitSet();
        glyphs.stream().forEach(glyph -> classes.set(classOf(glyph)));
        return classes;
    }

    /** The classes of the kept glyphs by their new numbers, class 0 left out, each class renamed by {@code rename}. */
    public SortedMap<Integer, Integer> renamed(BitSet kept, GlyphMap map, int[] rename) {
        SortedMap<Integer, Integer> renamed = new TreeMap<>();
        kept.stream().forEach(glyph -> {
            int of = classOf(glyph);
            if (of < rename.length && rename[of] > 0) {
                renamed.put(map.after(glyph), rename[of]);
            }
        });
        return renamed;
    }

    /** Writes the shorter of the two formats for classes by glyph. */
    public static Block write(SortedMap<Integer, Integer> classes) {
        Block ranges = new Block();
        int rangeCount = 0;
        int first = -1;
        int last = -2;
        int of = 0;
        for (Map.Entry<Integer, Integer> entry : classes.entrySet()) {
            if (entry.getKey() != last + 1 || entry.getValue() != of) {
                if (rangeCount > 0) {
                    ranges.u16(first).u16(last).u16(of);
                }
                rangeCount++;
                first = entry.getKey();
                of = entry.getValue();
            }
            last = entry.getKey();
        }
        if (rangeCount == 0) {
            return new Block().u16(2).u16(0);
        }
        ranges.u16(first).u16(last).u16(of);
        int span = last - classes.firstKey() + 1;
        if (6 + 2 * span < 4 + 6 * rangeCount) {
            Block listed = new Block().u16(1).u16(classes.firstKey()).u16(span);
            for (int glyph = classes.firstKey(); glyph <= last; glyph++) {
                listed.u16(classes.getOrDefault(glyph, 0));
            }
            return listed;
        }
        return new Block().u16(2).u16(rangeCount).bytes(ranges.toArray());
    }
}
