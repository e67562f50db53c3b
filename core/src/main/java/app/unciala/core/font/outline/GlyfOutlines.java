package app.unciala.core.font.outline;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;
import app.unciala.core.font.sfnt.CompositeGlyph;
import app.unciala.core.font.sfnt.CompositeGlyph.Component;
import app.unciala.core.font.sfnt.GlyfTable;
import app.unciala.core.font.sfnt.Sfnt;
import app.unciala.core.font.sfnt.SimpleGlyph;
import java.util.Arrays;

/** TrueType outlines: quadratic curves, with composites resolved to their points. */
final class GlyfOutlines implements Outlines {
    private static final int MAX_DEPTH = 16;
    private static final int MAX_POINTS = 1 << 18;

    private final GlyfTable table;

    GlyfOutlines(Sfnt face) {
        table = GlyfTable.read(face);
    }

    @Override
    public int numGlyphs() {
        return table.numGlyphs();
    }

    @Override
    public Outline outline(int glyph) {
        Points points = new Points();
        collect(glyph, points, 0, new int[1]);
        return points.toOutline();
    }

    private void collect(int glyph, Points points, int depth, int[] visits) {
        if (depth > MAX_DEPTH || ++visits[0] > 4096) {
            throw new FontException("glyf", -1, "nests composites too deeply or too often at glyph " + glyph);
        }
        ByteView bytes = table.glyph(glyph);
        int contours = bytes.length() == 0 ? 0 : bytes.i16(0);
        if (contours > 0) {
            points.add(SimpleGlyph.read(bytes));
        } else if (contours < 0) {
            for (Component part : CompositeGlyph.read(bytes, 10).components()) {
                int from = points.count;
                collect(part.glyph(), points, depth + 1, visits);
                points.place(from, part);
            }
        }
    }

    /** Points gathered so far, with the end of each contour. */
    private static final class Points {
        private double[] xs = new double[64];
        private double[] ys = new double[64];
        private boolean[] onCurve = new boolean[64];
        private boolean[] ends = new boolean[64];
        private int count;

        void add(SimpleGlyph glyph) {
            int more = glyph.xs().length;
            if (count + more > MAX_POINTS) {
                throw new FontException("glyf", -1, "has a composite of more than " + MAX_POINTS + " points");
            }
            if (count + more > xs.length) {
                int capacity = Math.max(count + more, xs.length * 2);
                xs = Arrays.copyOf(xs, capacity);
                ys = Arrays.copyOf(ys, capacity);
                onCurve = Arrays.copyOf(onCurve, capacity);
                ends = Arrays.copyOf(ends, capacity);
            }
            for (int i = 0; i < more; i++) {
                xs[count + i] = glyph.xs()[i];
                ys[count + i] = glyph.ys()[i];
                onCurve[count + i] = glyph.onCurve()[i];
                ends[count + i] = false;
            }
            for (int end : glyph.contourEnds()) {
                if (end >= 0) {
                    ends[count + end] = true;
                }
            }
            count += more;
        }

        void place(int from, Component part) {
            double dx = part.dx();
            double dy = part.dy();
            if (part.scaledOffset()) {
                dx *= Math.hypot(part.a(), part.b());
                dy *= Math.hypot(part.c(), part.d());
            }
            for (int i = from; i < count; i++) {
                double x = xs[i];
                xs[i] = part.a() * x + part.c() * ys[i];
                ys[i] = part.b() * x + part.d() * ys[i];
            }
            if (part.byPoints()) {
                int anchor = part.dx();
                int moved = from + part.dy();
                if (anchor >= from || moved >= count) {
                    throw new FontException("glyf", -1, "joins a composite at a point that is not there");
                }
                dx = xs[anchor] - xs[moved];
                dy = ys[anchor] - ys[moved];
            }
            for (int i = from; i < count; i++) {
                xs[i] += dx;
                ys[i] += dy;
            }
        }

        Outline toOutline() {
            Outline out = new Outline();
            int first = 0;
            for (int i = 0; i < count; i++) {
                if (ends[i]) {
                    contour(out, first, i);
                    first = i + 1;
                }
            }
            return out;
        }

        /** Between two off-curve points lies an on-curve point that the file leaves out. */
        private void contour(Outline out, int first, int last) {
            int n = last - first + 1;
            int start = 0;
            while (start < n && !onCurve[first + start]) {
                start++;
            }
            double x0;
            double y0;
            if (start == n) {
                start = 0;
                x0 = (xs[first] + xs[last]) / 2;
                y0 = (ys[first] + ys[last]) / 2;
            } else {
                x0 = xs[first + start];
                y0 = ys[first + start];
                start++;
                n--;
            }
            out.moveTo(x0, y0);
            int length = last - first + 1;
            for (int step = 0; step < n; step++) {
                int i = first + (start + step) % length;
                if (onCurve[i]) {
                    out.lineTo(xs[i], ys[i]);
                    continue;
                }
                boolean isLast = step == n - 1;
                int next = first + (start + step + 1) % length;
                double x = isLast ? x0 : onCurve[next] ? xs[next] : (xs[i] + xs[next]) / 2;
                double y = isLast ? y0 : onCurve[next] ? ys[next] : (ys[i] + ys[next]) / 2;
                out.quadTo(xs[i], ys[i], x, y);
                if (!isLast && onCurve[next]) {
                    step++;
                }
            }
        }
    }
}
