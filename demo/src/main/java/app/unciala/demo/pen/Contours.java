package app.unciala.demo.pen;

import app.unciala.font.glyf.SimpleGlyph;
import java.awt.geom.Area;
import java.awt.geom.PathIterator;
import java.util.ArrayList;
import java.util.List;

/** Turns an area into the contours of a TrueType glyph: whole font units, quadratic curves. */
final class Contours {
    private final List<List<int[]>> contours = new ArrayList<>();
    private List<int[]> current = new ArrayList<>();
    private double x;
    private double y;

    private Contours() {}

    static SimpleGlyph of(Area area) {
        Contours result = new Contours();
        double[] c = new double[6];
        for (PathIterator path = area.getPathIterator(null); !path.isDone(); path.next()) {
            switch (path.currentSegment(c)) {
                case PathIterator.SEG_MOVETO -> result.close();
                case PathIterator.SEG_LINETO -> result.point(c[0], c[1], true);
                case PathIterator.SEG_QUADTO -> {
                    result.point(c[0], c[1], false);
                    result.point(c[2], c[3], true);
                }
                case PathIterator.SEG_CUBICTO -> result.cubic(c, 2);
                default -> {
                    continue;
                }
            }
            if (path.currentSegment(c) == PathIterator.SEG_MOVETO) {
                result.point(c[0], c[1], true);
            }
        }
        result.close();
        return result.toGlyph();
    }

    /** Halves the curve {@code depth} times and takes the nearest quadratic of each piece. */
    private void cubic(double[] c, int depth) {
        double x0 = x;
        double y0 = y;
        if (depth == 0) {
            point((3 * (c[0] + c[2]) - x0 - c[4]) / 4, (3 * (c[1] + c[3]) - y0 - c[5]) / 4, false);
            point(c[4], c[5], true);
            return;
        }
        double abx = (x0 + c[0]) / 2;
        double aby = (y0 + c[1]) / 2;
        double bcx = (c[0] + c[2]) / 2;
        double bcy = (c[1] + c[3]) / 2;
        double cdx = (c[2] + c[4]) / 2;
        double cdy = (c[3] + c[5]) / 2;
        double abcx = (abx + bcx) / 2;
        double abcy = (aby + bcy) / 2;
        double bcdx = (bcx + cdx) / 2;
        double bcdy = (bcy + cdy) / 2;
        double[] second = {bcdx, bcdy, cdx, cdy, c[4], c[5]};
        cubic(new double[] {abx, aby, abcx, abcy, (abcx + bcdx) / 2, (abcy + bcdy) / 2}, depth - 1);
        cubic(second, depth - 1);
    }

    private void point(double toX, double toY, boolean onCurve) {
        if (onCurve) {
            x = toX;
            y = toY;
        }
        int[] point = {(int) Math.round(toX), (int) Math.round(toY), onCurve ? 1 : 0};
        if (!current.isEmpty()) {
            int[] last = current.get(current.size() - 1);
            if (last[0] == point[0] && last[1] == point[1]) {
                last[2] |= point[2];
                return;
            }
        }
        current.add(point);
    }

    private void close() {
        if (current.size() > 1) {
            int[] first = current.get(0);
            int[] last = current.get(current.size() - 1);
            if (first[0] == last[0] && first[1] == last[1]) {
                current.remove(current.size() - 1);
            }
        }
        if (current.size() > 2) {
            contours.add(current);
        }
        current = new ArrayList<>();
    }

    private SimpleGlyph toGlyph() {
        int count = contours.stream().mapToInt(List::size).sum();
        int[] ends = new int[contours.size()];
        boolean[] onCurve = new boolean[count];
        int[] xs = new int[count];
        int[] ys = new int[count];
        int at = 0;
        for (int i = 0; i < ends.length; i++) {
            for (int[] point : contours.get(i)) {
                xs[at] = point[0];
                ys[at] = point[1];
                onCurve[at++] = point[2] == 1;
            }
            ends[i] = at - 1;
        }
        return new SimpleGlyph(ends, onCurve, xs, ys, new byte[0], false);
    }
}
