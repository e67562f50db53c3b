package app.unciala.font.testing;

/** The tables of axes: {@code fvar}, and {@code STAT}. */
public final class BuiltAxes {
    /** The number of the name of the first axis; those of the others follow it. */
    private static final int FIRST_NAME = 256;

    private static final int AXIS_RECORD = 20;
    private static final int STAT_AXIS_RECORD = 8;

    private BuiltAxes() {}

    /** An axis with its range, in its own scale. */
    public record Axis(String tag, double min, double usual, double max) {}

    /** {@code fvar} without named instances. */
    public static BuiltTable fvar(Axis... axes) {
        BuiltTable records = BuiltTable.of();
        for (int i = 0; i < axes.length; i++) {
            records.tag(axes[i].tag())
                    .fixed(axes[i].min())
                    .fixed(axes[i].usual())
                    .fixed(axes[i].max())
                    .u16(0, FIRST_NAME + i);
        }
        int instanceRecord = 4 + 4 * axes.length;
        return BuiltTable.version1().offset(records).u16(2, axes.length, AXIS_RECORD, 0, instanceRecord);
    }

    /** {@code STAT} of axes with values. */
    public static BuiltTable stat(String[] axes, BuiltTable... values) {
        BuiltTable records = BuiltTable.of();
        for (int i = 0; i < axes.length; i++) {
            records.tag(axes[i]).u16(FIRST_NAME + i, i);
        }
        BuiltTable offsets = BuiltTable.of();
        for (BuiltTable value : values) {
            offsets.offset(value);
        }
        return BuiltTable.of(1, 1, STAT_AXIS_RECORD, axes.length)
                .offset32(records)
                .u16(values.length)
                .offset32(offsets)
                .u16(2);
    }

    /** An axis value of format 1. */
    public static BuiltTable value(int axis, int nameId, double value) {
        return BuiltTable.of(1, axis, 0, nameId).fixed(value);
    }

    /** An axis value of format 4, on one axis. */
    public static BuiltTable combination(int axis, int nameId, double value) {
        return BuiltTable.of(4, 1, 0, nameId, axis).fixed(value);
    }
}
