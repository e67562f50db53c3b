package app.unciala.font.glyf;

import static app.unciala.font.glyf.PointFlags.ON_CURVE;
import static app.unciala.font.glyf.PointFlags.OVERLAP_SIMPLE;
import static app.unciala.font.glyf.PointFlags.REPEAT;
import static app.unciala.font.glyf.PointFlags.X_SAME_OR_POSITIVE;
import static app.unciala.font.glyf.PointFlags.X_SHORT;
import static app.unciala.font.glyf.PointFlags.Y_SAME_OR_POSITIVE;
import static app.unciala.font.glyf.PointFlags.Y_SHORT;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;

/**
 * A glyph with contours of its own: absolute points in font units, the index of each contour's last point, and its
 * instructions. {@code overlaps} is the flag OVERLAP_SIMPLE.
 */
public record SimpleGlyph(
        int[] contourEnds, boolean[] onCurve, int[] xs, int[] ys, byte[] instructions, boolean overlaps) {

    /** Reads the glyph whose description, header and all, the view holds. */
    public static SimpleGlyph read(ByteView glyph) {
        GlyphPointReader reader = new GlyphPointReader();
        reader.read(glyph);
        return reader.toGlyph(glyph);
    }

    /** xMin, yMin, xMax, yMax over all points, in font units; zeros when there are none. */
    public int[] bounds() {
        if (xs.length == 0) {
            return new int[4];
        }
        int[] box = {xs[0], ys[0], xs[0], ys[0]};
        for (int i = 1; i < xs.length; i++) {
            box[0] = Math.min(box[0], xs[i]);
            box[1] = Math.min(box[1], ys[i]);
            box[2] = Math.max(box[2], xs[i]);
            box[3] = Math.max(box[3], ys[i]);
        }
        return box;
    }

    /** Writes the glyph in its smallest plain form, with the given bounding box. */
    public void write(ByteSink out, int[] box) {
        out.u16(contourEnds.length);
        for (int side : box) {
            out.u16(side);
        }
        for (int end : contourEnds) {
            out.u16(end);
        }
        out.u16(instructions.length).bytes(instructions);
        ByteSink xBytes = new ByteSink(xs.length * 2);
        ByteSink yBytes = new ByteSink(ys.length * 2);
        int lastFlag = -1;
        int repeats = 0;
        int x = 0;
        int y = 0;
        for (int i = 0; i < xs.length; i++) {
            int flag = onCurve[i] ? ON_CURVE : 0;
            if (overlaps && i == 0) {
                flag |= OVERLAP_SIMPLE;
            }
            flag |= writeDelta(xBytes, xs[i] - x, X_SHORT, X_SAME_OR_POSITIVE);
            flag |= writeDelta(yBytes, ys[i] - y, Y_SHORT, Y_SAME_OR_POSITIVE);
            x = xs[i];
            y = ys[i];
            if (flag == lastFlag && repeats < 255) {
                repeats++;
            } else {
                writeFlag(out, lastFlag, repeats);
                lastFlag = flag;
                repeats = 0;
            }
        }
        writeFlag(out, lastFlag, repeats);
        out.bytes(xBytes).bytes(yBytes);
    }

    private static int writeDelta(ByteSink out, int delta, int isShort, int sameOrPositive) {
        if (delta == 0) {
            return sameOrPositive;
        }
        if (delta > -256 && delta < 256) {
            out.u8(Math.abs(delta));
            return delta > 0 ? isShort | sameOrPositive : isShort;
        }
        out.u16(delta);
        return 0;
    }

    private static void writeFlag(ByteSink out, int flag, int repeats) {
        if (flag < 0) {
            return;
        }
        if (repeats == 0) {
            out.u8(flag);
        } else if (repeats == 1) {
            out.u8(flag).u8(flag);
        } else {
            out.u8(flag | REPEAT).u8(repeats);
        }
    }
}
