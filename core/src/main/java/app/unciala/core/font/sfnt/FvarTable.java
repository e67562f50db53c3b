package app.unciala.core.font.sfnt;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** {@code fvar}: the axes of a variable font. */
public record FvarTable(List<Axis> axes) {
    /** One axis with its range and default in the axis's own scale. */
    public record Axis(String tag, double min, double defaultValue, double max) {}

    public FvarTable {
        axes = List.copyOf(axes);
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
        return new FvarTable(axes);
    }

    public Optional<Axis> axis(String tag) {
        return axes.stream().filter(axis -> axis.tag().equals(tag)).findFirst();
    }
}
