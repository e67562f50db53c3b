package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.variation.Location;
import java.util.List;
import java.util.stream.IntStream;

/** A condition set table (OpenType 1.9, "Common table formats"): conditions that all have to hold. */
public record ConditionSet(ByteView table) {
    private static final int OFFSETS = 2;

    /** A condition table of format 1: a range on an axis, in normalized coordinates. */
    public record Condition(ByteView table) {
        private static final int AXIS_RANGE = 1;
        private static final int AXIS = 2;
        private static final int MIN = 4;
        private static final int MAX = 6;
        private static final int LENGTH = 8;

        /** A condition of a format that is not known never holds. */
        boolean holdsAt(Location location) {
            int axis = table.u16(AXIS);
            double coordinate = axis < location.axisCount() ? location.coordinate(axis) : 0;
            boolean within = coordinate >= table.f2dot14(MIN) && coordinate <= table.f2dot14(MAX);
            return table.u16(0) == AXIS_RANGE && within;
        }

        /** The bytes as they are written. */
        public ByteView bytes() {
            return table.slice(0, LENGTH);
        }
    }

    public List<Condition> conditions() {
        return IntStream.range(0, table.u16(0))
                .mapToObj(i -> new Condition(table.from(table.offset32(OFFSETS + 4 * i))))
                .toList();
    }

    boolean holdAt(Location location) {
        return conditions().stream().allMatch(condition -> condition.holdsAt(location));
    }
}
