package app.unciala.font.table;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** {@code STAT} (OpenType 1.9): the values on the axes of a family that have names, in static faces too. */
public record StatTable(List<AxisValue> values) {
    private static final int AXIS_SIZE = 4;
    private static final int AXIS_COUNT = 6;
    private static final int AXES_OFFSET = 8;
    private static final int VALUE_COUNT = 12;
    private static final int VALUE_OFFSETS = 14;

    /** Formats of axis values: a plain value, the nominal one of a range, one that another style is linked to. */
    private static final int VALUE = 1;

    private static final int RANGE = 2;
    private static final int LINKED = 3;
    /** A value on each of several axes, whose count stands where the others have their axis. */
    private static final int COMBINATION = 4;

    private static final int AXIS = 2;
    private static final int NAME_ID = 6;
    private static final int VALUE_OF_AXIS = 8;

    private static final int COMBINED_AXES = 8;
    /** An axis, then a value. */
    private static final int COMBINED_AXIS = 6;

    /** One value on one axis, in the axis's own scale, and the number of its name in {@code name}. */
    public record AxisValue(String tag, double value, int nameId) {}

    public StatTable {
        values = List.copyOf(values);
    }

    public static Optional<StatTable> read(Sfnt face) {
        return face.table("STAT").map(StatTable::read);
    }

    private static StatTable read(ByteView table) {
        int axisSize = table.u16(AXIS_SIZE);
        int axisCount = table.u16(AXIS_COUNT);
        ByteView axes = table.from(table.offset32(AXES_OFFSET));
        ByteView offsets = table.from(table.offset32(VALUE_OFFSETS));
        List<AxisValue> values = new ArrayList<>();
        for (int i = 0; i < table.u16(VALUE_COUNT); i++) {
            ByteView value = offsets.from(offsets.u16(2 * i));
            switch (value.u16(0)) {
                case VALUE, RANGE, LINKED -> values.add(at(axes, axisSize, axisCount, value, AXIS, VALUE_OF_AXIS));
                case COMBINATION -> {
                    for (int j = 0; j < value.u16(AXIS); j++) {
                        int axis = COMBINED_AXES + COMBINED_AXIS * j;
                        values.add(at(axes, axisSize, axisCount, value, axis, axis + 2));
                    }
                }
                // A later version of the table may bring other formats, which are passed over.
                default -> {}
            }
        }
        return new StatTable(values);
    }

    private static AxisValue at(ByteView axes, int axisSize, int axisCount, ByteView value, int indexAt, int valueAt) {
        int axis = value.u16(indexAt);
        if (axis >= axisCount) {
            throw new FontException("STAT", -1, "gives a value on axis " + axis + " of " + axisCount);
        }
        return new AxisValue(axes.tag(axisSize * axis), value.fixed(valueAt), value.u16(NAME_ID));
    }

    /** The value on an axis, where the face states exactly one: a static face that says where it stands. */
    public Optional<Double> single(String tag) {
        List<Double> stated = values.stream()
                .filter(value -> value.tag().equals(tag))
                .map(AxisValue::value)
                .distinct()
                .toList();
        return stated.size() == 1 ? Optional.of(stated.get(0)) : Optional.empty();
    }
}
