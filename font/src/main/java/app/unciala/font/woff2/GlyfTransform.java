package app.unciala.font.woff2;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.glyf.CompositeGlyph;
import app.unciala.font.glyf.GlyfTable;
import app.unciala.font.glyf.GlyphHeader;
import app.unciala.font.glyf.SimpleGlyph;
import app.unciala.font.sfnt.Sfnt;
import java.util.Arrays;

/** Applies the transform of {@code glyf} (section 5.1), and keeps each glyph's xMin for that of {@code hmtx}. */
record GlyfTransform(byte[] data, int[] xMins) {
    /** {@code locFormat} is that of the loca table which the decoder is to write. */
    static GlyfTransform of(Sfnt face, int locFormat) {
        return new Streams(GlyfTable.read(face), locFormat).run();
    }

    private static final class Streams {
        private final GlyfTable table;
        private final int locFormat;
        private final ByteSink contourCounts = new ByteSink();
        private final ByteSink pointCounts = new ByteSink();
        private final ByteSink flags = new ByteSink(1 << 14);
        private final ByteSink glyphData = new ByteSink(1 << 15);
        private final ByteSink composites = new ByteSink();
        private final ByteSink boxes = new ByteSink();
        private final ByteSink instructions = new ByteSink();
        private final byte[] boxBitmap;
        private final byte[] overlapBitmap;
        private boolean anyOverlap;

        Streams(GlyfTable table, int locFormat) {
            this.table = table;
            this.locFormat = locFormat;
            boxBitmap = new byte[((table.numGlyphs() + 31) >> 5) << 2];
            overlapBitmap = new byte[(table.numGlyphs() + 7) >> 3];
        }

        GlyfTransform run() {
            int[] xMins = new int[table.numGlyphs()];
            for (int glyph = 0; glyph < table.numGlyphs(); glyph++) {
                ByteView bytes = table.glyph(glyph);
                int contours = GlyphHeader.contours(bytes);
                if (contours == 0) {
                    contourCounts.u16(0);
                } else {
                    xMins[glyph] = bytes.i16(GlyphHeader.X_MIN);
                    if (contours < 0) {
                        composite(glyph, bytes);
                    } else {
                        simple(glyph, bytes);
                    }
                }
            }
            ByteSink out = new ByteSink(1 << 16);
            out.u16(0)
                    .u16(anyOverlap ? GlyfReconstruction.OVERLAP_BITMAP : 0)
                    .u16(table.numGlyphs())
                    .u16(locFormat);
            ByteSink[] streams = {contourCounts, pointCounts, flags, glyphData, composites};
            for (ByteSink stream : streams) {
                out.u32(stream.size());
            }
            out.u32(boxBitmap.length + boxes.size()).u32(instructions.size());
            for (ByteSink stream : streams) {
                out.bytes(stream);
            }
            out.bytes(boxBitmap).bytes(boxes).bytes(instructions);
            if (anyOverlap) {
                out.bytes(overlapBitmap);
            }
            return new GlyfTransform(out.toArray(), xMins);
        }

        private void composite(int glyph, ByteView bytes) {
            contourCounts.u16(-1);
            putBox(glyph, bytes);
            CompositeGlyph parts = CompositeGlyph.read(bytes, GlyphHeader.LENGTH);
            composites.bytes(bytes.slice(GlyphHeader.LENGTH, parts.end() - GlyphHeader.LENGTH));
            if (parts.hasInstructions()) {
                int length = bytes.u16(parts.end());
                VariableLength.put255(glyphData, length);
                instructions.bytes(bytes.slice(parts.end() + 2, length));
            }
        }

        private void simple(int glyph, ByteView bytes) {
            SimpleGlyph simple = SimpleGlyph.read(bytes);
            contourCounts.u16(simple.contourEnds().length);
            int last = -1;
            for (int end : simple.contourEnds()) {
                VariableLength.put255(pointCounts, end - last);
                last = end;
            }
            int x = 0;
            int y = 0;
            for (int i = 0; i < simple.xs().length; i++) {
                Triplet.write(flags, glyphData, simple.onCurve()[i], simple.xs()[i] - x, simple.ys()[i] - y);
                x = simple.xs()[i];
                y = simple.ys()[i];
            }
            VariableLength.put255(glyphData, simple.instructions().length);
            instructions.bytes(simple.instructions());
            if (!Arrays.equals(GlyphHeader.box(bytes), simple.bounds())) {
                putBox(glyph, bytes);
            }
            if (simple.overlaps()) {
                anyOverlap = true;
                overlapBitmap[glyph >> 3] |= (byte) (0x80 >> (glyph & 7));
            }
        }

        private void putBox(int glyph, ByteView bytes) {
            boxBitmap[glyph >> 3] |= (byte) (0x80 >> (glyph & 7));
            boxes.bytes(bytes.slice(GlyphHeader.X_MIN, GlyphHeader.LENGTH - GlyphHeader.X_MIN));
        }
    }
}
