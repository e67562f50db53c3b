package app.unciala.font.table;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** {@code fvar}: the axes of a variable font, and its named instances. */
public record FvarTable(List<Axis> axes, List<Instance> instances) {
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
        int at = table.u16(4);
        int count = table.u16(8);
        int size = table.u16(10);
        if (size < 20) {
            throw new FontException("fvar", 10, "has axis records of " + size + " bytes, not 20");
        }
        List<Axis> axes = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int record = at + size * i;
            axes.add(new Axis(
                    table.tag(record), table.fixed(record + 4), table.fixed(record + 8), table.fixed(record + 12)));
        }
        return new FvarTable(axes, instances(table, at + size * count, count));
    }

    private static List<Instance> instances(ByteView table, int at, int axisCount) {
        int count = table.u16(12);
        int size = table.u16(14);
        if (count > 0 && size < 4 + 4 * axisCount) {
            throw new FontException(
                    "fvar", 14, "has instance records of " + size + " bytes for its " + axisCount + " axes");
        }
        List<Instance> instances = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            List<Double> coordinates = new ArrayList<>();
            for (int axis = 0; axis < axisCount; axis++) {
                coordinates.add(table.fixed(at + size * i + 4 + 4 * axis));
            }
            instances.add(new Instance(table.u16(at + size * i), coordinates));
        }
        return instances;
    }

    public Optional<Axis> axis(String tag) {
        return axes.stream().filter(axis -> axis.tag().equals(tag)).findFirst();
    }
}
