package app.unciala.font.cff;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** An INDEX (Technical Note 5176, section 5): objects of any length, found by number. Not for several threads. */
public final class CffIndex {
    /** Numbers of subroutines from which operands take more bytes. */
    private static final int FEW = 1240;

    private static final int MANY = 33900;

    private final ByteView table;
    private final int count;
    private final int offSize;
    private final int offsetsAt;
    private final int dataAt;
    private final int end;
    /** Objects that were read before, as subroutines are called many times. */
    private @Nullable ByteView @Nullable [] known;

    private CffIndex(ByteView table, int count, int offSize, int offsetsAt, int dataAt, int end) {
        this.table = table;
        this.count = count;
        this.offSize = offSize;
        this.offsetsAt = offsetsAt;
        this.dataAt = dataAt;
        this.end = end;
    }

    /** Of the original table, whose counts are 16 bits wide. */
    static CffIndex read(ByteView table, int at) {
        return read(table, at, 2, table.u16(at));
    }

    /** Of CFF2, whose counts are 32 bits wide. */
    static CffIndex readLong(ByteView table, int at) {
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

    public ByteView table() {
        return table;
    }

    int count() {
        return count;
    }

    /** Where the INDEX ends in its table. */
    int end() {
        return end;
    }

    /** The number of the subroutine that an operand names (Technical Note 5177, section 4.7). */
    public int subroutine(int operand) {
        return operand + (count < FEW ? 107 : count < MANY ? 1131 : 32768);
    }

    /** The object, read once and kept. */
    ByteView cached(int i) {
        if (known == null) {
            known = new ByteView[count];
        }
        if (i < 0 || i >= count || known[i] == null) {
            ByteView object = get(i);
            known[i] = object;
            return object;
        }
        return known[i];
    }

    public ByteView get(int i) {
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

    /** The bytes of an INDEX, with a count of 32 bits as in CFF2, or of 16. */
    public static byte[] write(List<byte[]> objects, boolean longCount) {
        long size = 1;
        for (byte[] object : objects) {
            size += object.length;
        }
        int offSize = size < 1 << 8 ? 1 : size < 1 << 16 ? 2 : size < 1 << 24 ? 3 : 4;
        ByteSink out = new ByteSink((int) size + 16);
        if (longCount) {
            out.u32(objects.size());
        } else {
            out.u16(objects.size());
        }
        if (objects.isEmpty()) {
            return out.toArray();
        }
        out.u8(offSize);
        int offset = 1;
        for (int i = 0; i <= objects.size(); i++) {
            for (int shift = 8 * (offSize - 1); shift >= 0; shift -= 8) {
                out.u8(offset >> shift);
            }
            offset += i < objects.size() ? objects.get(i).length : 0;
        }
        objects.forEach(out::bytes);
        return out.toArray();
    }
}
