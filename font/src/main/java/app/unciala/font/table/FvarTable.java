package app.unciala.font.table;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** {@code fvar}: the axes of a variable font, and its named instances. */
public record FvarTable(List<Axis> axes, List<Instance> instances) {
    private static final int AXES_OFFSET = 4;
    private static final int AXIS_COUNT = 8;
    private static final int AXIS_SIZE = 10;
    private static final int INSTANCE_COUNT = 12;
    private static final int INSTANCE_SIZE = 14;

    /** Of an axis record, after its tag. */
    private static final int MIN = 4;

    private static final int DEFAULT = 8;
    private static final int MAX = 12;
    private static final int LEAST_AXIS_SIZE = 20;

    /** Of an instance record: the number of its name, flags, and a coordinate for each axis. */
    private static final int COORDINATES = 4;

    /** One axis with its range and default in the axis's own scale. */
    public record Axis(String tag, double min, double defaultValue, double max) {}

    /** A named instance: the number of its name in {@code name}, and its value on each axis. */
    public record Instance(int nameId, List<Double> coordinates) {
        public Instance {
            coordinates = List.copyOf(coordinates);
        }
    }

    public FvarTable {
        axes = List.copyOf(axes);
        instances = List.copyOf(instances);
    }

    public static Optional<FvarTable> read(Sfnt face) {
        return face.table("fvar").map(FvarTable::read);
    }

    private static FvarTable read(ByteView table) {
        int at = table.u16(AXES_OFFSET);
        int count = table.u16(AXIS_COUNT);
        int size = table.u16(AXIS_SIZE);
        if (size < LEAST_AXIS_SIZE) {
            throw new FontException(
                    "fvar", AXIS_SIZE, "has axis records of " + size + " bytes, not " + LEAST_AXIS_SIZE);
        }
        List<Axis> axes = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int record = at + size * i;
            axes.add(new Axis(
                    table.tag(record),
                    table.fixed(record + MIN),
                    table.fixed(record + DEFAULT),
                    table.fixed(record + MAX)));
        }
        return new FvarTable(axes, instances(table, at + size * count, count));
    }

    private static List<Instance> instances(ByteView table, int at, int axisCount) {
        int count = table.u16(INSTANCE_COUNT);
        int size = table.u16(INSTANCE_SIZE);
        if (count > 0 && size < COORDINATES + 4 * axisCount) {
            throw new FontException(
                    "fvar", INSTANCE_SIZE, "has instance records of " + size + " bytes for its " + axisCount + " axes");
        }
        List<Instance> instances = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            List<Double> coordinates = new ArrayList<>();
            for (int axis = 0; axis < axisCount; axis++) {
                coordinates.add(table.fixed(at + size * i + COORDINATES + 4 * axis));
            }
            instances.add(new Instance(table.u16(at + size * i), coordinates));
        }
        return instances;
    }

    public Optional<Axis> axis(String tag) {
        return axes.stream().filter(axis -> axis.tag().equals(tag)).findFirst();
    }
}
