package app.unciala.font.testing;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.util.IdentityHashMap;
import java.util.TreeMap;

/**
 * An OpenType table put together field by field, with tables that its offsets lead to. These follow it in the order of
 * their offsets, so that nobody has to count bytes.
 */
public final class BuiltTable {
    private final ByteSink fields = new ByteSink();
    /** The tables that offsets lead to, by the place of the offset. */
    private final TreeMap<Integer, Target> after = new TreeMap<>();

    /** What an offset of so many bytes leads to. */
    private record Target(int size, BuiltTable table) {}

    private BuiltTable() {}

    /** A table that begins with these 16-bit fields. */
    public static BuiltTable of(int... fields) {
        return new BuiltTable().u16(fields);
    }

    /** A table that begins with the version 1.0. */
    public static BuiltTable version1() {
        return of(1, 0);
    }

    /** {@code Coverage} of format 1. */
    public static BuiltTable coverage(int... glyphs) {
        return of(1, glyphs.length).u16(glyphs);
    }

    /** How many there are, and each of them. */
    public static BuiltTable list(int... values) {
        return of(values.length).u16(values);
    }

    /** A {@code Lookup} without flags, of one subtable. */
    public static BuiltTable lookup(int type, BuiltTable subtable) {
        return of(type, 0, 1).offset(subtable);
    }

    /** {@code GSUB} or {@code GPOS} of one feature of one lookup, for every script where {@code script} is DFLT. */
    public static BuiltTable layout(String script, String feature, BuiltTable lookup) {
        BuiltTable scripts = script.isEmpty()
                ? of(0)
                : of(1).tag(script).offset(of().offset(of(0, 0xFFFF, 1, 0)).u16(0));
        BuiltTable features = of(1).tag(feature).offset(of(0, 1, 0));
        return version1().offset(scripts).offset(features).offset(of(1).offset(lookup));
    }

    public BuiltTable u16(int... values) {
        for (int value : values) {
            fields.u16(value);
        }
        return this;
    }

    public BuiltTable u8(int... values) {
        for (int value : values) {
            fields.u8(value);
        }
        return this;
    }

    /** A 16.16 fixed-point number. */
    public BuiltTable fixed(double value) {
        return u32((int) (value * 65536));
    }

    public BuiltTable bytes(byte[] bytes) {
        fields.bytes(bytes);
        return this;
    }

    /** The bytes of a table here, instead of an offset to it. */
    public BuiltTable inline(BuiltTable table) {
        return bytes(table.toArray());
    }

    public BuiltTable u32(long value) {
        fields.u32(value);
        return this;
    }

    public BuiltTable tag(String tag) {
        fields.tag(tag);
        return this;
    }

    /** A 16-bit offset, from the beginning of this table, to another. */
    public BuiltTable offset(BuiltTable to) {
        return offset(2, to);
    }

    /** A 24-bit offset, from the beginning of this table, to another. */
    public BuiltTable offset24(BuiltTable to) {
        return offset(3, to);
    }

    /** A 32-bit offset, from the beginning of this table, to another. */
    public BuiltTable offset32(BuiltTable to) {
        return offset(4, to);
    }

    private BuiltTable offset(int size, BuiltTable to) {
        after.put(fields.size(), new Target(size, to));
        return bytes(new byte[size]);
    }

    /** A table that several offsets lead to is written once. */
    public byte[] toArray() {
        ByteSink written = new ByteSink().bytes(fields);
        IdentityHashMap<BuiltTable, Integer> places = new IdentityHashMap<>();
        after.forEach((at, target) -> {
            int place = places.computeIfAbsent(target.table(), table -> {
                int end = written.size();
                written.bytes(table.toArray());
                return end;
            });
            switch (target.size()) {
                case 2 -> written.putU16(at, place);
                case 3 -> written.putU24(at, place);
                default -> written.putU32(at, place);
            }
        });
        return written.toArray();
    }

    public ByteView toView(String tag) {
        return ByteView.of(toArray(), tag);
    }
}
