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
    private static final Set<Integer> READABLE = Set.of(0, 4, 6, 10, 12, 13);

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
            codePoints[i] =
                    codePoints[i] < 0x80 ? codePoints[i] : new String(code, NameTable.charset(1, 0)).codePointAt(0);
        }
    }

    private static Optional<Subtable> bestSubtable(ByteView table) {
        int count = table.u16(2);
        Subtable best = null;
        int bestRank = 0;
        for (int i = 0; i < count; i++) {
            int rank = rank(table.u16(4 + 8 * i), table.u16(6 + 8 * i));
            if (rank > bestRank) {
                ByteView subtable = table.from(table.offset32(8 + 8 * i));
                if (READABLE.contains(subtable.u16(0))) {
                    best = new Subtable(subtable, table.u16(4 + 8 * i) == 1);
                    bestRank = rank;
                }
            }
        }
        return Optional.ofNullable(best);
    }

    private static int rank(int platform, int encoding) {
        return switch (platform) {
            case 3 -> encoding == 10 ? 9 : encoding == 1 ? 7 : encoding == 0 ? 3 : 0;
            case 0 -> encoding == 4 || encoding == 6 ? 8 : encoding < 4 ? 6 : 0;
            case 1 -> encoding == 0 ? 1 : 0;
            default -> 0;
        };
    }

    private void fill(ByteView table, int numGlyphs) {
        int format = table.u16(0);
        switch (format) {
            case 0 -> {
                for (int code = 0; code < 256; code++) {
                    add(code, table.u8(6 + code), numGlyphs);
                }
            }
            case 4 -> fillFormat4(table, numGlyphs);
            case 6 -> fillTrimmed(table, table.u16(6), table.u16(8), 10, numGlyphs);
            case 10 -> fillTrimmed(table, table.i32(12), table.i32(16), 20, numGlyphs);
            case 12, 13 -> fillGroups(table, format == 12, numGlyphs);
            default -> throw new FontException("cmap", -1, "has a subtable of unknown format " + format);
        }
    }

    private void fillTrimmed(ByteView table, int first, int count, int at, int numGlyphs) {
        if (first < 0 || count < 0 || (long) first + count > LAST_CODE_POINT + 1L) {
            throw new FontException("cmap", at, "maps code points past U+10FFFF");
        }
        for (int i = 0; i < count; i++) {
            add(first + i, table.u16(at + 2 * i), numGlyphs);
        }
    }

    private void fillFormat4(ByteView table, int numGlyphs) {
        int segX2 = table.u16(6) & ~1;
        int endAt = 14;
        int startAt = endAt + segX2 + 2;
        int deltaAt = startAt + segX2;
        int rangeAt = deltaAt + segX2;
        int next = 0;
        for (int i = 0; i < segX2; i += 2) {
            int end = table.u16(endAt + i);
            int start = Math.max(table.u16(startAt + i), next);
            int first = table.u16(startAt + i);
            int delta = table.u16(deltaAt + i);
            int range = table.u16(rangeAt + i);
            for (int code = start; code <= end && code < 0xFFFF; code++) {
                int glyph;
                if (range == 0 || range == 0xFFFF) {
                    glyph = code + delta & 0xFFFF;
                } else {
                    int at = rangeAt + i + range + 2 * (code - first);
                    if (at + 2 > table.length()) {
                        break;
                    }
                    glyph = table.u16(at);
                    glyph = glyph == 0 ? 0 : glyph + delta & 0xFFFF;
                }
                add(code, glyph, numGlyphs);
            }
            next = Math.max(next, end + 1);
        }
    }

    private void fillGroups(ByteView table, boolean running, int numGlyphs) {
        long groups = table.u32(12);
        if (16 + groups * 12 > table.length()) {
            throw new FontException("cmap", 12, "says it has " + groups + " groups, more than fit in it");
        }
        long next = 0;
        for (int i = 0; i < groups; i++) {
            int at = 16 + 12 * i;
            long start = table.u32(at);
            long end = table.u32(at + 4);
            if (end > LAST_CODE_POINT || start > end) {
                throw new FontException("cmap", at, "has a group from " + start + " to " + end);
            }
            long glyph = table.u32(at + 8);
            for (long code = Math.max(start, next); code <= end; code++) {
                long drawn = running ? glyph + (code - start) : glyph;
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
