package app.unciala.font.table;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** {@code STAT} (OpenType 1.9): the values on the axes of a family that have names, in static faces too. */
public record StatTable(List<AxisValue> values) {
    /** One value on one axis, in the axis's own scale, and the number of its name in {@code name}. */
    public record AxisValue(String tag, double value, int nameId) {}

    public StatTable {
        values = List.copyOf(values);
    }

    public static Optional<StatTable> read(Sfnt face) {
        return face.table("STAT").map(StatTable::read);
    }

    private static StatTable read(ByteView table) {
        int axisSize = table.u16(4);
        int axisCount = table.u16(6);
        ByteView axes = table.from(table.offset32(8));
        ByteView offsets = table.from(table.offset32(14));
        List<AxisValue> values = new ArrayList<>();
        for (int i = 0; i < table.u16(12); i++) {
            ByteView value = offsets.from(offsets.u16(2 * i));
            switch (value.u16(0)) {
                // A plain value, the nominal one of a range, or one that another style is linked to.
                case 1, 2, 3 -> values.add(at(axes, axisSize, axisCount, value, 2, 8));
                case 4 -> {
                    for (int j = 0; j < value.u16(2); j++) {
                        values.add(at(axes, axisSize, axisCount, value, 8 + 6 * j, 10 + 6 * j));
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
        return new AxisValue(axes.tag(axisSize * axis), value.fixed(valueAt), value.u16(6));
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
