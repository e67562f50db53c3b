package app.unciala.font.outline;

import app.unciala.font.FontException;
import java.util.Arrays;

/**
 * The points of one glyph in font units, contour by contour, as its outline table has them: on the curve, or off it as
 * the control point of a quadratic or a cubic one. One object serves for many glyphs, one after the other.
 */
public final class GlyphPoints {
    /** A point on the curve. */
    public static final byte ON = 0;
    /** A control point of a quadratic curve; between two of them lies a point on the curve that is left out. */
    public static final byte QUADRATIC = 1;
    /** A control point of a cubic curve; they come in pairs. */
    public static final byte CUBIC = 2;

    /** Points of contours that are there already, such as those read of a simple TrueType glyph. */
    public interface Source {
        int points();

        int contours();

        /** The index of a contour's last point. */
        int end(int contour);

        /** Adds the points to arrays that have room for them, from index {@code at} on. */
        void copyTo(double[] toX, double[] toY, byte[] kinds, int at);
    }

    private static final int MAX_POINTS = 1 << 18;

    private double[] xs = new double[128];
    private double[] ys = new double[128];
    private byte[] kinds = new byte[128];
    private int[] ends = new int[16];
    private int count;
    private int contours;
    private boolean whole = true;

    public void clear() {
        count = 0;
        contours = 0;
        whole = true;
    }

    /** Adds a point. A caller that adds fractions of a font unit calls {@link #markFractions} at the end. */
    public void add(double x, double y, byte kind) {
        if (count == xs.length) {
            makeRoom(count + 1);
        }
        xs[count] = x;
        ys[count] = y;
        kinds[count++] = kind;
    }

    /** Adds the contours of a glyph. */
    public void add(Source glyph) {
        makeRoom(count + glyph.points());
        glyph.copyTo(xs, ys, kinds, count);
        int first = count;
        for (int contour = 0; contour < glyph.contours(); contour++) {
            count = first + glyph.end(contour) + 1;
            endContour();
        }
    }

    /** Adds all contours of another glyph. */
    public void add(GlyphPoints other) {
        makeRoom(count + other.count);
        System.arraycopy(other.xs, 0, xs, count, other.count);
        System.arraycopy(other.ys, 0, ys, count, other.count);
        System.arraycopy(other.kinds, 0, kinds, count, other.count);
        int first = count;
        boolean bothWhole = whole && other.whole;
        for (int contour = 0; contour < other.contours; contour++) {
            count = first + other.ends[contour] + 1;
            endContour();
        }
        whole = bothWhole;
    }

    private void makeRoom(int needed) {
        if (needed > MAX_POINTS) {
            throw new FontException("glyf", -1, "has a glyph of more than " + MAX_POINTS + " points");
        }
        if (needed > xs.length) {
            int capacity = Math.max(needed, 2 * xs.length);
            xs = Arrays.copyOf(xs, capacity);
            ys = Arrays.copyOf(ys, capacity);
            kinds = Arrays.copyOf(kinds, capacity);
        }
    }

    /** Ends the contour with the point added last; a contour without points is not added. */
    public void endContour() {
        if (count == (contours == 0 ? 0 : ends[contours - 1] + 1)) {
            return;
        }
        if (contours == ends.length) {
            ends = Arrays.copyOf(ends, 2 * contours);
        }
        ends[contours++] = count - 1;
    }

    /** Finds out anew whether all coordinates are whole, after fractions had a part in them. */
    public void markFractions() {
        whole = true;
        for (int i = 0; i < count && whole; i++) {
            whole = xs[i] == (int) xs[i] && ys[i] == (int) ys[i];
        }
    }

    /** Whether all coordinates are whole font units. */
    public boolean isWhole() {
        return whole;
    }

    public int count() {
        return count;
    }

    public int contours() {
        return contours;
    }

    /** The index of a contour's last point. */
    public int end(int contour) {
        return ends[contour];
    }

    public double x(int point) {
        return xs[point];
    }

    public double y(int point) {
        return ys[point];
    }

    public byte kind(int point) {
        return kinds[point];
    }

    /** Applies the matrix (a b c d) to the points from {@code from} on. */
    public void transform(int from, double a, double b, double c, double d) {
        if (a == 1 && b == 0 && c == 0 && d == 1) {
            return;
        }
        for (int i = from; i < count; i++) {
            double x = xs[i];
            xs[i] = a * x + c * ys[i];
            ys[i] = b * x + d * ys[i];
            whole = whole && xs[i] == (int) xs[i] && ys[i] == (int) ys[i];
        }
    }

    public void move(int from, double dx, double dy) {
        whole = whole && dx == Math.rint(dx) && dy == Math.rint(dy);
        for (int i = from; i < count; i++) {
            xs[i] += dx;
            ys[i] += dy;
        }
    }

    /** The contours drawn with lines and curves. */
    Outline toOutline() {
        Outline out = new Outline();
        int first = 0;
        for (int i = 0; i < contours; i++) {
            contour(out, first, ends[i]);
            first = ends[i] + 1;
        }
        return out;
    }

    private void contour(Outline out, int first, int last) {
        int length = last - first + 1;
        int start = 0;
        while (start < length && kinds[first + start] != ON) {
            start++;
        }
        boolean isImplied = start == length;
        double x0 = isImplied ? (xs[first] + xs[last]) / 2 : xs[first + start];
        double y0 = isImplied ? (ys[first] + ys[last]) / 2 : ys[first + start];
        int from = isImplied ? 0 : start + 1;
        int steps = isImplied ? length : length - 1;
        out.moveTo(x0, y0);
        for (int step = 0; step < steps; step++) {
            int i = first + (from + step) % length;
            int next = first + (from + step + 1) % length;
            if (kinds[i] == ON) {
                out.lineTo(xs[i], ys[i]);
            } else if (kinds[i] == CUBIC) {
                boolean closes = step + 2 >= steps;
                int end = first + (from + step + 2) % length;
                out.curveTo(xs[i], ys[i], xs[next], ys[next], closes ? x0 : xs[end], closes ? y0 : ys[end]);
                step += 2;
            } else {
                boolean closes = step == steps - 1;
                boolean onNext = kinds[next] == ON;
                double x = closes ? x0 : onNext ? xs[next] : (xs[i] + xs[next]) / 2;
                double y = closes ? y0 : onNext ? ys[next] : (ys[i] + ys[next]) / 2;
                out.quadTo(xs[i], ys[i], x, y);
                if (!closes && onNext) {
                    step++;
                }
            }
        }
    }
}
