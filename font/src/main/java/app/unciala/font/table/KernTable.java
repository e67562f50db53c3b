package app.unciala.font.table;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** {@code kern} of version 0, with its subtables of format 0, the kind that is still read: pairs of glyphs with a value. */
public record KernTable(List<Subtable> subtables) {
    public static final int TABLE_COUNT = 2;
    public static final int SUBTABLES = 4;

    public KernTable {
        subtables = List.copyOf(subtables);
    }

    /** A subtable, from its header to the end of {@code kern}. */
    public record Subtable(ByteView bytes) {
        public static final int LENGTH = 2;
        /** The upper byte of the coverage. */
        public static final int FORMAT = 4;

        /** Where what all formats have ends. */
        public static final int HEADER = 6;

        public static final int COUNT = 6;
        public static final int ENTRY_SELECTOR = 10;
        /** Left glyph, right glyph, value. */
        public static final int PAIR = 6;

        static final int PAIRS = 14;

        private static final int COVERAGE = 4;

        private static final int RIGHT = 2;
        private static final int VALUE = 4;

        private boolean isListOfPairs() {
            return bytes.u8(FORMAT) == 0;
        }

        /** The length has 16 bits, which large tables overflow; the pairs say how long it is. */
        private int length() {
            return isListOfPairs() ? PAIRS + PAIR * count() : Math.max(PAIRS, bytes.u16(LENGTH));
        }

        /** The format in the upper byte, and what the pairs are for. */
        public int coverage() {
            return bytes.u16(COVERAGE);
        }

        public int count() {
            return bytes.u16(COUNT);
        }

        public int left(int pair) {
            return bytes.u16(PAIRS + PAIR * pair);
        }

        public int right(int pair) {
            return bytes.u16(PAIRS + PAIR * pair + RIGHT);
        }

        /** How much farther the right glyph stands, in font units. */
        public int value(int pair) {
            return bytes.i16(PAIRS + PAIR * pair + VALUE);
        }
    }

    /** The table, or nothing where there is none, or where it has another version. */
    public static Optional<KernTable> read(Sfnt face) {
        return face.table("kern").filter(kern -> kern.u16(0) == 0).map(KernTable::read);
    }

    private static KernTable read(ByteView kern) {
        List<Subtable> subtables = new ArrayList<>();
        int at = SUBTABLES;
        for (int i = 0; i < kern.u16(TABLE_COUNT) && at + Subtable.PAIRS <= kern.length(); i++) {
            Subtable subtable = new Subtable(kern.from(at));
            if (subtable.isListOfPairs()) {
                subtables.add(subtable);
            }
            at += subtable.length();
        }
        return new KernTable(subtables);
    }
}
