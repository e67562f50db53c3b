package app.unciala.font.color;

import app.unciala.font.FontException;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The shape of one format of paint tables (OpenType 1.9, "COLR", formats 1 to 32). Odd formats from 3 on are the variable
 * ones of the format before; they end with the index of their deltas.
 *
 * @param length in bytes, without what offsets lead to
 * @param paints where 24-bit offsets to other paints stand
 * @param colorLine where the offset to a color line stands, or -1
 * @param transform where the offset to a matrix stands, or -1
 * @param glyph where a glyph number stands, or -1
 */
public record PaintFormat(int length, List<Integer> paints, int colorLine, int transform, int glyph) {
    /** A slice of the list of layers. */
    public static final int COLR_LAYERS = 1;

    private static final int NONE = -1;
    /** Where most paints have the offset to the paint that they change. */
    private static final int PAINT = 1;
    /** The bytes that a variable format has more. */
    private static final int VARIABLE = 4;

    private static final Map<Integer, PaintFormat> ALL = all();

    private static Map<Integer, PaintFormat> all() {
        Map<Integer, PaintFormat> all = new TreeMap<>();
        all.put(COLR_LAYERS, new PaintFormat(6, List.of(), NONE, NONE, NONE));
        both(all, 2, new PaintFormat(5, List.of(), NONE, NONE, NONE));
        both(all, 4, new PaintFormat(16, List.of(), 1, NONE, NONE));
        both(all, 6, new PaintFormat(16, List.of(), 1, NONE, NONE));
        both(all, 8, new PaintFormat(12, List.of(), 1, NONE, NONE));
        all.put(10, new PaintFormat(6, List.of(PAINT), NONE, NONE, 4));
        all.put(11, new PaintFormat(3, List.of(), NONE, NONE, 1));
        all.put(12, new PaintFormat(7, List.of(PAINT), NONE, 4, NONE));
        all.put(13, new PaintFormat(7, List.of(PAINT), NONE, 4, NONE));
        int[] lengths = {8, 8, 12, 6, 10, 6, 10, 8, 12};
        for (int i = 0; i < lengths.length; i++) {
            both(all, 14 + 2 * i, new PaintFormat(lengths[i], List.of(PAINT), NONE, NONE, NONE));
        }
        all.put(32, new PaintFormat(8, List.of(PAINT, 5), NONE, NONE, NONE));
        return all;
    }

    private static void both(Map<Integer, PaintFormat> all, int format, PaintFormat shape) {
        all.put(format, shape);
        all.put(
                format + 1,
                new PaintFormat(shape.length + VARIABLE, shape.paints, shape.colorLine, shape.transform, shape.glyph));
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

    /** Whether a format is a variable one. */
    public static boolean isVariable(int format) {
        return format > COLR_LAYERS && format % 2 == 1 && format != 11;
    }
}
