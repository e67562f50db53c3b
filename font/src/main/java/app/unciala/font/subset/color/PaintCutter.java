package app.unciala.font.subset.color;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.color.PaintFormat;
import app.unciala.font.layout.packing.Block;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.function.IntUnaryOperator;

/** Writes paints of {@code COLR} version 1 (OpenType 1.9) under new numbers of glyphs, layers and deltas. */
final class PaintCutter {
    /** Of a color line: how it goes on, and its stops. */
    private static final int STOP_COUNT = 1;

    private static final int STOPS = 3;
    /** A stop: where it is, a palette entry, and an alpha. The first and the last may vary. */
    private static final int STOP = 6;

    private static final int STOP_PALETTE = 2;
    private static final int STOP_ALPHA = 4;
    private static final int STOP_VALUES = 2;

    /** A matrix has six numbers of 32 bits. */
    private static final int MATRIX_VALUES = 6;

    /** A clip box has a format and its four sides. */
    private static final int BOX = 1;

    private static final int BOX_VALUES = 4;
    private static final int FIXED_BOX = 1;
    private static final int VARIABLE_BOX = 2;

    /** The bytes of an index of deltas. */
    private static final int DELTA_INDEX = 4;

    private final IntUnaryOperator glyphs;
    private final BitSet keptLayers;
    private final PaintDeltas deltas;
    /** Paints by what is left of the table from where they begin, so that shared ones stay shared. */
    private final Map<Integer, Block> paints = new HashMap<>();

    /**
     * Writes paints.
     *
     * @param glyphs gives the new number of a glyph
     * @param keptLayers the layers that are written, by their old places in the list
     */
    PaintCutter(IntUnaryOperator glyphs, BitSet keptLayers, PaintDeltas deltas) {
        this.glyphs = glyphs;
        this.keptLayers = keptLayers;
        this.deltas = deltas;
    }

    /** A paint, of which the view ends with the table, and those that it leads to. */
    Block paint(ByteView paint) {
        Block known = paints.get(paint.length());
        if (known != null) {
            return known;
        }
        int format = paint.u8(0);
        PaintFormat shape = PaintFormat.of(format);
        Block cut = new Block();
        if (format == PaintFormat.COLR_LAYERS) {
            int first = (int) Math.min(paint.u32(PaintFormat.FIRST_LAYER), keptLayers.length());
            cut.u8(format)
                    .u8(paint.u8(PaintFormat.LAYER_COUNT))
                    .u32(keptLayers.get(0, first).cardinality());
        } else {
            // The form that does not vary is the one before.
            cut.u8(shape.variable() && deltas.isInstance() ? format - 1 : format);
            for (int at = 1; at < shape.length(); ) {
                at += field(cut, paint, at, format, shape);
            }
            if (shape.variable() && shape.valueCount() > 0) {
                index(cut, paint, shape.length(), shape.valueCount());
            }
        }
        paints.put(paint.length(), cut);
        return cut;
    }

    /** Writes what stands at a byte of a paint, and says how many bytes it takes there. */
    private int field(Block cut, ByteView paint, int at, int format, PaintFormat shape) {
        if (at == shape.glyph()) {
            cut.u16(glyphs.applyAsInt(paint.u16(at)));
            return 2;
        }
        if (shape.paints().contains(at)) {
            int offset = paint.u24(at);
            if (offset == 0) {
                throw new FontException("COLR", -1, "has a paint without the paint that it changes");
            }
            cut.link24(paint(paint.from(offset)));
            return 3;
        }
        if (at == shape.colorLine()) {
            cut.link24(colorLine(paint.from(paint.u24(at)), shape.variable()));
            return 3;
        }
        if (at == shape.transform()) {
            cut.link24(matrix(paint.from(paint.u24(at)), shape.variable()));
            return 3;
        }
        int value = (at - shape.values()) / 2;
        if (at >= shape.values() && value < shape.valueCount()) {
            int delta = shape.variable() ? deltas.at(paint.u32(shape.length()), value) : 0;
            cut.u16(
                    PaintFormat.isRadius(format, value)
                            ? limited(paint.u16(at) + delta, 0, 0xFFFF)
                            : signed(paint.i16(at) + delta));
            return 2;
        }
        cut.u8(paint.u8(at));
        return 1;
    }

    private Block colorLine(ByteView line, boolean variable) {
        int count = line.u16(STOP_COUNT);
        Block cut = new Block().u8(line.u8(0)).u16(count);
        for (int i = 0; i < count; i++) {
            ByteView stop = line.from(STOPS + i * (variable ? STOP + DELTA_INDEX : STOP));
            long first = variable ? stop.u32(STOP) : 0;
            int place = variable ? deltas.at(first, 0) : 0;
            int alpha = variable ? deltas.at(first, 1) : 0;
            cut.u16(signed(stop.i16(0) + place)).u16(stop.u16(STOP_PALETTE)).u16(signed(stop.i16(STOP_ALPHA) + alpha));
            if (variable) {
                index(cut, stop, STOP, STOP_VALUES);
            }
        }
        return cut;
    }

    private Block matrix(ByteView matrix, boolean variable) {
        int end = 4 * MATRIX_VALUES;
        Block cut = new Block();
        for (int i = 0; i < MATRIX_VALUES; i++) {
            cut.u32(matrix.i32(4 * i) + (variable ? deltas.at(matrix.u32(end), i) : 0));
        }
        if (variable) {
            index(cut, matrix, end, MATRIX_VALUES);
        }
        return cut;
    }

    /** The box that a color glyph is clipped to. */
    Block clipBox(ByteView box) {
        boolean variable = box.u8(0) == VARIABLE_BOX;
        int end = BOX + 2 * BOX_VALUES;
        Block cut = new Block().u8(variable && deltas.isInstance() ? FIXED_BOX : box.u8(0));
        for (int i = 0; i < BOX_VALUES; i++) {
            cut.u16(signed(box.i16(BOX + 2 * i) + (variable ? deltas.at(box.u32(end), i) : 0)));
        }
        if (variable) {
            index(cut, box, end, BOX_VALUES);
        }
        return cut;
    }

    /** The index of the deltas of some values, whose old one stands at a byte of a table; none where nothing varies. */
    private void index(Block cut, ByteView table, int at, int values) {
        if (!deltas.isInstance()) {
            cut.u32(deltas.keep(table.u32(at), values));
        }
    }

    private static int signed(int value) {
        return limited(value, Short.MIN_VALUE, Short.MAX_VALUE);
    }

    private static int limited(int value, int least, int most) {
        return Math.max(least, Math.min(most, value));
    }
}
