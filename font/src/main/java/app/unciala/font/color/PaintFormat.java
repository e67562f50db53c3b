package app.unciala.font.color;

import app.unciala.font.FontException;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The shape of one format of paint tables (OpenType 1.9, "COLR", formats 1 to 32). Most have a variable form under the
 * next number, which ends with the index of the deltas of its values.
 *
 * @param length in bytes, without what offsets lead to and without the index of deltas
 * @param variable whether it is such a form, as are the color line and the matrix that it leads to
 * @param paints where 24-bit offsets to other paints stand
 * @param colorLine where the offset to a color line stands, or -1
 * @param transform where the offset to a matrix stands, or -1
 * @param glyph where a glyph number stands, or -1
 * @param values where the values that may vary begin, of 16 bits each
 * @param valueCount how many there are, each with a delta in the variable form
 */
public record PaintFormat(
        int length,
        boolean variable,
        List<Integer> paints,
        int colorLine,
        int transform,
        int glyph,
        int values,
        int valueCount) {
    /** A slice of the list of layers. */
    public static final int COLR_LAYERS = 1;

    /** Where such a paint says how many layers it has, and which is the first. */
    public static final int LAYER_COUNT = 1;

    public static final int FIRST_LAYER = 2;

    private static final int SOLID = 2;
    private static final int LINEAR_GRADIENT = 4;
    private static final int RADIAL_GRADIENT = 6;
    private static final int SWEEP_GRADIENT = 8;
    private static final int GLYPH = 10;
    private static final int COLR_GLYPH = 11;
    private static final int TRANSFORM = 12;
    private static final int TRANSLATE = 14;
    private static final int SCALE = 16;
    private static final int SCALE_AROUND_CENTER = 18;
    private static final int SCALE_UNIFORM = 20;
    private static final int SCALE_UNIFORM_AROUND_CENTER = 22;
    private static final int ROTATE = 24;
    private static final int ROTATE_AROUND_CENTER = 26;
    private static final int SKEW = 28;
    private static final int SKEW_AROUND_CENTER = 30;
    private static final int COMPOSITE = 32;

    private static final int NONE = -1;
    /** Where most paints have the offset to the paint that they change, and gradients that to their color line. */
    private static final int OFFSET = 1;
    /** What stands behind that offset. */
    private static final int AFTER_OFFSET = 4;

    private static final Map<Integer, PaintFormat> ALL = all();

    private static Map<Integer, PaintFormat> all() {
        Map<Integer, PaintFormat> all = new TreeMap<>();
        all.put(COLR_LAYERS, new PaintFormat(6, false, List.of(), NONE, NONE, NONE, 0, 0));
        // A palette entry stands before the alpha, its only value.
        both(all, SOLID, new PaintFormat(5, false, List.of(), NONE, NONE, NONE, 3, 1));
        both(all, LINEAR_GRADIENT, gradient(6));
        both(all, RADIAL_GRADIENT, gradient(6));
        both(all, SWEEP_GRADIENT, gradient(4));
        all.put(GLYPH, new PaintFormat(6, false, List.of(OFFSET), NONE, NONE, AFTER_OFFSET, 0, 0));
        all.put(COLR_GLYPH, new PaintFormat(3, false, List.of(), NONE, NONE, 1, 0, 0));
        both(all, TRANSFORM, new PaintFormat(7, false, List.of(OFFSET), NONE, AFTER_OFFSET, NONE, 0, 0));
        both(all, TRANSLATE, change(2));
        both(all, SCALE, change(2));
        both(all, SCALE_AROUND_CENTER, change(4));
        both(all, SCALE_UNIFORM, change(1));
        both(all, SCALE_UNIFORM_AROUND_CENTER, change(3));
        both(all, ROTATE, change(1));
        both(all, ROTATE_AROUND_CENTER, change(3));
        both(all, SKEW, change(2));
        both(all, SKEW_AROUND_CENTER, change(4));
        // The mode of composition stands between the two paints.
        all.put(COMPOSITE, new PaintFormat(8, false, List.of(OFFSET, 5), NONE, NONE, NONE, 0, 0));
        return all;
    }

    private static PaintFormat gradient(int values) {
        return new PaintFormat(AFTER_OFFSET + 2 * values, false, List.of(), OFFSET, NONE, NONE, AFTER_OFFSET, values);
    }

    private static PaintFormat change(int values) {
        return new PaintFormat(
                AFTER_OFFSET + 2 * values, false, List.of(OFFSET), NONE, NONE, NONE, AFTER_OFFSET, values);
    }

    private static void both(Map<Integer, PaintFormat> all, int format, PaintFormat fixed) {
        all.put(format, fixed);
        all.put(
                format + 1,
                new PaintFormat(
                        fixed.length,
                        true,
                        fixed.paints,
                        fixed.colorLine,
                        fixed.transform,
                        fixed.glyph,
                        fixed.values,
                        fixed.valueCount));
    }

    /** Whether a value is a radius, which is not negative and has no sign. */
    public static boolean isRadius(int format, int value) {
        return (format == RADIAL_GRADIENT || format == RADIAL_GRADIENT + 1) && (value == 2 || value == 5);
    }

    /**
     * The shape of a format.
     *
     * @throws FontException if the specification has no such format
     */
    public static PaintFormat of(int format) {
        PaintFormat shape = ALL.get(format);
        if (shape == null) {
            throw new FontException("COLR", -1, "has a paint of unknown format " + format);
        }
        return shape;
    }
}
