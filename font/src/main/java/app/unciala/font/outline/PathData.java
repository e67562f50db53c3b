package app.unciala.font.outline;

import app.unciala.font.Numbers;

/** Writes an outline as SVG path data (SVG 1.1, chapter 8.3), each contour closed. */
public final class PathData implements Outline.Visitor {
    private final StringBuilder data = new StringBuilder();
    private final double scale;
    private final boolean rounded;

    private PathData(double scale) {
        this.scale = scale;
        rounded = scale != 1;
    }

    /**
     * The path data of an outline, y upwards as in fonts; empty for an empty outline.
     *
     * @param scale what coordinates are multiplied by; other than 1, they are rounded to a tenth
     */
    public static String of(Outline outline, double scale) {
        PathData path = new PathData(scale);
        outline.visit(path);
        return path.data.isEmpty() ? "" : path.data.append('Z').toString();
    }

    @Override
    public void moveTo(double x, double y) {
        data.append(data.isEmpty() ? "M" : "ZM");
        points(x, y);
    }

    @Override
    public void lineTo(double x, double y) {
        data.append('L');
        points(x, y);
    }

    @Override
    public void quadTo(double cx, double cy, double x, double y) {
        data.append('Q');
        points(cx, cy, x, y);
    }

    @Override
    public void curveTo(double c1x, double c1y, double c2x, double c2y, double x, double y) {
        data.append('C');
        points(c1x, c1y, c2x, c2y, x, y);
    }

    private void points(double... coordinates) {
        for (int i = 0; i < coordinates.length; i++) {
            double value = rounded ? Math.round(coordinates[i] * scale * 10) / 10.0 : coordinates[i];
            data.append(i == 0 ? "" : " ").append(Numbers.plain(value));
        }
    }
}
