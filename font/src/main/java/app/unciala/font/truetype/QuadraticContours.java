package app.unciala.font.truetype;

import app.unciala.font.glyf.SimpleGlyph;
import app.unciala.font.outline.Outline;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * Turns the contours of an outline into those of TrueType: points in whole font units, quadratic curves, the other way round,
 * as a TrueType contour has its inside at its right.
 *
 * <p>A cubic curve is divided into parts of equal parameter, each replaced by the quadratic curve with its ends and the
 * mean of the two control points that its ends alone would give. The distance between the two is at most √3/36 of the third
 * difference of the cubic's points, and an eighth of that with twice the parts; so the number of parts follows from the
 * tolerance.
 */
final class QuadraticContours implements Outline.Visitor {
    private static final double DISTANCE = Math.sqrt(3) / 36;
    private static final int MOST_PARTS = 32;

    private final double tolerance;
    private final List<List<Point>> contours = new ArrayList<>();
    private List<Point> contour = new ArrayList<>();
    private double x;
    private double y;

    private QuadraticContours(double tolerance) {
        this.tolerance = tolerance;
    }

    private record Point(int x, int y, boolean onCurve) {
        static Point of(double x, double y, boolean onCurve) {
            return new Point((int) Math.rint(x), (int) Math.rint(y), onCurve);
        }

        /** Whether it is halfway between two others, which TrueType does not need to be told. */
        boolean isHalfway(Point one, Point other) {
            return 2 * x == one.x + other.x && 2 * y == one.y + other.y;
        }
    }

    /**
     * The glyph with the contours of an outline; contours of fewer than two points are left out.
     *
     * @param tolerance how far curves may be from the outline's before points are rounded, in font units
     */
    static SimpleGlyph of(Outline outline, double tolerance) {
        QuadraticContours all = new QuadraticContours(tolerance);
        outline.visit(all);
        all.close();
        return all.glyph();
    }

    @Override
    public void moveTo(double toX, double toY) {
        close();
        contour.add(Point.of(toX, toY, true));
        x = toX;
        y = toY;
    }

    @Override
    public void lineTo(double toX, double toY) {
        on(toX, toY);
    }

    @Override
    public void quadTo(double cx, double cy, double toX, double toY) {
        contour.add(Point.of(cx, cy, false));
        on(toX, toY);
    }

    @Override
    public void curveTo(double c1x, double c1y, double c2x, double c2y, double toX, double toY) {
        double[] xs = {x, c1x, c2x, toX};
        double[] ys = {y, c1y, c2y, toY};
        double apart = DISTANCE * Math.hypot(thirdDifference(xs), thirdDifference(ys));
        int parts = Math.max(1, Math.min(MOST_PARTS, (int) Math.ceil(Math.cbrt(apart / tolerance))));
        for (int part = 0; part < parts; part++) {
            double from = (double) part / parts;
            double to = (part + 1.0) / parts;
            contour.add(Point.of(control(xs, from, to), control(ys, from, to), false));
            on(at(xs, to), at(ys, to));
        }
    }

    private void on(double toX, double toY) {
        contour.add(Point.of(toX, toY, true));
        x = toX;
        y = toY;
    }

    private static double thirdDifference(double[] p) {
        return p[3] - 3 * p[2] + 3 * p[1] - p[0];
    }

    private static double at(double[] p, double t) {
        double s = 1 - t;
        return s * s * s * p[0] + 3 * s * s * t * p[1] + 3 * s * t * t * p[2] + t * t * t * p[3];
    }

    private static double slope(double[] p, double t) {
        double s = 1 - t;
        return 3 * (s * s * (p[1] - p[0]) + 2 * s * t * (p[2] - p[1]) + t * t * (p[3] - p[2]));
    }

    /** The mean of the points where the tangents at both ends of a part would be halfway. */
    private static double control(double[] p, double from, double to) {
        double half = (to - from) / 4;
        return (at(p, from) + at(p, to)) / 2 + half * (slope(p, from) - slope(p, to));
    }

    private void close() {
        List<Point> points = simplified(contour);
        if (points.size() > 1) {
            // The first point stays the first.
            Collections.reverse(points.subList(1, points.size()));
            contours.add(points);
        }
        contour = new ArrayList<>();
    }

    /** Without points that repeat the one before, the end where it is the start again, and points that are halfway anyway. */
    private static List<Point> simplified(List<Point> contour) {
        List<Point> distinct = new ArrayList<>();
        for (Point point : contour) {
            if (distinct.isEmpty() || !isRepeated(distinct.get(distinct.size() - 1), point)) {
                distinct.add(point);
            }
        }
        while (distinct.size() > 1 && distinct.get(distinct.size() - 1).equals(distinct.get(0))) {
            distinct.remove(distinct.size() - 1);
        }
        List<Point> kept = new ArrayList<>();
        for (int i = 0; i < distinct.size(); i++) {
            Point before = distinct.get((i + distinct.size() - 1) % distinct.size());
            Point after = distinct.get((i + 1) % distinct.size());
            Point point = distinct.get(i);
            boolean isImplied =
                    i > 0 && point.onCurve() && !before.onCurve() && !after.onCurve() && point.isHalfway(before, after);
            if (!isImplied) {
                kept.add(point);
            }
        }
        return kept;
    }

    private static boolean isRepeated(Point before, Point point) {
        return before.onCurve() && before.equals(point);
    }

    private SimpleGlyph glyph() {
        int count = contours.stream().mapToInt(List::size).sum();
        int[] ends = new int[contours.size()];
        boolean[] onCurve = new boolean[count];
        int[] xs = new int[count];
        int[] ys = new int[count];
        int at = 0;
        for (int i = 0; i < ends.length; i++) {
            for (Point point : contours.get(i)) {
                onCurve[at] = point.onCurve();
                xs[at] = point.x();
                ys[at++] = point.y();
            }
            ends[i] = at - 1;
        }
        return new SimpleGlyph(ends, onCurve, xs, ys, new byte[0], false);
    }
}
