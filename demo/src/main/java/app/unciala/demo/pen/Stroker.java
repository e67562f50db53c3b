package app.unciala.demo.pen;

import app.unciala.demo.pen.Skeleton.Command;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;

/** Draws one skeleton with a nib, so that the ink, not the line, meets the guide lines. */
final class Stroker {
    private static final double[] GUIDES = {-210, 0, 500, 700, 740};
    private static final double SERIF = 62;
    /** Steps of a font unit. */
    private static final double GRID = 16;

    private final Skeleton skeleton;
    private final Style style;
    private final Nib nib;
    private final AffineTransform lean;
    /** All strokes turn the same way, so that none takes ink from another where they cross. */
    private final Path2D strokes = new Path2D.Double(Path2D.WIND_NON_ZERO);

    private final Area solid = new Area();
    private final List<double[]> ends = new ArrayList<>();
    private Path2D line = new Path2D.Double();
    private double x;
    private double y;

    private Stroker(Skeleton skeleton, Style style) {
        this.skeleton = skeleton;
        this.style = style;
        nib = style.nib();
        lean = AffineTransform.getShearInstance(style.lean(), 0);
    }

    /** The ink, with the left edge of its box at x = 0. */
    static Area draw(Skeleton skeleton, Style style) {
        return new Stroker(skeleton, style).run();
    }

    /** The width of the box of ink. */
    static double inkWidth(Skeleton skeleton, Style style) {
        return Math.max(
                skeleton.width() * style.stretch() + 0.35 * nibExcess(style),
                2 * style.nib().reachX());
    }

    /** Heavy letters are wider, since their counters must stay open. */
    private static double nibExcess(Style style) {
        return 2 * style.nib().reachX() - 80;
    }

    private Area run() {
        for (Command command : skeleton.commands()) {
            apply(command);
        }
        flush();
        if (style.serifs()) {
            addSerifs();
        }
        // One union of all strokes: adding them one by one would work out again what is already joined.
        Area ink = new Area(strokes);
        ink.add(solid);
        return ink;
    }

    private void apply(Command command) {
        double[] c = command.at();
        switch (command.verb()) {
            case 'M' -> {
                flush();
                start(c[0], c[1]);
            }
            case 'L' -> to(c[0], c[1]);
            case 'C' -> curve(c);
            case 'H' -> {
                double k = style.squareness();
                curve(x + k * (c[0] - x), y, c[0], c[1] - k * (c[1] - y), c[0], c[1]);
            }
            case 'V' -> {
                double k = style.squareness();
                curve(x, y + k * (c[1] - y), c[0] - k * (c[0] - x), c[1], c[0], c[1]);
            }
            case 'O' -> ellipse(c);
            case 'D' -> diagonal(c);
            case 'P' -> dot(c[0], c[1]);
            case 'B' -> ball(c[0], c[1], c[2]);
            default -> line.closePath();
        }
    }

    private void start(double toX, double toY) {
        x = toX;
        y = toY;
        line.moveTo(mapX(x), mapY(y));
        ends.add(new double[] {x, y, 0, 0});
    }

    private void to(double toX, double toY) {
        noteEnd(x, y, toX, toY);
        x = toX;
        y = toY;
        line.lineTo(mapX(x), mapY(y));
    }

    private void noteEnd(double fromX, double fromY, double toX, double toY) {
        boolean upright = Math.abs(toX - fromX) < 1 && Math.abs(toY - fromY) > 100;
        if (upright) {
            ends.add(new double[] {fromX, fromY, 1, 0});
            ends.add(new double[] {toX, toY, 1, 0});
        }
    }

    private void curve(double... c) {
        line.curveTo(mapX(c[0]), mapY(c[1]), mapX(c[2]), mapY(c[3]), mapX(c[4]), mapY(c[5]));
        x = c[4];
        y = c[5];
    }

    private void ellipse(double[] c) {
        flush();
        double k = style.squareness();
        double middleX = (c[0] + c[2]) / 2;
        double middleY = (c[1] + c[3]) / 2;
        x = middleX;
        y = c[1];
        line.moveTo(mapX(x), mapY(y));
        double[][] corners = {{c[2], middleY}, {middleX, c[3]}, {c[0], middleY}, {middleX, c[1]}};
        boolean level = true;
        for (double[] to : corners) {
            if (level) {
                curve(x + k * (to[0] - x), y, to[0], to[1] - k * (to[1] - y), to[0], to[1]);
            } else {
                curve(x, y + k * (to[1] - y), to[0] - k * (to[0] - x), to[1], to[0], to[1]);
            }
            level = !level;
        }
        line.closePath();
        flush();
    }

    private void diagonal(double[] c) {
        flush();
        ends.add(new double[] {c[0], c[1], 1, 1});
        ends.add(new double[] {c[2], c[3], 1, 1});
        if (nib.cut()) {
            Area area = nib.levelStroke(mapX(c[0]), c[1], mapX(c[2]), c[3]);
            solid.add(area.createTransformedArea(lean));
        } else {
            line.moveTo(mapX(c[0]), mapY(c[1]));
            line.lineTo(mapX(c[2]), mapY(c[3]));
            flush();
        }
    }

    private void dot(double atX, double lowest) {
        double rx = nib.reachX() * 1.16;
        double ry = nib.cut() ? Math.max(nib.reachY(), nib.reachX()) * 1.16 : nib.reachX() * 1.05;
        double middle = mapX(atX);
        double bottom = lowest < 1 ? lowest : lowest + 4;
        solid.add(new Area(
                        nib.cut()
                                ? new Rectangle2D.Double(middle - rx, bottom, 2 * rx, 2 * ry)
                                : new Ellipse2D.Double(middle - rx, bottom - 6, 2 * rx, 2 * ry))
                .createTransformedArea(lean));
    }

    private void ball(double atX, double atY, double radius) {
        double r = radius + 0.3 * nibExcess(style);
        solid.add(new Area(new Ellipse2D.Double(mapX(atX) - r, atY - r, 2 * r, 2 * r)).createTransformedArea(lean));
    }

    private void flush() {
        if (line.getCurrentPoint() != null) {
            stroke(line);
        }
        line = new Path2D.Double();
    }

    /** Adds a stroke, on a grid: curves that all but coincide would take seconds to unite. */
    private void stroke(Path2D path) {
        double[] c = new double[6];
        Shape outline = nib.stroke(lean.createTransformedShape(path));
        for (PathIterator at = outline.getPathIterator(null); !at.isDone(); at.next()) {
            int kind = at.currentSegment(c);
            for (int i = 0; i < c.length; i++) {
                c[i] = Math.rint(c[i] * GRID) / GRID;
            }
            switch (kind) {
                case PathIterator.SEG_MOVETO -> strokes.moveTo(c[0], c[1]);
                case PathIterator.SEG_LINETO -> strokes.lineTo(c[0], c[1]);
                case PathIterator.SEG_QUADTO -> strokes.quadTo(c[0], c[1], c[2], c[3]);
                case PathIterator.SEG_CUBICTO -> strokes.curveTo(c[0], c[1], c[2], c[3], c[4], c[5]);
                default -> strokes.closePath();
            }
        }
    }

    /** A serif wherever a stem or diagonal ends free on a guide line. */
    private void addSerifs() {
        for (double[] end : ends) {
            if (end[2] == 0 || !isGuide(end[1]) || touches(end) > 1) {
                continue;
            }
            double middle = mapX(end[0]);
            double at = mapY(end[1]);
            boolean flag = end[3] == 0 && (end[1] == 500 || end[1] == 740);
            Path2D serif = new Path2D.Double();
            serif.moveTo(middle - SERIF, flag ? at - 30 : at);
            serif.lineTo(flag ? middle : middle + SERIF, at);
            stroke(serif);
        }
    }

    private long touches(double[] end) {
        return ends.stream()
                .filter(other -> other[2] == 1 && Math.hypot(other[0] - end[0], other[1] - end[1]) < 30)
                .count();
    }

    private static boolean isGuide(double at) {
        for (double guide : GUIDES) {
            if (guide == at) {
                return true;
            }
        }
        return false;
    }

    private double mapX(double at) {
        double reach = nib.reachX();
        double inside = inkWidth(skeleton, style) - 2 * reach;
        return skeleton.width() == 0 ? reach : reach + at / skeleton.width() * inside;
    }

    /** Between two guide lines the line is pulled in, so that ink ends on them. */
    private double mapY(double at) {
        double reach = nib.reachY();
        double[] from = {-210, 0, 500, 700, 740};
        double[] to = {-210 + reach, reach, 500 - reach, 700 - reach, 740 - reach};
        if (at <= from[0]) {
            return at + reach;
        }
        for (int i = 1; i < from.length; i++) {
            if (at <= from[i]) {
                return to[i - 1] + (at - from[i - 1]) / (from[i] - from[i - 1]) * (to[i] - to[i - 1]);
            }
        }
        return at - reach;
    }
}
