package app.unciala.font.table;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Optional;
import java.util.Set;

/**
 * {@code cmap}: which glyph draws which code point. Reads subtable formats 0, 4, 6, 10, 12 and 13 of the best
 * Unicode subtable; a symbol font's code points are those of its private area.
 */
public final class CmapTable {
    private static final int LAST_CODE_POINT = 0x10FFFF;
    /** Formats: a byte for each code, segments, lists of 16 and of 32 bits, groups. */
    private static final int BYTES = 0;

    static final int SEGMENTS = 4;
    private static final int LIST = 6;
    private static final int LONG_LIST = 10;
    static final int GROUPS = 12;
    private static final int GROUPS_OF_ONE_GLYPH = 13;
    private static final Set<Integer> READABLE = Set.of(BYTES, SEGMENTS, LIST, LONG_LIST, GROUPS, GROUPS_OF_ONE_GLYPH);

    private static final int BYTES_AT = 6;
    /** In a list: the first code, how many follow, and their glyphs. */
    private static final int LIST_FIRST = 6;

    private static final int LIST_COUNT = 8;
    private static final int LIST_AT = 10;
    private static final int LONG_LIST_FIRST = 12;
    private static final int LONG_LIST_COUNT = 16;
    private static final int LONG_LIST_AT = 20;

    private int[] codePoints = new int[256];
    private int[] glyphs = new int[256];
    private int size;

    private CmapTable() {}

    public static CmapTable read(Sfnt face) {
        int numGlyphs = MaxpTable.read(face).numGlyphs();
        CmapTable map = new CmapTable();
        Optional<ByteView> table = face.table("cmap");
        if (table.isPresent()) {
            bestSubtable(table.get()).ifPresent(best -> {
                map.fill(best.table(), numGlyphs);
                if (best.isMacRoman()) {
                    map.fromMacRoman();
                }
            });
        }
        map.sort();
        return map;
    }

    /** The code points that have a glyph, ascending. */
    public int[] codePoints() {
        return Arrays.copyOf(codePoints, size);
    }

    /** The same as a set, which is the caller's to change. */
    public BitSet characters() {
        BitSet characters = new BitSet();
        for (int i = 0; i < size; i++) {
            characters.set(codePoints[i]);
        }
        return characters;
    }

    public int size() {
        return size;
    }

    /** The code point at a place in ascending order. */
    public int codePoint(int i) {
        return codePoints[i];
    }

    /** The glyph of the code point at a place in ascending order. */
    public int glyphAt(int i) {
        return glyphs[i];
    }

    /** The glyph for a code point, or 0 when there is none. */
    public int glyph(int codePoint) {
        int at = Arrays.binarySearch(codePoints, 0, size, codePoint);
        return at < 0 ? 0 : glyphs[at];
    }

    /** How many code points from {@code first} to {@code last} have a glyph. */
    public int count(int first, int last) {
        return position(last + 1) - position(first);
    }

    public boolean hasAny(int first, int last) {
        return count(first, last) > 0;
    }

    private int position(int codePoint) {
        int at = Arrays.binarySearch(codePoints, 0, size, codePoint);
        return at < 0 ? -at - 1 : at;
    }

    public boolean has(int codePoint) {
        return glyph(codePoint) != 0;
    }

    private record Subtable(ByteView table, boolean isMacRoman) {}

    /** Codes of the old Macintosh platform are those of its own character set. */
    private void fromMacRoman() {
        for (int i = 0; i < size; i++) {
            byte[] code = {(byte) codePoints[i]};
            codePoints[i] = codePoints[i] < 0x80
                    ? codePoints[i]
                    : new String(code, NameTable.charset(NameTable.MACINTOSH)).codePointAt(0);
        }
    }

    private static Optional<Subtable> bestSubtable(ByteView table) {
        CmapDirectory directory = new CmapDirectory(table);
        int count = directory.count();
        Subtable best = null;
        int bestRank = 0;
        for (int i = 0; i < count; i++) {
            int rank = rank(directory.platform(i), directory.encoding(i));
            if (rank > bestRank) {
                ByteView subtable = directory.subtable(i);
                if (READABLE.contains(subtable.u16(0))) {
                    best = new Subtable(subtable, directory.platform(i) == NameTable.MACINTOSH);
                    bestRank = rank;
                }
            }
        }
        return Optional.ofNullable(best);
    }

    /** All of Unicode before its Basic Multilingual Plane, that before symbols, and the old Macintosh platform last. */
    private static int rank(int platform, int encoding) {
        return switch (platform) {
            case NameTable.WINDOWS ->
                switch (encoding) {
                    case CmapDirectory.WINDOWS_FULL -> 9;
                    case CmapDirectory.WINDOWS_BMP -> 7;
                    case CmapDirectory.SYMBOL -> 3;
                    default -> 0;
                };
            case NameTable.UNICODE ->
                switch (encoding) {
                    case CmapDirectory.UNICODE_FULL, CmapDirectory.UNICODE_FULL_LAST_RESORT -> 8;
                    default -> encoding <= CmapDirectory.UNICODE_BMP ? 6 : 0;
                };
            case NameTable.MACINTOSH -> encoding == CmapDirectory.MAC_ROMAN ? 1 : 0;
            default -> 0;
        };
    }

    private void fill(ByteView table, int numGlyphs) {
        int format = table.u16(0);
        switch (format) {
            case BYTES -> {
                for (int code = 0; code < 256; code++) {
                    add(code, table.u8(BYTES_AT + code), numGlyphs);
                }
            }
            case SEGMENTS -> fillSegments(new CmapSegments(table), numGlyphs);
            case LIST -> fillList(table, table.u16(LIST_FIRST), table.u16(LIST_COUNT), LIST_AT, numGlyphs);
            case LONG_LIST ->
                fillList(table, table.i32(LONG_LIST_FIRST), table.i32(LONG_LIST_COUNT), LONG_LIST_AT, numGlyphs);
            case GROUPS, GROUPS_OF_ONE_GLYPH -> fillGroups(new CmapGroups(table), format == GROUPS, numGlyphs);
            default -> throw new FontException("cmap", -1, "has a subtable of unknown format " + format);
        }
    }

    private void fillList(ByteView table, int first, int count, int at, int numGlyphs) {
        if (first < 0 || count < 0 || (long) first + count > LAST_CODE_POINT + 1L) {
            throw new FontException("cmap", at, "maps code points past U+10FFFF");
        }
        for (int i = 0; i < count; i++) {
            add(first + i, table.u16(at + 2 * i), numGlyphs);
        }
    }

    private void fillSegments(CmapSegments segments, int numGlyphs) {
        int next = 0;
        for (int i = 0; i < segments.count(); i++) {
            int end = segments.end(i);
            int offset = segments.offset(i);
            // Old tools left 0xFFFF in the last segment, which draws nothing.
            boolean byDelta = offset == 0 || offset == 0xFFFF;
            for (int code = Math.max(segments.start(i), next); code <= end && code < 0xFFFF; code++) {
                int number = code;
                if (!byDelta) {
                    int at = segments.listedAt(i, offset, code);
                    if (at + 2 > segments.table().length()) {
                        break;
                    }
                    number = segments.table().u16(at);
                }
                add(code, !byDelta && number == 0 ? 0 : segments.shifted(number, i), numGlyphs);
            }
            next = Math.max(next, end + 1);
        }
    }

    private void fillGroups(CmapGroups groups, boolean rising, int numGlyphs) {
        long count = groups.count();
        if (CmapGroups.GROUPS + count * CmapGroups.GROUP > groups.table().length()) {
            throw new FontException("cmap", CmapGroups.COUNT, "says it has " + count + " groups, more than fit in it");
        }
        long next = 0;
        for (int i = 0; i < count; i++) {
            long start = groups.start(i);
            long end = groups.end(i);
            if (end > LAST_CODE_POINT || start > end) {
                throw new FontException(
                        "cmap", CmapGroups.GROUPS + CmapGroups.GROUP * i, "has a group from " + start + " to " + end);
            }
            long glyph = groups.glyph(i);
            for (long code = Math.max(start, next); code <= end; code++) {
                long drawn = rising ? glyph + (code - start) : glyph;
                add((int) code, (int) Math.min(drawn, Integer.MAX_VALUE), numGlyphs);
            }
            next = Math.max(next, end + 1);
        }
    }

    private void add(int codePoint, int glyph, int numGlyphs) {
        if (glyph <= 0 || glyph >= numGlyphs) {
            return;
        }
        if (size == codePoints.length) {
            codePoints = Arrays.copyOf(codePoints, size * 2);
            glyphs = Arrays.copyOf(glyphs, size * 2);
        }
        codePoints[size] = codePoint;
        glyphs[size++] = glyph;
    }

    /** Some fonts have segments that are not in order. A code point that is given twice keeps its first glyph. */
    private void sort() {
        boolean ordered = true;
        for (int i = 1; i < size && ordered; i++) {
            ordered = codePoints[i - 1] < codePoints[i];
        }
        if (ordered) {
            return;
        }
        long[] keys = new long[size];
        for (int i = 0; i < size; i++) {
            keys[i] = (long) codePoints[i] << 32 | i;
        }
        Arrays.sort(keys);
        int[] points = new int[size];
        int[] drawn = new int[size];
        int count = 0;
        for (long key : keys) {
            int from = (int) key;
            if (count == 0 || points[count - 1] != codePoints[from]) {
                points[count] = codePoints[from];
                drawn[count++] = glyphs[from];
            }
        }
        codePoints = points;
        glyphs = drawn;
        size = count;
    }
}
