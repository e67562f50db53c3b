package app.unciala.font.drawing;

import app.unciala.font.outline.Outline;

/**
 * How much of each cell of a grid a glyph covers, from exact areas: 32 cells to the em, from one em left of the origin to
 * two right of it, and from one em below the baseline to two above. Sizes in font units and the kind of curve have no
 * part in it.
 */
final class CoverageGrid implements Outline.Visitor {
    static final int CELLS_TO_EM = 32;
    private static final int WIDTH = 3 * CELLS_TO_EM;
    private static final int HEIGHT = 3 * CELLS_TO_EM;
    private static final int STEPS = 6;
    private static final int SKETCHED = CELLS_TO_EM * 5 / 4;
    private static final int SKETCH_COLUMN = CELLS_TO_EM - CELLS_TO_EM / 8;
    private static final int SKETCH_ROW = CELLS_TO_EM - CELLS_TO_EM * 5 / 16;

    private final double scale;
    private final float[] cells = new float[(WIDTH + 1) * HEIGHT];
    /** The rows that any line crosses, from the first to before the last; the others stay empty. */
    private int firstRow = HEIGHT;

    private int endRow;
    private double startX;
    private double startY;
    private double x;
    private double y;

    private CoverageGrid(int unitsPerEm) {
        scale = CELLS_TO_EM / (double) unitsPerEm;
    }

    static CoverageGrid of(Outline outline, int unitsPerEm) {
        CoverageGrid grid = new CoverageGrid(unitsPerEm);
        outline.visit(grid);
        grid.close();
        grid.sum();
        return grid;
    }

    /** The area that both cover through the area that either covers, in [0, 1]; two empty glyphs are alike. */
    double overlap(CoverageGrid other) {
        double both = 0;
        double either = 0;
        for (int i = 0; i < cells.length; i++) {
            both += Math.min(cells[i], other.cells[i]);
            either += Math.max(cells[i], other.cells[i]);
        }
        return either < 1e-3 ? 1 : both / either;
    }

    /**
     * The ink of a square of this grid in {@code side} by {@code side} larger cells, each 0 to 15, row by row from the
     * lowest; from an eighth of an em left of the origin and 0.3 em below the baseline, 1.25 em wide and high.
     */
    byte[] reduced(int side) {
        byte[] ink = new byte[side * side];
        int step = SKETCHED / side;
        for (int i = 0; i < ink.length; i++) {
            double sum = 0;
            for (int y = 0; y < step; y++) {
                int row = SKETCH_ROW + i / side * step + y;
                for (int x = 0; x < step; x++) {
                    sum += cells[row * (WIDTH + 1) + SKETCH_COLUMN + i % side * step + x];
                }
            }
            ink[i] = (byte) Math.round(15 * sum / (step * step));
        }
        return ink;
    }

    /** The ink of a row of cells, in cells; row 0 stands on the baseline. */
    double inkInRow(int row) {
        double sum = 0;
        for (int column = 0; column < WIDTH; column++) {
            sum += cells[(CELLS_TO_EM + row) * (WIDTH + 1) + column];
        }
        return sum;
    }

    @Override
    public void moveTo(double toX, double toY) {
        close();
        startX = gridX(toX);
        startY = gridY(toY);
        x = startX;
        y = startY;
    }

    @Override
    public void lineTo(double toX, double toY) {
        line(gridX(toX), gridY(toY));
    }

    @Override
    public void quadTo(double cx, double cy, double toX, double toY) {
        double x0 = x;
        double y0 = y;
        for (int i = 1; i <= STEPS; i++) {
            double t = i / (double) STEPS;
            double s = 1 - t;
            line(
                    s * s * x0 + 2 * s * t * gridX(cx) + t * t * gridX(toX),
                    s * s * y0 + 2 * s * t * gridY(cy) + t * t * gridY(toY));
        }
    }

    @Override
    public void curveTo(double c1x, double c1y, double c2x, double c2y, double toX, double toY) {
        double x0 = x;
        double y0 = y;
        for (int i = 1; i <= STEPS; i++) {
            double t = i / (double) STEPS;
            double s = 1 - t;
            double b0 = s * s * s;
            double b1 = 3 * s * s * t;
            double b2 = 3 * s * t * t;
            double b3 = t * t * t;
            line(
                    b0 * x0 + b1 * gridX(c1x) + b2 * gridX(c2x) + b3 * gridX(toX),
                    b0 * y0 + b1 * gridY(c1y) + b2 * gridY(c2y) + b3 * gridY(toY));
        }
    }

    private void close() {
        line(startX, startY);
    }

    private double gridX(double fontX) {
        return Math.max(0, Math.min(WIDTH, fontX * scale + CELLS_TO_EM));
    }

    private double gridY(double fontY) {
        return Math.max(0, Math.min(HEIGHT, fontY * scale + CELLS_TO_EM));
    }

    /** Adds, row by row, the signed area between the line and the right edge of the grid, as differences. */
    private void line(double toX, double toY) {
        double fromX = x;
        double fromY = y;
        x = toX;
        y = toY;
        if (fromY == toY) {
            return;
        }
        double sign = fromY < toY ? 1 : -1;
        double lowX = fromY < toY ? fromX : toX;
        double lowY = Math.min(fromY, toY);
        double highX = fromY < toY ? toX : fromX;
        double highY = Math.max(fromY, toY);
        double slope = (highX - lowX) / (highY - lowY);
        firstRow = Math.min(firstRow, (int) lowY);
        endRow = Math.max(endRow, (int) Math.min(HEIGHT, Math.ceil(highY)));
        for (int row = (int) lowY; row < HEIGHT && row < highY; row++) {
            double bottom = Math.max(lowY, row);
            double top = Math.min(highY, row + 1.0);
            double x0 = lowX + (bottom - lowY) * slope;
            double x1 = lowX + (top - lowY) * slope;
            span(row, Math.min(x0, x1), Math.max(x0, x1), sign * (top - bottom));
        }
    }

    /** Spreads the height of a piece of line over the cells it crosses, and what is right of it in each. */
    private void span(int row, double left, double right, double height) {
        int at = row * (WIDTH + 1);
        int first = (int) left;
        int last = Math.min(WIDTH, (int) right);
        double width = right - left;
        for (int column = first; column <= last; column++) {
            double from = Math.max(left, column);
            double to = Math.min(right, column + 1.0);
            double share = width < 1e-9 ? height : height * (to - from) / width;
            double middle = (from + to) / 2 - column;
            cells[at + column] += (float) (share * (1 - middle));
            if (column < WIDTH) {
                cells[at + column + 1] += (float) (share * middle);
            }
            if (width < 1e-9) {
                return;
            }
        }
    }

    /** Turns differences into coverage; the direction of contours differs between formats, and overlaps count once. */
    private void sum() {
        for (int row = firstRow; row < endRow; row++) {
            float sum = 0;
            for (int column = 0; column <= WIDTH; column++) {
                int at = row * (WIDTH + 1) + column;
                sum += cells[at];
                cells[at] = Math.min(1, Math.abs(sum));
            }
        }
    }
}
