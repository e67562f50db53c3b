package app.unciala.font.instance;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.variation.GvarTable;
import app.unciala.font.variation.Location;
import app.unciala.font.variation.TupleVariations;

/** {@code gvar} (OpenType 1.9): how the points of each glyph move over the design space. */
final class GlyphVariations {
    private final GvarTable gvar;
    private final Location location;

    GlyphVariations(ByteView gvar, Location location) {
        this.gvar = new GvarTable(gvar);
        this.location = location;
        int axisCount = this.gvar.axisCount();
        if (axisCount != location.axisCount()) {
            throw new FontException(
                    "gvar", GvarTable.AXIS_COUNT, "varies on " + axisCount + " axes, not " + location.axisCount());
        }
    }

    /** What the points of a glyph gain at the location, in font units, not rounded. */
    record Deltas(double[] xs, double[] ys) {}

    /**
     * The deltas of a glyph's points, the four phantom points last.
     *
     * @param contourEnds the last point of each contour, between whose named points the others are interpolated; empty
     *     for a composite, whose points are the offsets of its components
     */
    Deltas deltas(int glyph, int[] xs, int[] ys, int[] contourEnds) {
        Deltas sum = new Deltas(new double[xs.length], new double[xs.length]);
        ByteView data = gvar.variations(glyph);
        if (data.length() == 0) {
            return sum;
        }
        TupleVariations tuples = new TupleVariations(data, 0, gvar.axisCount(), gvar.sharedTuples());
        tuples.forEach(location, xs.length, 2, (scalar, points, deltas) -> {
            add(sum.xs(), spread(points, deltas[0], xs, contourEnds), scalar);
            add(sum.ys(), spread(points, deltas[1], ys, contourEnds), scalar);
        });
        return sum;
    }

    private static void add(double[] sum, double[] more, double scalar) {
        for (int i = 0; i < sum.length; i++) {
            sum[i] += scalar * more[i];
        }
    }

    /** Deltas for all points: those named, and between them what "Inferred deltas for un-referenced points" says. */
    private static double[] spread(int[] points, int[] deltas, int[] coordinates, int[] contourEnds) {
        double[] all = new double[coordinates.length];
        boolean[] named = new boolean[coordinates.length];
        for (int i = 0; i < points.length; i++) {
            if (points[i] < all.length) {
                all[points[i]] = deltas[i];
                named[points[i]] = true;
            }
        }
        int first = 0;
        for (int end : contourEnds) {
            infer(all, named, coordinates, first, end);
            first = end + 1;
        }
        return all;
    }

    private static void infer(double[] deltas, boolean[] named, int[] coordinates, int first, int last) {
        int start = first;
        while (start <= last && !named[start]) {
            start++;
        }
        if (start > last) {
            return;
        }
        int before = start;
        int length = last - first + 1;
        for (int step = 1; step <= length; step++) {
            int point = first + (start - first + step) % length;
            if (named[point]) {
                for (int i = before; next(i, first, last) != point; ) {
                    i = next(i, first, last);
                    deltas[i] = between(
                            coordinates[i], coordinates[before], coordinates[point], deltas[before], deltas[point]);
                }
                before = point;
            }
        }
    }

    private static int next(int point, int first, int last) {
        return point == last ? first : point + 1;
    }

    private static double between(int at, int before, int after, double deltaBefore, double deltaAfter) {
        if (before == after) {
            return deltaBefore == deltaAfter ? deltaBefore : 0;
        }
        int low = Math.min(before, after);
        int high = Math.max(before, after);
        double deltaLow = before < after ? deltaBefore : deltaAfter;
        double deltaHigh = before < after ? deltaAfter : deltaBefore;
        if (at <= low) {
            return deltaLow;
        }
        if (at >= high) {
            return deltaHigh;
        }
        return deltaLow + (deltaHigh - deltaLow) * (at - low) / (high - low);
    }
}
