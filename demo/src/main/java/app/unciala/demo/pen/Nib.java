package app.unciala.demo.pen;

import java.awt.BasicStroke;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.awt.geom.Path2D;

/**
 * A pen with an elliptical nib: {@code width} and {@code thickness} in font units, held at an angle in degrees. A
 * {@code cut} nib ends its strokes square and its diagonals level, as a drawn sans serif does; otherwise strokes end
 * in the shape of the nib, as in handwriting.
 */
record Nib(double width, double thickness, double angle, boolean cut) {
    private static final int SCALE = 40;

    /** Half of how far a stroke reaches to either side of its line, along x. */
    double reachX() {
        double radians = Math.toRadians(angle);
        return Math.hypot(width / 2 * Math.cos(radians), thickness / 2 * Math.sin(radians));
    }

    /** Half of how far a stroke reaches above and below its line. */
    double reachY() {
        double radians = Math.toRadians(angle);
        return Math.hypot(width / 2 * Math.sin(radians), thickness / 2 * Math.cos(radians));
    }

    /**
     * What the nib covers when it follows the line: stroked with a round pen where the nib is a circle. The outline
     * may cross itself; filled by the nonzero rule, it is the ink.
     */
    Shape stroke(Shape line) {
        AffineTransform toNib = AffineTransform.getRotateInstance(Math.toRadians(angle));
        toNib.scale(width / 2, thickness / 2);
        AffineTransform fromNib;
        try {
            fromNib = toNib.createInverse();
        } catch (java.awt.geom.NoninvertibleTransformException e) {
            throw new IllegalStateException("a nib has some width and thickness", e);
        }
        BasicStroke pen = cut
                ? new BasicStroke(2f, BasicStroke.CAP_SQUARE, BasicStroke.JOIN_MITER, 4f)
                : new BasicStroke(2f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND);
        // The stroker flattens by device size, so work at a scale where its tolerance does not show.
        AffineTransform up = AffineTransform.getScaleInstance(SCALE, SCALE);
        BasicStroke scaled =
                new BasicStroke(pen.getLineWidth() * SCALE, pen.getEndCap(), pen.getLineJoin(), pen.getMiterLimit());
        Shape stroked = scaled.createStrokedShape(up.createTransformedShape(fromNib.createTransformedShape(line)));
        AffineTransform down = new AffineTransform(toNib);
        down.scale(1.0 / SCALE, 1.0 / SCALE);
        return down.createTransformedShape(stroked);
    }

    /** A straight stroke whose ends are cut level. */
    Area levelStroke(double x1, double y1, double x2, double y2) {
        double length = Math.hypot(x2 - x1, y2 - y1);
        double dx = (x2 - x1) / length;
        double dy = (y2 - y1) / length;
        // The support of the nib across the stroke, measured along a level line.
        double across = Math.hypot(width / 2 * dy, thickness / 2 * dx);
        double half = across / Math.abs(dy);
        Path2D path = new Path2D.Double();
        path.moveTo(x1 - half, y1);
        path.lineTo(x1 + half, y1);
        path.lineTo(x2 + half, y2);
        path.lineTo(x2 - half, y2);
        path.closePath();
        return new Area(path);
    }
}
