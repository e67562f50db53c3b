package app.unciala.font.layout.position;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.Coverage;
import java.util.Optional;
import java.util.OptionalInt;

/** Adjustments of pairs that are listed glyph by glyph (OpenType 1.9, "GPOS", lookup type 2, format 1). */
public record GlyphPairs(ByteView table, Work work) {
    public static final int FORMAT = 1;

    private static final int COVERAGE = 2;
    private static final int FIRST_FORMAT = 4;
    private static final int SECOND_FORMAT = 6;
    private static final int SET_COUNT = 8;
    private static final int SET_OFFSETS = 10;

    public Coverage coverage() {
        return Coverage.named(table, COVERAGE, work);
    }

    /** Which values second glyphs have, by the bits of a value format. */
    public int secondFormat() {
        return table.u16(SECOND_FORMAT);
    }

    /** The pairs that begin with a covered glyph. */
    public Optional<PairSet> pairs(int coverageIndex) {
        return coverageIndex < table.u16(SET_COUNT)
                ? Optional.of(new PairSet(
                        table.from(table.u16(SET_OFFSETS + 2 * coverageIndex)),
                        table.u16(FIRST_FORMAT),
                        secondFormat()))
                : Optional.empty();
    }

    /** A pair set table: second glyphs in ascending order, each with the values of both glyphs. */
    public record PairSet(ByteView table, int firstFormat, int secondFormat) {
        private static final int PAIRS = 2;
        private static final int VALUES = 2;

        public int count() {
            return table.u16(0);
        }

        public int secondGlyph(int pair) {
            return table.u16(at(pair));
        }

        public ValueRecord first(int pair, Devices devices) {
            return ValueRecord.read(table, at(pair) + VALUES, firstFormat, devices);
        }

        public ValueRecord second(int pair, Devices devices) {
            return ValueRecord.read(table, at(pair) + VALUES + ValueRecord.size(firstFormat), secondFormat, devices);
        }

        private int at(int pair) {
            return PAIRS + pair * (VALUES + ValueRecord.size(firstFormat) + ValueRecord.size(secondFormat));
        }

        /** The place of a second glyph. */
        OptionalInt find(int glyph) {
            int low = 0;
            int high = count() - 1;
            while (low <= high) {
                int middle = (low + high) >>> 1;
                int found = secondGlyph(middle);
                if (found == glyph) {
                    return OptionalInt.of(middle);
                }
                if (found < glyph) {
                    low = middle + 1;
                } else {
                    high = middle - 1;
                }
            }
            return OptionalInt.empty();
        }
    }
}
