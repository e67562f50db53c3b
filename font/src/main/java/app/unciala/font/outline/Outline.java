package app.unciala.font.outline;

import java.util.Arrays;

/** The contours of one glyph in font units, y upwards: moves, lines, quadratic and cubic curves, each contour closed. */
public final class Outline {
    private byte[] operators = new byte[16];
    private double[] coordinates = new double[64];
    private int operatorCount;
    private int coordinateCount;

    /** Takes the contours of an outline in order. */
    public interface Visitor {
        void moveTo(double x, double y);

        void lineTo(double x, double y);

        void quadTo(double cx, double cy, double x, double y);

        void curveTo(double c1x, double c1y, double c2x, double c2y, double x, double y);
    }

    public boolean isEmpty() {
        return operatorCount == 0;
    }

    public int size() {
        return operatorCount;
    }

    public Outline moveTo(double x, double y) {
        return add(0, x, y);
    }

    public Outline lineTo(double x, double y) {
        return add(1, x, y);
    }

    public Outline quadTo(double cx, double cy, double x, double y) {
        return add(2, cx, cy, x, y);
    }

    public Outline curveTo(double c1x, double c1y, double c2x, double c2y, double x, double y) {
        return add(3, c1x, c1y, c2x, c2y, x, y);
    }

    public void visit(Visitor visitor) {
        int at = 0;
        double[] c = coordinates;
        for (int i = 0; i < operatorCount; i++) {
            switch (operators[i]) {
                case 0 -> visitor.moveTo(c[at], c[at + 1]);
                case 1 -> visitor.lineTo(c[at], c[at + 1]);
                case 2 -> visitor.quadTo(c[at], c[at + 1], c[at + 2], c[at + 3]);
                default -> visitor.curveTo(c[at], c[at + 1], c[at + 2], c[at + 3], c[at + 4], c[at + 5]);
            }
            at += operators[i] <= 1 ? 2 : 2 * operators[i];
        }
    }

    /** Operators, 0 to 3 as moves, lines, quadratics and cubics. */
    public byte[] operators() {
        return Arrays.copyOf(operators, operatorCount);
    }

    /** The points of all operators in order, x before y. */
    public double[] coordinates() {
        return Arrays.copyOf(coordinates, coordinateCount);
    }

    /** The same contours with all coordinates rounded to font units. */
    public Outline rounded() {
        Outline rounded = new Outline();
        rounded.operators = operators();
        rounded.operatorCount = operatorCount;
        rounded.coordinates = coordinates();
        rounded.coordinateCount = coordinateCount;
        for (int i = 0; i < coordinateCount; i++) {
            rounded.coordinates[i] = Math.rint(coordinates[i]);
        }
        return rounded;
    }

    private Outline add(int operator, double... points) {
        if (operatorCount == operators.length) {
            operators = Arrays.copyOf(operators, operatorCount * 2);
        }
        if (coordinateCount + points.length > coordinates.length) {
            coordinates = Arrays.copyOf(coordinates, coordinates.length * 2);
        }
        operators[operatorCount++] = (byte) operator;
        for (double point : points) {
            coordinates[coordinateCount++] = point;
        }
        return this;
    }
}
