package app.unciala.core.font.cff;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;

/** An INDEX (Technical Note 5176, section 5): objects of any length, found by number; {@code end} is where it ends. */
record CffIndex(ByteView table, int count, int offSize, int offsetsAt, int dataAt, int end) {
    /** Of the original table, whose counts are 16 bits wide. */
    static CffIndex read(ByteView table, int at) {
        return read(table, at, 2, table.u16(at));
    }

    /** Of CFF2, whose counts are 32 bits wide. */
    static CffIndex readWide(ByteView table, int at) {
        return read(table, at, 4, table.offset32(at));
    }

    static CffIndex none(ByteView table) {
        return new CffIndex(table, 0, 1, 0, 0, 0);
    }

    private static CffIndex read(ByteView table, int start, int countSize, int count) {
        int at = start + countSize - 2;
        if (count == 0) {
            return new CffIndex(table, 0, 1, at + 2, at + 2, at + 2);
        }
        int offSize = table.u8(at + 2);
        if (offSize < 1 || offSize > 4) {
            throw new FontException(table.table(), at + 2, "has an INDEX with offsets of " + offSize + " bytes");
        }
        int dataAt = at + 3 + Math.multiplyExact(count + 1, offSize) - 1;
        CffIndex index = new CffIndex(table, count, offSize, at + 3, dataAt, 0);
        return new CffIndex(table, count, offSize, at + 3, dataAt, dataAt + index.offset(count));
    }

    ByteView get(int i) {
        if (i < 0 || i >= count) {
            throw new FontException(table.table(), offsetsAt, "asks for object " + i + " of an INDEX of " + count);
        }
        int from = offset(i);
        return table.slice(dataAt + from, offset(i + 1) - from);
    }

    private int offset(int i) {
        int at = offsetsAt + i * offSize;
        long value = 0;
        for (int j = 0; j < offSize; j++) {
            value = value << 8 | table.u8(at + j);
        }
        if (value < 1 || value > table.length()) {
            throw new FontException(table.table(), at, "has an INDEX whose object " + i + " begins outside it");
        }
        return (int) value;
    }
}
