package app.unciala.font.testing;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;

/**
 * An OpenType table put together field by field, with tables that its offsets lead to. These follow it in the order of
 * their offsets, so that nobody has to count bytes.
 */
public final class BuiltTable {
    private final ByteSink fields = new ByteSink();
    /** The tables that offsets lead to, by the place of the offset. */
    private final TreeMap<Integer, BuiltTable> after = new TreeMap<>();

    private final List<Integer> long32 = new ArrayList<>();

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
        after.put(fields.size(), to);
        return u16(0);
    }

    /** A 32-bit offset, from the beginning of this table, to another. */
    public BuiltTable offset32(BuiltTable to) {
        after.put(fields.size(), to);
        long32.add(fields.size());
        return u32(0);
    }

    public byte[] toArray() {
        ByteSink written = new ByteSink().bytes(fields);
        after.forEach((at, table) -> {
            if (long32.contains(at)) {
                written.putU32(at, written.size());
            } else {
                written.putU16(at, written.size());
            }
            written.bytes(table.toArray());
        });
        return written.toArray();
    }

    public ByteView toView(String tag) {
        return ByteView.of(toArray(), tag);
    }
}
