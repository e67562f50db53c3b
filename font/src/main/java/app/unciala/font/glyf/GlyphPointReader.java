package app.unciala.font.glyf;

import static app.unciala.font.glyf.PointFlags.ON_CURVE;
import static app.unciala.font.glyf.PointFlags.OVERLAP_SIMPLE;
import static app.unciala.font.glyf.PointFlags.REPEAT;
import static app.unciala.font.glyf.PointFlags.RESERVED;
import static app.unciala.font.glyf.PointFlags.X_SAME_OR_POSITIVE;
import static app.unciala.font.glyf.PointFlags.X_SHORT;
import static app.unciala.font.glyf.PointFlags.Y_SAME_OR_POSITIVE;
import static app.unciala.font.glyf.PointFlags.Y_SHORT;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.outline.GlyphPoints;
import java.util.Arrays;

/**
 * Reads the points of simple glyphs, one after the other, into arrays that are used again: most of what reading a font
 * takes is spent here. Coordinates are absolute, in font units.
 */
public final class GlyphPointReader implements GlyphPoints.Source {

    private int contours;
    private int points;
    private int[] ends = new int[16];
    private byte[] flags = new byte[128];
    private int[] xs = new int[128];
    private int[] ys = new int[128];
    private byte[] raw = new byte[1024];
    private int rawStart;
    private int rawLength;
    private int instructionsAt;
    private int instructionLength;
    private String oddity = "";

    /**
     * Reads the glyph whose description, header and all, the view holds.
     *
     * @throws FontException if it ends too early, or a contour ends before it begins
     */
    public void read(ByteView glyph) {
        contours = glyph.i16(0);
        if (contours > ends.length) {
            ends = new int[contours];
        }
        int at = GlyphHeader.LENGTH;
        int last = -1;
        for (int i = 0; i < contours; i++, at += 2) {
            int end = glyph.u16(at);
            if (end < last) {
                throw new FontException("glyf", at, "has a contour that ends before it begins");
            }
            ends[i] = end;
            last = end;
        }
        points = last + 1;
        instructionLength = glyph.u16(at);
        instructionsAt = at + 2;
        glyph.slice(instructionsAt, instructionLength);
        if (points > flags.length) {
            int capacity = Math.max(points, 2 * flags.length);
            flags = new byte[capacity];
            xs = new int[capacity];
            ys = new int[capacity];
        }
        copy(glyph, instructionsAt + instructionLength);
        at = readFlags(glyph);
        at = readCoordinates(at, xs, X_SHORT, X_SAME_OR_POSITIVE);
        readCoordinates(at, ys, Y_SHORT, Y_SAME_OR_POSITIVE);
    }

    /** The bytes behind the instructions, and two more, so that coordinates are read without asking how long they are. */
    private void copy(ByteView glyph, int from) {
        rawStart = from;
        rawLength = glyph.length() - from;
        if (raw.length < rawLength + 2) {
            raw = new byte[Math.max(rawLength + 2, 2 * raw.length)];
        }
        glyph.copyTo(from, raw, 0, rawLength);
    }

    /** Reads the flags and makes sure that all they promise is there. */
    private int readFlags(ByteView glyph) {
        int at = 0;
        int bytes = 0;
        for (int i = 0; i < points; ) {
            need(glyph, at, 1);
            byte flag = raw[at++];
            int times = 1;
            if ((flag & (OVERLAP_SIMPLE | RESERVED)) != 0 && (i > 0 || (flag & RESERVED) != 0)) {
                oddity = "sets reserved bits in a flag";
            }
            flags[i++] = flag;
            if ((flag & REPEAT) != 0) {
                need(glyph, at, 1);
                int repeats = raw[at++] & 0xFF;
                if (repeats == 0 || i + repeats > points) {
                    oddity = repeats == 0 ? "repeats a flag no times" : "repeats a flag past its last point";
                }
                int end = Math.min(points, i + repeats);
                times += end - i;
                // Repeats are short, and a loop is quicker for those.
                while (i < end) {
                    flags[i++] = flag;
                }
            }
            bytes += times * (length(flag, X_SHORT, X_SAME_OR_POSITIVE) + length(flag, Y_SHORT, Y_SAME_OR_POSITIVE));
        }
        need(glyph, at, bytes);
        return at;
    }

    private void need(ByteView glyph, int at, int bytes) {
        if (at + bytes > rawLength) {
            throw new FontException(
                    glyph.table(),
                    rawStart + at,
                    "needs " + bytes + " bytes here, but the glyph ends at " + glyph.length());
        }
    }

    private static int length(int flag, int isShort, int sameOrPositive) {
        return (flag & isShort) != 0 ? 1 : (flag & sameOrPositive) != 0 ? 0 : 2;
    }

    /**
     * Flags follow no pattern that a processor could guess, so the four cases are worked out without branches: one
     * byte to add or to take away, no change, or two bytes to add.
     */
    private int readCoordinates(int start, int[] out, int isShort, int sameOrPositive) {
        byte[] bytes = raw;
        byte[] kinds = flags;
        int shortShift = Integer.numberOfTrailingZeros(isShort);
        int sameShift = Integer.numberOfTrailingZeros(sameOrPositive);
        int at = start;
        int value = 0;
        for (int i = 0; i < points; i++) {
            int flag = kinds[i];
            int small = flag >> shortShift & 1;
            int same = flag >> sameShift & 1;
            int first = bytes[at] & 0xFF;
            int word = (short) (first << 8 | (bytes[at + 1] & 0xFF));
            int negate = same - 1;
            value += ((first ^ negate) - negate) * small + (word & negate) * (1 - small);
            at += small + 2 * ((1 - small) & ~same);
            out[i] = (short) value;
        }
        return at;
    }

    /** Adds the points to arrays that have room for them; {@code kinds} get 0 on the curve and 1 off it. */
    @Override
    public void copyTo(double[] toX, double[] toY, byte[] kinds, int at) {
        for (int i = 0; i < points; i++) {
            toX[at + i] = xs[i];
            toY[at + i] = ys[i];
            kinds[at + i] = (byte) (~flags[i] & ON_CURVE);
        }
    }

    /** What is wrong with the flags of a glyph read so far, though it could be read; empty where nothing is. */
    public String oddity() {
        return oddity;
    }

    @Override
    public int contours() {
        return contours;
    }

    /** The index of a contour's last point. */
    @Override
    public int end(int contour) {
        return ends[contour];
    }

    @Override
    public int points() {
        return points;
    }

    private boolean onCurve(int point) {
        return (flags[point] & ON_CURVE) != 0;
    }

    /** The glyph just read, with arrays of its own. */
    SimpleGlyph toGlyph(ByteView glyph) {
        boolean[] onCurve = new boolean[points];
        for (int i = 0; i < points; i++) {
            onCurve[i] = onCurve(i);
        }
        return new SimpleGlyph(
                Arrays.copyOf(ends, contours),
                onCurve,
                Arrays.copyOf(xs, points),
                Arrays.copyOf(ys, points),
                glyph.slice(instructionsAt, instructionLength).toArray(),
                points > 0 && (flags[0] & OVERLAP_SIMPLE) != 0);
    }
}
