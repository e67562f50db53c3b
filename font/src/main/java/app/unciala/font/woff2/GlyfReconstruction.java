package app.unciala.font.woff2;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.glyf.CompositeGlyph;
import app.unciala.font.glyf.GlyfTable;
import app.unciala.font.glyf.SimpleGlyph;

/** Undoes the transform of {@code glyf} (section 5.1): both tables anew, and each glyph's xMin for {@code hmtx}. */
record GlyfReconstruction(byte[] glyf, byte[] loca, int[] xMins) {
    /** Where fields stand in the transformed table (section 5.1), before the lengths of its streams. */
    private static final int OPTION_FLAGS = 2;

    private static final int NUM_GLYPHS = 4;
    static final int INDEX_FORMAT = 6;
    private static final int STREAM_LENGTHS = 8;
    private static final int STREAM_COUNT = 7;
    private static final int STREAMS = STREAM_LENGTHS + 4 * STREAM_COUNT;

    /** The option flag that says which glyphs overlap themselves. */
    static final int OVERLAP_BITMAP = 1;

    /** Of the flag of a point: whether it is off the curve; the others tell how it moves. */
    static final int OFF_CURVE = 0x80;

    static GlyfReconstruction of(ByteView data) {
        return new Streams(data).run();
    }

    /** The seven streams while they are being read. */
    private static final class Streams {
        private final int numGlyphs;
        private final boolean longOffsets;
        private final ByteCursor contourCounts;
        private final ByteCursor pointCounts;
        private final ByteCursor flags;
        private final ByteCursor glyphData;
        private final ByteCursor composites;
        private final ByteView boxBitmap;
        private final ByteCursor boxes;
        private final ByteCursor instructions;
        private final ByteView overlapBitmap;
        private final ByteSink out = new ByteSink(1 << 16);

        Streams(ByteView data) {
            int options = data.u16(OPTION_FLAGS);
            numGlyphs = data.u16(NUM_GLYPHS);
            longOffsets = data.u16(INDEX_FORMAT) == 1;
            int at = STREAMS;
            ByteView[] streams = new ByteView[STREAM_COUNT];
            for (int i = 0; i < STREAM_COUNT; i++) {
                int length = data.offset32(STREAM_LENGTHS + 4 * i);
                streams[i] = data.slice(at, length);
                at += length;
            }
            contourCounts = new ByteCursor(streams[0], 0);
            pointCounts = new ByteCursor(streams[1], 0);
            flags = new ByteCursor(streams[2], 0);
            glyphData = new ByteCursor(streams[3], 0);
            composites = new ByteCursor(streams[4], 0);
            int bitmapLength = ((numGlyphs + 31) >> 5) << 2;
            boxBitmap = streams[5].slice(0, bitmapLength);
            boxes = new ByteCursor(streams[5], bitmapLength);
            instructions = new ByteCursor(streams[6], 0);
            overlapBitmap = (options & OVERLAP_BITMAP) != 0 ? data.slice(at, (numGlyphs + 7) >> 3) : data.slice(at, 0);
        }

        GlyfReconstruction run() {
            int[] offsets = new int[numGlyphs + 1];
            int[] xMins = new int[numGlyphs];
            for (int glyph = 0; glyph < numGlyphs; glyph++) {
                offsets[glyph] = out.size();
                int contours = (short) contourCounts.u16();
                if (contours == 0) {
                    if (isSet(boxBitmap, glyph)) {
                        throw new FontException("glyf", -1, "gives a box to glyph " + glyph + ", which is empty");
                    }
                } else if (contours < 0) {
                    xMins[glyph] = composite(glyph);
                } else {
                    xMins[glyph] = simple(glyph, contours);
                }
                out.pad4();
            }
            offsets[numGlyphs] = out.size();
            if (!longOffsets && out.size() > GlyfTable.MAX_SHORT) {
                throw new FontException("loca", -1, "has short offsets for a glyf table of " + out.size() + " bytes");
            }
            return new GlyfReconstruction(out.toArray(), GlyfTable.offsets(offsets, longOffsets), xMins);
        }

        private int composite(int glyph) {
            if (!isSet(boxBitmap, glyph)) {
                throw new FontException("glyf", -1, "gives no box to glyph " + glyph + ", which is a composite");
            }
            int[] box = readBox();
            int from = composites.position();
            CompositeGlyph parts = CompositeGlyph.read(composites.view(), from);
            composites.skipTo(parts.end());
            out.u16(-1);
            for (int side : box) {
                out.u16(side);
            }
            out.bytes(composites.view().slice(from, parts.end() - from));
            if (parts.hasInstructions()) {
                int length = glyphData.uint255();
                out.u16(length).bytes(instructions.take(length));
            }
            return box[0];
        }

        private int simple(int glyph, int contours) {
            int[] ends = new int[contours];
            int points = 0;
            for (int i = 0; i < contours; i++) {
                points += pointCounts.uint255();
                if (points > 0x10000) {
                    throw new FontException("glyf", -1, "gives glyph " + glyph + " more than 65536 points");
                }
                ends[i] = points - 1;
            }
            boolean[] onCurve = new boolean[points];
            int[] xs = new int[points];
            int[] ys = new int[points];
            int x = 0;
            int y = 0;
            for (int i = 0; i < points; i++) {
                int flag = flags.u8();
                onCurve[i] = (flag & OFF_CURVE) == 0;
                long delta = Triplet.read(glyphData, flag & ~OFF_CURVE);
                x += Triplet.dx(delta);
                y += Triplet.dy(delta);
                xs[i] = (short) x;
                ys[i] = (short) y;
            }
            byte[] program = instructions.take(glyphData.uint255()).toArray();
            boolean overlaps = overlapBitmap.length() > 0 && isSet(overlapBitmap, glyph);
            SimpleGlyph simple = new SimpleGlyph(ends, onCurve, xs, ys, program, overlaps);
            int[] box = isSet(boxBitmap, glyph) ? readBox() : simple.bounds();
            simple.write(out, box);
            return box[0];
        }

        private int[] readBox() {
            int[] box = new int[4];
            for (int i = 0; i < 4; i++) {
                box[i] = (short) boxes.u16();
            }
            return box;
        }

        private static boolean isSet(ByteView bitmap, int glyph) {
            return (bitmap.u8(glyph >> 3) & 0x80 >> (glyph & 7)) != 0;
        }
    }
}
