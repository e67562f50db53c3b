package app.unciala.font.layout;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/** A lookup table (OpenType 1.9, "Common table formats"): a list of subtables of one type, of which the first to match applies. */
public record Lookup(ByteView table) {
    private static final int TYPE = 0;
    private static final int FLAG = 2;
    private static final int SUBTABLE_COUNT = 4;
    private static final int SUBTABLE_OFFSETS = 6;

    private static final int USE_MARK_FILTERING_SET = 0x10;

    private static final int EXTENSION_TYPE = 2;
    private static final int EXTENSION_OFFSET = 4;

    /** One subtable, with an extension resolved. */
    public record Subtable(LookupType type, ByteView bytes) {}

    public int flag() {
        return table.u16(FLAG);
    }

    /** The number of the mark glyph set in GDEF whose marks alone are not passed over; nothing where the flag asks for none. */
    public OptionalInt markFilteringSet() {
        return (flag() & USE_MARK_FILTERING_SET) == 0
                ? OptionalInt.empty()
                : OptionalInt.of(table.u16(SUBTABLE_OFFSETS + 2 * table.u16(SUBTABLE_COUNT)));
    }

    public List<Subtable> subtables() {
        return IntStream.range(0, table.u16(SUBTABLE_COUNT))
                .mapToObj(this::subtable)
                .toList();
    }

    private Subtable subtable(int i) {
        LookupType type = LookupType.of(table.table(), table.u16(TYPE));
        ByteView bytes = table.from(table.u16(SUBTABLE_OFFSETS + 2 * i));
        if (type != LookupType.EXTENSION) {
            return new Subtable(type, bytes);
        }
        LookupType extended = LookupType.of(table.table(), bytes.u16(EXTENSION_TYPE));
        if (extended == LookupType.EXTENSION) {
            throw new FontException(table.table(), -1, "has an extension of an extension");
        }
        return new Subtable(extended, bytes.from(bytes.offset32(EXTENSION_OFFSET)));
    }
}
