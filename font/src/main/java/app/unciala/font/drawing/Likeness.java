package app.unciala.font.drawing;

import app.unciala.font.FontException;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.outline.GlyphPoints;
import app.unciala.font.outline.Outlines;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HmtxTable;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * How alike two faces are drawn, from the characters both have: 1 for the same drawing, 0.95 and more for one that
 * was exported again or had its curves converted, near 0 for another family. Independent of units-per-em, curve kind,
 * glyph order and names; a cut-down copy is as alike as what is left of it.
 *
 * <p>For each character, the overlap of the two drawings is taken on a grid of 32 cells to the em (area of both through
 * area of either), times the ratio of the advances. Unrelated faces often overlap by up to one half, so that much counts
 * nothing, and the square of what is above them is averaged. Fewer than {@value #ENOUGH} characters in common prove
 * little, and lower the result in proportion.
 */
public final class Likeness {
    static final int ENOUGH = 12;
    private static final int MAX_CHARACTERS = 400;
    private static final double UNRELATED = 0.5;

    private final Face a;
    private final Face b;

    private Likeness(Sfnt a, Sfnt b) {
        this.a = new Face(a);
        this.b = new Face(b);
    }

    /**
     * The likeness of two faces, in [0, 1].
     *
     * @throws FontException if an outline is damaged
     */
    public static double of(Sfnt a, Sfnt b) {
        Likeness likeness = new Likeness(a, b);
        int[] shared = likeness.sample();
        double sum = 0;
        int counted = 0;
        for (int codePoint : shared) {
            double alike = likeness.at(codePoint);
            if (!Double.isNaN(alike)) {
                double above = Math.max(0, (alike - UNRELATED) / (1 - UNRELATED));
                sum += above * above;
                counted++;
            }
        }
        return counted == 0 ? 0 : sum / counted * Math.min(1, counted / (double) ENOUGH);
    }

    /** A character drawn differently; {@code alike} is the overlap of the two drawings, in [0, 1]. */
    public record Changed(int codePoint, double alike) {}

    /** The shared characters whose drawings overlap by less than {@code threshold}, those changed most first. */
    public static List<Changed> changed(Sfnt a, Sfnt b, double threshold) {
        Likeness likeness = new Likeness(a, b);
        List<Changed> changed = new ArrayList<>();
        for (int codePoint : likeness.shared()) {
            double alike = likeness.at(codePoint);
            if (alike < threshold) {
                changed.add(new Changed(codePoint, alike));
            }
        }
        changed.sort((x, y) -> Double.compare(x.alike(), y.alike()));
        return changed;
    }

    private int[] shared() {
        return Arrays.stream(a.cmap.codePoints()).filter(b.cmap::has).toArray();
    }

    /** All shared characters, or as many spread evenly over them. */
    private int[] sample() {
        int[] shared = shared();
        if (shared.length <= MAX_CHARACTERS) {
            return shared;
        }
        int[] sample = new int[MAX_CHARACTERS];
        for (int i = 0; i < sample.length; i++) {
            sample[i] = shared[(int) ((long) i * shared.length / sample.length)];
        }
        return sample;
    }

    /** NaN where both draw nothing of the same width, which says nothing. */
    private double at(int codePoint) {
        int glyphA = a.cmap.glyph(codePoint);
        int glyphB = b.cmap.glyph(codePoint);
        double advanceA = a.advance(glyphA);
        double advanceB = b.advance(glyphB);
        double wider = Math.max(advanceA, advanceB);
        double widths = wider == 0 ? 1 : Math.min(advanceA, advanceB) / wider;
        a.outlines.points(glyphA, a.points);
        b.outlines.points(glyphB, b.points);
        if (a.points.count() == 0 && b.points.count() == 0 && widths > 0.99) {
            return Double.NaN;
        }
        CoverageGrid gridA = CoverageGrid.of(a.outlines.outline(glyphA), a.unitsPerEm);
        CoverageGrid gridB = CoverageGrid.of(b.outlines.outline(glyphB), b.unitsPerEm);
        return gridA.overlap(gridB) * widths;
    }

    /** What is asked of a face again and again. */
    private static final class Face {
        final CmapTable cmap;
        final Outlines outlines;
        final HmtxTable metrics;
        final int unitsPerEm;
        final GlyphPoints points = new GlyphPoints();

        Face(Sfnt face) {
            cmap = CmapTable.read(face);
            outlines = OutlineReader.read(face);
            metrics = HmtxTable.read(face);
            unitsPerEm = HeadTable.read(face).unitsPerEm();
        }

        double advance(int glyph) {
            return glyph < metrics.advances().length ? metrics.advances()[glyph] / (double) unitsPerEm : 0;
        }
    }
}
