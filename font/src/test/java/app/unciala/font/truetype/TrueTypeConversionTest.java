package app.unciala.font.truetype;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.drawing.Likeness;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.glyf.SimpleGlyph;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.outline.GlyphPoints;
import app.unciala.font.outline.Outline;
import app.unciala.font.outline.Outlines;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HmtxTable;
import app.unciala.testing.RealFonts;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** CFF outlines as TrueType: within a thousandth of the em, by real fonts and by random curves. */
class TrueTypeConversionTest {
    private static final int STEPS = 24;

    static List<Path> cffFonts() {
        return RealFonts.twoOfEach()
                .filter(file -> file.toString().endsWith(".otf"))
                .toList();
    }

    @ParameterizedTest
    @MethodSource("cffFonts")
    void curvesStayWithinAThousandthOfTheEm(Path file) {
        Sfnt cff = FontReader.read(RealFonts.bytes(file)).faces().get(0);
        byte[] bytes = FontWriter.write(cff, FontFormat.TTF);
        Sfnt made = FontReader.read(bytes).faces().get(0);
        assertThat(made.bareFormat()).isEqualTo(FontFormat.TTF);
        Outlines before = OutlineReader.read(cff);
        Outlines after = OutlineReader.read(made);
        assertThat(after.numGlyphs()).isEqualTo(before.numGlyphs());
        double most = HeadTable.read(cff).unitsPerEm() / 1000.0;
        HmtxTable bearings = HmtxTable.read(made);
        for (int glyph = 0; glyph < before.numGlyphs(); glyph += 1 + before.numGlyphs() / 250) {
            Outline one = before.outline(glyph);
            Outline other = after.outline(glyph);
            assertThat(farthest(one, other)).as("glyph %s", glyph).isLessThanOrEqualTo(most);
            assertThat(farthest(other, one)).as("glyph %s", glyph).isLessThanOrEqualTo(most);
            if (!other.isEmpty()) {
                assertThat(area(other)).as("inside at the right").isNotZero();
                assertThat(Math.signum(area(other))).isEqualTo(-Math.signum(area(one)));
            }
        }
        assertThat(bearings.advances()).isEqualTo(HmtxTable.read(cff).advances());
        CmapTable characters = CmapTable.read(made);
        assertThat(characters.codePoints()).isEqualTo(CmapTable.read(cff).codePoints());
        assertThat(Likeness.of(cff, made)).isGreaterThan(0.9);
    }

    @Test
    void randomCurvesStayWithinTheTolerance() {
        Random random = new Random(7);
        for (int i = 0; i < 3000; i++) {
            Outline curve = new Outline().moveTo(near(random), near(random));
            for (int part = 0; part < 1 + i % 3; part++) {
                curve.curveTo(near(random), near(random), near(random), near(random), near(random), near(random));
            }
            SimpleGlyph glyph = QuadraticContours.of(curve, 0.3);
            assertThat(glyph.contourEnds().length).isEqualTo(1);
            Outline made = outline(glyph);
            assertThat(farthest(curve, made)).as("curve %s", i).isLessThanOrEqualTo(1.2);
        }
    }

    @Test
    void linesAreKeptAndPointsThatSayNothingGo() {
        SimpleGlyph box = QuadraticContours.of(
                new Outline()
                        .moveTo(0, 0)
                        .lineTo(100, 0)
                        .lineTo(100, 0)
                        .lineTo(100, 50)
                        .lineTo(0, 0)
                        .moveTo(7, 7),
                0.3);
        assertThat(box.xs()).containsExactly(0, 100, 100);
        assertThat(box.ys()).containsExactly(0, 50, 0);
        assertThat(QuadraticContours.of(new Outline(), 0.3).contourEnds()).isEmpty();
    }

    @Test
    void truetypeStaysAsItIs() {
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        assertThat(TrueTypeConversion.of(face)).isSameAs(face);
        Sfnt varying = face.without("glyf").with("CFF2", new byte[5]);
        assertThatThrownBy(() -> TrueTypeConversion.of(varying))
                .isInstanceOf(FontException.class)
                .hasMessageContaining("Make a static instance first");
    }

    private static double near(Random random) {
        return random.nextInt(1000) - 200;
    }

    private static Outline outline(SimpleGlyph glyph) {
        return new Outlines() {
            @Override
            public int numGlyphs() {
                return 1;
            }

            @Override
            public void points(int any, GlyphPoints points) {
                int from = 0;
                for (int end : glyph.contourEnds()) {
                    for (int i = from; i <= end; i++) {
                        points.add(
                                glyph.xs()[i],
                                glyph.ys()[i],
                                glyph.onCurve()[i] ? GlyphPoints.ON : GlyphPoints.QUADRATIC);
                    }
                    points.endContour();
                    from = end + 1;
                }
            }
        }.outline(0);
    }

    /** How far the points of one outline are from the other at most. */
    private static double farthest(Outline one, Outline other) {
        List<double[]> lines = flattened(other);
        double farthest = 0;
        for (double[] line : flattened(one)) {
            double nearest = Double.MAX_VALUE;
            for (double[] near : lines) {
                nearest = Math.min(nearest, distance(line[0], line[1], near));
            }
            farthest = Math.max(farthest, lines.isEmpty() ? 0 : nearest);
        }
        return farthest;
    }

    private static double distance(double x, double y, double[] line) {
        double dx = line[2] - line[0];
        double dy = line[3] - line[1];
        double square = dx * dx + dy * dy;
        double along = square == 0 ? 0 : ((x - line[0]) * dx + (y - line[1]) * dy) / square;
        double t = Math.max(0, Math.min(1, along));
        return Math.hypot(x - line[0] - t * dx, y - line[1] - t * dy);
    }

    private static double area(Outline outline) {
        double twice = 0;
        for (double[] line : flattened(outline)) {
            twice += line[0] * line[3] - line[2] * line[1];
        }
        return twice / 2;
    }

    /** Short lines of which the contours consist nearly. */
    private static List<double[]> flattened(Outline outline) {
        List<double[]> lines = new ArrayList<>();
        Outline.Visitor visitor = new Outline.Visitor() {
            private double startX;
            private double startY;
            private double x;
            private double y;
            private boolean open;

            @Override
            public void moveTo(double toX, double toY) {
                if (open) {
                    lineTo(startX, startY);
                }
                open = true;
                startX = toX;
                startY = toY;
                x = toX;
                y = toY;
            }

            @Override
            public void lineTo(double toX, double toY) {
                lines.add(new double[] {x, y, toX, toY});
                x = toX;
                y = toY;
            }

            @Override
            public void quadTo(double cx, double cy, double toX, double toY) {
                curveTo(
                        x + (cx - x) * 2 / 3,
                        y + (cy - y) * 2 / 3,
                        toX + (cx - toX) * 2 / 3,
                        toY + (cy - toY) * 2 / 3,
                        toX,
                        toY);
            }

            @Override
            public void curveTo(double c1x, double c1y, double c2x, double c2y, double toX, double toY) {
                double fromX = x;
                double fromY = y;
                for (int i = 1; i <= STEPS; i++) {
                    double t = (double) i / STEPS;
                    double s = 1 - t;
                    lineTo(
                            s * s * s * fromX + 3 * s * s * t * c1x + 3 * s * t * t * c2x + t * t * t * toX,
                            s * s * s * fromY + 3 * s * s * t * c1y + 3 * s * t * t * c2y + t * t * t * toY);
                }
            }
        };
        outline.visit(visitor);
        // Closes the last contour.
        visitor.moveTo(0, 0);
        return lines;
    }
}
