package app.unciala.font.bytes;

import java.util.Arrays;

/** A growing array of big-endian bytes. */
public final class ByteSink {
    private byte[] array;
    private int size;

    public ByteSink() {
        this(256);
    }

    public ByteSink(int capacity) {
        array = new byte[Math.max(16, capacity)];
    }

    /** Bytes that are all zero, for fields to be put at their places. */
    public static ByteSink zeros(int length) {
        return new ByteSink(length).bytes(new byte[length]);
    }

    public int size() {
        return size;
    }

    public ByteSink u8(int value) {
        room(1);
        array[size++] = (byte) value;
        return this;
    }

    public ByteSink u16(int value) {
        return u8(value >> 8).u8(value);
    }

    public ByteSink u24(int value) {
        return u8(value >> 16).u16(value);
    }

    public ByteSink u32(long value) {
        return u16((int) (value >> 16)).u16((int) value);
    }

    public ByteSink tag(String tag) {
        for (int i = 0; i < 4; i++) {
            u8(tag.charAt(i));
        }
        return this;
    }

    public ByteSink bytes(byte[] bytes) {
        return bytes(bytes, 0, bytes.length);
    }

    public ByteSink bytes(byte[] bytes, int from, int count) {
        room(count);
        System.arraycopy(bytes, from, array, size, count);
        size += count;
        return this;
    }

    public ByteSink bytes(ByteView view) {
        room(view.length());
        view.copyTo(0, array, size, view.length());
        size += view.length();
        return this;
    }

    public ByteSink bytes(ByteSink other) {
        return bytes(other.array, 0, other.size);
    }

    /** Zeros up to a multiple of four bytes. */
    public ByteSink pad4() {
        while (size % 4 != 0) {
            u8(0);
        }
        return this;
    }

    /** Forgets all bytes from {@code length} on. */
    public void truncate(int length) {
        size = Math.min(size, length);
    }

    public void putU24(int at, int value) {
        putU16(at, value >>> 8);
        array[at + 2] = (byte) value;
    }

    public void putU16(int at, int value) {
        array[at] = (byte) (value >> 8);
        array[at + 1] = (byte) value;
    }

    public void putU32(int at, int value) {
        putU16(at, value >>> 16);
        putU16(at + 2, value);
    }

    public byte[] toArray() {
        return Arrays.copyOf(array, size);
    }

    private void room(int more) {
        if (size + more > array.length) {
            array = Arrays.copyOf(array, Math.max(size + more, array.length + (array.length >> 1)));
        }
    }
}
