package app.unciala.font.variation;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.FvarTable;
import app.unciala.font.table.FvarTable.Axis;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * A location in the design space of a variable font: one coordinate for each axis, normalized to -1 at the axis's
 * minimum, 0 at its default and 1 at its maximum, and then mapped by {@code avar} (OpenType 1.9, "Coordinate scales and
 * normalization").
 */
public final class Location {
    /** Of {@code avar}: a segment map for each axis, each a count and pairs of coordinates, from and to. */
    private static final int AVAR_AXIS_COUNT = 6;

    private static final int SEGMENT_MAPS = 8;
    private static final int PAIRS = 2;
    private static final int PAIR = 4;
    private static final int TO = 2;

    private final double[] coordinates;

    private Location(double[] coordinates) {
        this.coordinates = coordinates;
    }

    /**
     * The location with these values, in the axes' own scales; an axis not named stands at its default.
     *
     * @throws FontException if the face is not variable, has no such axis, or the value lies outside the axis
     */
    public static Location of(Sfnt face, Map<String, Double> values) {
        List<Axis> axes = FvarTable.read(face)
                .orElseThrow(() -> new FontException("fvar", -1, "is missing: the face is not variable"))
                .axes();
        for (String tag : values.keySet()) {
            if (axes.stream().noneMatch(axis -> axis.tag().equals(tag))) {
                throw new FontException("fvar", -1, "has no axis " + tag);
            }
        }
        double[] coordinates = new double[axes.size()];
        for (int i = 0; i < coordinates.length; i++) {
            Axis axis = axes.get(i);
            double value = values.getOrDefault(axis.tag(), axis.defaultValue());
            if (!(value >= axis.min() && value <= axis.max())) {
                throw new FontException(
                        "fvar",
                        -1,
                        "has the axis " + axis.tag() + " from " + axis.min() + " to " + axis.max() + ", without "
                                + value);
            }
            coordinates[i] = normalized(axis, value);
        }
        face.table("avar").ifPresent(avar -> mapByAvar(avar, coordinates));
        return new Location(coordinates);
    }

    /** Coordinates that are normalized and mapped by {@code avar} already. */
    public static Location normalized(double... coordinates) {
        return new Location(coordinates.clone());
    }

    public int axisCount() {
        return coordinates.length;
    }

    public double coordinate(int axis) {
        return coordinates[axis];
    }

    /** Whether this is the default, at which all deltas are zero. */
    public boolean isDefault() {
        return Arrays.stream(coordinates).allMatch(coordinate -> coordinate == 0);
    }

    private static double normalized(Axis axis, double value) {
        double from = axis.defaultValue();
        double scale = value < from ? from - axis.min() : axis.max() - from;
        return value == from || scale <= 0 ? 0 : rounded((value - from) / scale);
    }

    /** Segment maps: piecewise linear, between pairs of coordinates. */
    private static void mapByAvar(ByteView avar, double[] coordinates) {
        int at = SEGMENT_MAPS;
        for (int axis = 0; axis < Math.min(avar.u16(AVAR_AXIS_COUNT), coordinates.length); axis++) {
            int count = avar.u16(at);
            for (int i = 1; i < count; i++) {
                int pair = at + PAIRS + PAIR * i;
                double from = avar.f2dot14(pair - PAIR);
                double to = avar.f2dot14(pair);
                if (coordinates[axis] >= from && coordinates[axis] <= to && to > from) {
                    double start = avar.f2dot14(pair - PAIR + TO);
                    double end = avar.f2dot14(pair + TO);
                    coordinates[axis] = rounded(start + (end - start) * (coordinates[axis] - from) / (to - from));
                    break;
                }
            }
            at += PAIRS + PAIR * count;
        }
    }

    /** Coordinates have 14 binary places. */
    private static double rounded(double coordinate) {
        return Math.rint(coordinate * 16384) / 16384;
    }

    /** How much the region from {@code start} over {@code peak} to {@code end} on one axis counts here, in [0, 1]. */
    public double scalar(int axis, double start, double peak, double end) {
        if (start > peak || peak > end || (start < 0 && end > 0 && peak != 0) || peak == 0) {
            return 1;
        }
        double coordinate = axis < coordinates.length ? coordinates[axis] : 0;
        if (coordinate == peak) {
            return 1;
        }
        if (coordinate <= start || coordinate >= end) {
            return 0;
        }
        return coordinate < peak ? (coordinate - start) / (peak - start) : (end - coordinate) / (end - peak);
    }
}
