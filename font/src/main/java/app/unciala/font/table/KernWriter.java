package app.unciala.font.table;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.sfnt.SearchRange;

/** Writes {@code kern}, version 0, with subtables of format 0. */
public final class KernWriter {
    /** Bit 0 of the coverage: the pairs are for horizontal text. */
    public static final int HORIZONTAL = 1;

    private KernWriter() {}

    /** A subtable; {@code pairs} are left glyph, right glyph and value, in the order of the glyphs. */
    public static ByteSink subtable(int coverage, ByteSink pairs) {
        int count = pairs.size() / KernTable.Subtable.PAIR;
        ByteSink out = new ByteSink()
                .u16(0)
                .u16(KernTable.Subtable.PAIRS + pairs.size())
                .u16(coverage)
                .u16(count);
        return SearchRange.of(count, KernTable.Subtable.PAIR).writeTo(out).bytes(pairs);
    }

    /** The table of some subtables. */
    public static byte[] table(int count, ByteSink subtables) {
        return new ByteSink().u16(0).u16(count).bytes(subtables).toArray();
    }
}
