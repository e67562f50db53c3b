package app.unciala.font.svg;

import app.unciala.font.FontException;
import app.unciala.font.outline.Outline;

/** Reads SVG path data (SVG 1.1, chapter 8.3), all commands, into an outline. */
final class SvgPath {
    private static final int MAX_SEGMENTS = 100_000;

    private final String data;
    private final Outline outline = new Outline();
    private int at;
    private double x;
    private double y;
    private double startX;
    private double startY;
    private double controlX;
    private double controlY;
    private char before = 'M';

    private SvgPath(String data) {
        this.data = data;
    }

    /**
     * Reads path data.
     *
     * @throws FontException if it is not path data
     */
    static Outline read(String data) {
        return new SvgPath(data).run();
    }

    private Outline run() {
        char command = 0;
        for (skip(); at < data.length(); skip()) {
            if (outline.size() > MAX_SEGMENTS) {
                throw new FontException("svg", -1, "has a path of more than " + MAX_SEGMENTS + " segments");
            }
            char next = data.charAt(at);
            if (Character.isLetter(next) && next != 'e' && next != 'E') {
                command = next;
                at++;
            } else if (command == 'M' || command == 'm') {
                command = command == 'M' ? 'L' : 'l';
            } else if (command == 0 || command == 'Z' || command == 'z') {
                throw bad("has numbers without a command");
            }
            segment(Character.toUpperCase(command), Character.isLowerCase(command));
            before = Character.toUpperCase(command);
        }
        return outline;
    }

    private void segment(char command, boolean relative) {
        double fromX = relative ? x : 0;
        double fromY = relative ? y : 0;
        switch (command) {
            case 'M' -> {
                x = fromX + number();
                y = fromY + number();
                startX = x;
                startY = y;
                outline.moveTo(x, y);
            }
            case 'L' -> line(fromX + number(), fromY + number());
            case 'H' -> line(fromX + number(), y);
            case 'V' -> line(x, fromY + number());
            case 'C' ->
                cubic(
                        fromX + number(),
                        fromY + number(),
                        fromX + number(),
                        fromY + number(),
                        fromX + number(),
                        fromY + number());
            case 'S' -> {
                boolean smooth = before == 'C' || before == 'S';
                cubic(
                        smooth ? 2 * x - controlX : x,
                        smooth ? 2 * y - controlY : y,
                        fromX + number(),
                        fromY + number(),
                        fromX + number(),
                        fromY + number());
            }
            case 'Q' -> quadratic(fromX + number(), fromY + number(), fromX + number(), fromY + number());
            case 'T' -> {
                boolean smooth = before == 'Q' || before == 'T';
                quadratic(
                        smooth ? 2 * x - controlX : x,
                        smooth ? 2 * y - controlY : y,
                        fromX + number(),
                        fromY + number());
            }
            case 'A' -> arc(number(), number(), number(), flag(), flag(), fromX + number(), fromY + number());
            case 'Z' -> {
                x = startX;
                y = startY;
            }
            default -> throw bad("has the unknown command " + command);
        }
    }

    private void line(double toX, double toY) {
        outline.lineTo(toX, toY);
        x = toX;
        y = toY;
    }

    private void quadratic(double cx, double cy, double toX, double toY) {
        outline.quadTo(cx, cy, toX, toY);
        controlX = cx;
        controlY = cy;
        x = toX;
        y = toY;
    }

    private void cubic(double c1x, double c1y, double c2x, double c2y, double toX, double toY) {
        outline.curveTo(c1x, c1y, c2x, c2y, toX, toY);
        controlX = c2x;
        controlY = c2y;
        x = toX;
        y = toY;
    }

    /** An elliptical arc as cubic curves of a quarter turn at most (SVG 1.1, appendix F.6). */
    private void arc(double rx, double ry, double degrees, boolean large, boolean sweep, double toX, double toY) {
        if (rx == 0 || ry == 0 || (x == toX && y == toY)) {
            line(toX, toY);
            return;
        }
        double phi = Math.toRadians(degrees);
        double cos = Math.cos(phi);
        double sin = Math.sin(phi);
        double halfX = (x - toX) / 2;
        double halfY = (y - toY) / 2;
        double turnedX = cos * halfX + sin * halfY;
        double turnedY = -sin * halfX + cos * halfY;
        double radiusX = Math.abs(rx);
        double radiusY = Math.abs(ry);
        double tooFar = Math.hypot(turnedX / radiusX, turnedY / radiusY);
        if (tooFar > 1) {
            radiusX *= tooFar;
            radiusY *= tooFar;
        }
        double across = Math.pow(radiusX * turnedY, 2) + Math.pow(radiusY * turnedX, 2);
        double rest = Math.max(0, Math.pow(radiusX * radiusY, 2) - across);
        double factor = (large == sweep ? -1 : 1) * Math.sqrt(rest / across);
        double centerX = factor * radiusX * turnedY / radiusY;
        double centerY = -factor * radiusY * turnedX / radiusX;
        double from = Math.atan2((turnedY - centerY) / radiusY, (turnedX - centerX) / radiusX);
        double to = Math.atan2((-turnedY - centerY) / radiusY, (-turnedX - centerX) / radiusX);
        double turn = to - from;
        if (sweep && turn < 0) {
            turn += 2 * Math.PI;
        } else if (!sweep && turn > 0) {
            turn -= 2 * Math.PI;
        }
        int pieces = Math.max(1, (int) Math.ceil(Math.abs(turn) / (Math.PI / 2) - 1e-9));
        double middleX = cos * centerX - sin * centerY + (x + toX) / 2;
        double middleY = sin * centerX + cos * centerY + (y + toY) / 2;
        double step = turn / pieces;
        double handle = 4.0 / 3 * Math.tan(step / 4);
        for (int i = 0; i < pieces; i++) {
            double a = from + i * step;
            double b = a + step;
            double[] c1 = {Math.cos(a) - handle * Math.sin(a), Math.sin(a) + handle * Math.cos(a)};
            double[] c2 = {Math.cos(b) + handle * Math.sin(b), Math.sin(b) - handle * Math.cos(b)};
            double[] end = {Math.cos(b), Math.sin(b)};
            double[] placed = new double[6];
            double[][] points = {c1, c2, end};
            for (int j = 0; j < 3; j++) {
                double px = points[j][0] * radiusX;
                double py = points[j][1] * radiusY;
                placed[2 * j] = cos * px - sin * py + middleX;
                placed[2 * j + 1] = sin * px + cos * py + middleY;
            }
            boolean isLast = i == pieces - 1;
            cubic(placed[0], placed[1], placed[2], placed[3], isLast ? toX : placed[4], isLast ? toY : placed[5]);
        }
    }

    private void skip() {
        while (at < data.length() && (data.charAt(at) <= ' ' || data.charAt(at) == ',')) {
            at++;
        }
    }

    private boolean flag() {
        skip();
        if (at < data.length() && (data.charAt(at) == '0' || data.charAt(at) == '1')) {
            return data.charAt(at++) == '1';
        }
        throw bad("has an arc without its flags");
    }

    /** Numbers may run into each other, as in {@code 1.5.5-2}. */
    private double number() {
        skip();
        int start = at;
        if (at < data.length() && (data.charAt(at) == '-' || data.charAt(at) == '+')) {
            at++;
        }
        digits();
        if (at < data.length() && data.charAt(at) == '.') {
            at++;
            digits();
        }
        if (at < data.length() && (data.charAt(at) == 'e' || data.charAt(at) == 'E')) {
            at++;
            if (at < data.length() && (data.charAt(at) == '-' || data.charAt(at) == '+')) {
                at++;
            }
            digits();
        }
        try {
            double value = Double.parseDouble(data.substring(start, at));
            if (Math.abs(value) > 1e6) {
                throw bad("has the coordinate " + value);
            }
            return value;
        } catch (NumberFormatException e) {
            throw bad("lacks a number");
        }
    }

    private void digits() {
        while (at < data.length() && data.charAt(at) >= '0' && data.charAt(at) <= '9') {
            at++;
        }
    }

    private FontException bad(String reason) {
        return new FontException("svg path", at, reason);
    }
}
