package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.packing.Block;
import java.util.BitSet;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * A class definition table (OpenType 1.9, "Common table formats"): glyphs it does not name are in class 0. In one of an
 * unknown format all are, as shapers have it.
 */
public final class ClassDef {
    /** A class for each glyph from a first one on. */
    private static final int LISTED = 1;

    private static final int FIRST_GLYPH = 2;
    private static final int LISTED_COUNT = 4;
    private static final int CLASSES = 6;

    /** Ranges of glyphs: first, last, class. */
    private static final int RANGES = 2;

    private static final int RANGE_COUNT = 2;
    private static final int RANGE_RECORDS = 4;
    private static final int RANGE = 6;
    private static final int LAST = 2;
    private static final int CLASS = 4;

    private static final ByteView NONE = ByteView.of(new byte[] {0, RANGES, 0, 0}, "classes");

    private final ByteView table;
    private final int format;
    private final int count;

    private ClassDef(ByteView table) {
        this.table = table;
        format = table.u16(0);
        count = switch (format) {
            case LISTED -> table.u16(LISTED_COUNT);
            case RANGES -> table.u16(RANGE_COUNT);
            default -> 0;
        };
    }

    /** The classes whose offset stands at a byte of a table. */
    public static ClassDef named(ByteView parent, int at) {
        return of(parent, parent.u16(at));
    }

    /** The classes at an offset from the start of a table; where there are none, at offset 0, all glyphs are in class 0. */
    public static ClassDef of(ByteView parent, int offset) {
        return new ClassDef(offset == 0 ? NONE : parent.from(offset));
    }

    public int classOf(int glyph) {
        if (format == LISTED) {
            int place = glyph - table.u16(FIRST_GLYPH);
            return place >= 0 && place < count ? table.u16(CLASSES + 2 * place) : 0;
        }
        int low = 0;
        int high = count - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            int range = RANGE_RECORDS + RANGE * middle;
            if (glyph < table.u16(range)) {
                high = middle - 1;
            } else if (glyph > table.u16(range + LAST)) {
                low = middle + 1;
            } else {
                return table.u16(range + CLASS);
            }
        }
        return 0;
    }

    /** The glyphs among these that are in the class. */
    public BitSet members(int wanted, BitSet glyphs) {
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

    /** The classes of the kept glyphs by their new numbers, without class 0; {@code numbers} are the new ones of classes. */
    public SortedMap<Integer, Integer> renumbered(BitSet kept, GlyphMap map, int[] numbers) {
        SortedMap<Integer, Integer> renumbered = new TreeMap<>();
        kept.stream().forEach(glyph -> {
            int of = classOf(glyph);
            if (of < numbers.length && numbers[of] > 0) {
                renumbered.put(map.after(glyph), numbers[of]);
            }
        });
        return renumbered;
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
            return new Block().u16(RANGES).u16(0);
        }
        ranges.u16(first).u16(last).u16(of);
        int span = last - classes.firstKey() + 1;
        if (CLASSES + 2 * span < RANGE_RECORDS + RANGE * rangeCount) {
            Block listed = new Block().u16(LISTED).u16(classes.firstKey()).u16(span);
            for (int glyph = classes.firstKey(); glyph <= last; glyph++) {
                listed.u16(classes.getOrDefault(glyph, 0));
            }
            return listed;
        }
        return new Block().u16(RANGES).u16(rangeCount).bytes(ranges.toArray());
    }
}
