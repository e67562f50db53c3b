package app.unciala.font.variation;

import app.unciala.font.bytes.ByteView;
import java.util.Arrays;

/**
 * The tuple variations of one glyph in {@code gvar} or of all values in {@code cvar} (OpenType 1.9, "Tuple variation
 * store"): deltas for some of the points, each set for one region of the design space.
 */
public record TupleVariations(ByteView data, int at, int axisCount, ByteView sharedPeaks) {
    private static final int SHARED_POINTS = 0x8000;
    private static final int EMBEDDED_PEAK = 0x8000;
    private static final int INTERMEDIATE = 0x4000;
    private static final int PRIVATE_POINTS = 0x2000;
    private static final int COUNT = 0x0FFF;

    /** Of the store: how many tuples, and where their data begins. */
    private static final int DATA_OFFSET = 2;

    private static final int HEADERS = 4;
    /** Of the header of a tuple: how many bytes its data has, its index with flags, and peaks. */
    private static final int INDEX = 2;

    private static final int PEAKS = 4;

    /** Takes the deltas of some points, by direction, and how much they count. */
    public interface Visitor {
        void tuple(double scalar, int[] points, int[][] deltas);
    }

    /** Visits what counts at the location; each point has one delta for each of {@code directions}. */
    public void forEach(Location location, int pointCount, int directions, Visitor visitor) {
        int count = data.u16(at);
        PackedData packed = new PackedData(data, data.u16(at + DATA_OFFSET));
        int[] shared = new int[pointCount];
        if ((count & SHARED_POINTS) != 0) {
            shared = packed.points(pointCount);
        } else {
            Arrays.setAll(shared, i -> i);
        }
        int header = at + HEADERS;
        int serialized = packed.at();
        for (int i = 0; i < (count & COUNT); i++) {
            int index = data.u16(header + INDEX);
            double scalar = scalar(location, header, index);
            if (scalar != 0) {
                PackedData tuple = new PackedData(data, serialized);
                int[] points = (index & PRIVATE_POINTS) != 0 ? tuple.points(pointCount) : shared;
                int[][] deltas = new int[directions][];
                for (int direction = 0; direction < directions; direction++) {
                    deltas[direction] = tuple.deltas(points.length);
                }
                visitor.tuple(scalar, points, deltas);
            }
            serialized += data.u16(header);
            header += PEAKS + ((index & EMBEDDED_PEAK) != 0 ? 2 * axisCount : 0);
            header += (index & INTERMEDIATE) != 0 ? 4 * axisCount : 0;
        }
    }

    private double scalar(Location location, int header, int index) {
        boolean embedded = (index & EMBEDDED_PEAK) != 0;
        boolean intermediate = (index & INTERMEDIATE) != 0;
        ByteView peaks = embedded ? data : sharedPeaks;
        int peakAt = embedded ? header + PEAKS : 2 * axisCount * (index & COUNT);
        int startAt = header + PEAKS + (embedded ? 2 * axisCount : 0);
        double scalar = 1;
        for (int axis = 0; axis < axisCount && scalar != 0; axis++) {
            double peak = peaks.f2dot14(peakAt + 2 * axis);
            double start = intermediate ? data.f2dot14(startAt + 2 * axis) : Math.min(peak, 0);
            double end = intermediate ? data.f2dot14(startAt + 2 * (axisCount + axis)) : Math.max(peak, 0);
            scalar *= location.scalar(axis, start, peak, end);
        }
        return scalar;
    }
}
