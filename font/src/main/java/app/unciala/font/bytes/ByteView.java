package app.unciala.font.bytes;

import app.unciala.font.FontException;
import java.nio.ByteBuffer;
import java.nio.IntBuffer;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Arrays;

/**
 * A read-only window on the bytes of a font, in which every read is checked against the window's bounds.
 *
 * <p>Numbers are big-endian, as everywhere in OpenType. Positions are in bytes from the start of the window. A read
 * outside the window throws {@link FontException} naming the table and the position.
 */
public final class ByteView {
    private final byte[] array;
    private final int start;
    private final int length;
    private final String table;

    private ByteView(byte[] array, int start, int length, String table) {
        this.array = array;
        this.start = start;
        this.length = length;
        this.table = table;
    }

    /** A window on the whole array, which must not be changed afterwards; {@code table} names it in errors. */
    public static ByteView of(byte[] array, String table) {
        return new ByteView(array, 0, array.length, table);
    }

    public int length() {
        return length;
    }

    /** The name by which errors call this window: a table tag, or the container. */
    public String table() {
        return table;
    }

    public int u8(int at) {
        check(at, 1);
        return array[start + at] & 0xFF;
    }

    public int u16(int at) {
        check(at, 2);
        int i = start + at;
        return (array[i] & 0xFF) << 8 | (array[i + 1] & 0xFF);
    }

    public int i16(int at) {
        return (short) u16(at);
    }

    public int u24(int at) {
        return u8(at) << 16 | u16(at + 1);
    }

    public long u32(int at) {
        return i32(at) & 0xFFFFFFFFL;
    }

    public int i32(int at) {
        check(at, 4);
        int i = start + at;
        return (array[i] & 0xFF) << 24
                | (array[i + 1] & 0xFF) << 16
                | (array[i + 2] & 0xFF) << 8
                | (array[i + 3] & 0xFF);
    }

    /** A 16.16 fixed-point number. */
    public double fixed(int at) {
        return i32(at) / 65536.0;
    }

    /** A 2.14 fixed-point number, in [-2, 2): a coordinate of the design space, or a scale. */
    public double f2dot14(int at) {
        return i16(at) / 16384.0;
    }

    /** {@code count} 16-bit numbers, one after the other. */
    public int[] u16s(int at, int count) {
        ByteView part = slice(at, 2 * count);
        int[] numbers = new int[count];
        for (int i = 0; i < count; i++) {
            numbers[i] = part.u16(2 * i);
        }
        return numbers;
    }

    /** A 32-bit offset or length that has to lie within this window. */
    public int offset32(int at) {
        long value = u32(at);
        if (value > length) {
            throw new FontException(table, at, "points to " + value + ", past its end at " + length);
        }
        return (int) value;
    }

    public String tag(int at) {
        check(at, 4);
        return new String(array, start + at, 4, StandardCharsets.ISO_8859_1);
    }

    public ByteView slice(int at, int size) {
        return slice(at, size, table);
    }

    public ByteView slice(int at, int size, String name) {
        check(at, size);
        return new ByteView(array, start + at, size, name);
    }

    public ByteView from(int at) {
        check(at, 0);
        return slice(at, length - at);
    }

    public byte[] toArray() {
        return Arrays.copyOfRange(array, start, start + length);
    }

    public String text(int at, int size, Charset charset) {
        check(at, size);
        return new String(array, start + at, size, charset);
    }

    public void copyTo(int at, byte[] target, int targetAt, int size) {
        check(at, size);
        System.arraycopy(array, start + at, target, targetAt, size);
    }

    public void digestInto(MessageDigest digest) {
        digest.update(array, start, length);
    }

    /** The OpenType table checksum: the sum of the 32-bit words, the last one padded with zeros. */
    public int checksum() {
        int sum = 0;
        int whole = length & ~3;
        IntBuffer words = ByteBuffer.wrap(array, start, whole).asIntBuffer();
        while (words.hasRemaining()) {
            sum += words.get();
        }
        int last = 0;
        for (int at = whole; at < length; at++) {
            last |= u8(at) << (24 - 8 * (at - whole));
        }
        return sum + last;
    }

    public boolean sameBytes(ByteView other) {
        return Arrays.equals(array, start, start + length, other.array, other.start, other.start + other.length);
    }

    private void check(int at, int size) {
        if (at < 0 || size < 0 || at > length - size) {
            throw tooShort(at, size);
        }
    }

    private FontException tooShort(int at, int size) {
        return new FontException(table, at, "needs " + size + " bytes here, but ends at " + length);
    }
}
