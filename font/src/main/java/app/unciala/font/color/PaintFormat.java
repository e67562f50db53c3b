package app.unciala.font.color;

import app.unciala.font.FontException;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The shape of one format of paint tables (OpenType 1.9, "COLR", formats 1 to 32). Most have a variable form under the
 * next number.
 *
 * @param length in bytes, without what offsets lead to
 * @param variable whether it ends with the index of its deltas, as do the stops and the matrix that it leads to
 * @param paints where 24-bit offsets to other paints stand
 * @param colorLine where the offset to a color line stands, or -1
 * @param transform where the offset to a matrix stands, or -1
 * @param glyph where a glyph number stands, or -1
 */
public record PaintFormat(int length, boolean variable, List<Integer> paints, int colorLine, int transform, int glyph) {
    /** A slice of the list of layers. */
    public static final int COLR_LAYERS = 1;

    private static final int NONE = -1;
    /** Where most paints have the offset to the paint that they change. */
    private static final int PAINT = 1;
    /** The bytes of an index of deltas. */
    private static final int DELTA_INDEX = 4;

    private static final Map<Integer, PaintFormat> ALL = all();

    private static Map<Integer, PaintFormat> all() {
        Map<Integer, PaintFormat> all = new TreeMap<>();
        all.put(COLR_LAYERS, new PaintFormat(6, false, List.of(), NONE, NONE, NONE));
        both(all, 2, fill(5, NONE));
        both(all, 4, fill(16, 1));
        both(all, 6, fill(16, 1));
        both(all, 8, fill(12, 1));
        all.put(10, new PaintFormat(6, false, List.of(PAINT), NONE, NONE, 4));
        all.put(11, new PaintFormat(3, false, List.of(), NONE, NONE, 1));
        all.put(12, new PaintFormat(7, false, List.of(PAINT), NONE, 4, NONE));
        // The matrix of a variable transformation has the index of deltas, the paint itself has none.
        all.put(13, new PaintFormat(7, true, List.of(PAINT), NONE, 4, NONE));
        int[] changes = {8, 8, 12, 6, 10, 6, 10, 8, 12};
        for (int i = 0; i < changes.length; i++) {
            both(all, 14 + 2 * i, new PaintFormat(changes[i], false, List.of(PAINT), NONE, NONE, NONE));
        }
        all.put(32, new PaintFormat(8, false, List.of(PAINT, 5), NONE, NONE, NONE));
        return all;
    }

    private static PaintFormat fill(int length, int colorLine) {
        return new PaintFormat(length, false, List.of(), colorLine, NONE, NONE);
    }

    private static void both(Map<Integer, PaintFormat> all, int format, PaintFormat fixed) {
        all.put(format, fixed);
        all.put(
                format + 1,
                new PaintFormat(
                        fixed.length + DELTA_INDEX, true, fixed.paints, fixed.colorLine, fixed.transform, fixed.glyph));
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
