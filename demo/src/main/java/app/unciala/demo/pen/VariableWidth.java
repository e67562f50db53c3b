package app.unciala.demo.pen;

import app.unciala.font.bytes.ByteSink;
import java.util.List;

/**
 * The tables that make a font variable in its width, from 100 % down to another percentage: the whole glyph is drawn
 * together sideways ({@code fvar}, {@code gvar} and {@code STAT} of OpenType 1.9).
 */
final class VariableWidth {
    private static final int ALL_POINTS = 0;
    private static final int EMBEDDED_PEAK_AND_PRIVATE_POINTS = 0xA000;
    private static final int WORDS = 0x40;
    private static final int ZEROS = 0x80;
    private static final int RUN = 64;
    private static final int PHANTOM_POINTS = 4;
    private static final int MINUS_ONE = 0xC000;
    /** The name of the axis in the name table. */
    static final int AXIS_NAME = 256;

    private final int narrowest;

    VariableWidth(int narrowest) {
        this.narrowest = narrowest;
    }

    /** What moves in a glyph: the x of each of its points, or of each part of a composite, and its advance. */
    record Moving(int[] xs, int advance) {}

    ByteSink fvar() {
        return new ByteSink()
                .u32(0x00010000)
                .u16(16)
                .u16(2)
                .u16(1)
                .u16(20)
                .u16(0)
                .u16(8)
                .tag("wdth")
                .u32((long) narrowest << 16)
                .u32(100L << 16)
                .u32(100L << 16)
                .u16(0)
                .u16(AXIS_NAME);
    }

    ByteSink stat() {
        return new ByteSink()
                .u16(1)
                .u16(1)
                .u16(8)
                .u16(1)
                .u32(20)
                .u16(0)
                .u32(0)
                .u16(2)
                .tag("wdth")
                .u16(AXIS_NAME)
                .u16(0);
    }

    ByteSink gvar(List<Moving> glyphs) {
        ByteSink data = new ByteSink(1 << 16);
        ByteSink offsets = new ByteSink();
        for (Moving glyph : glyphs) {
            offsets.u32(data.size());
            data.bytes(variation(glyph));
            data.pad4();
        }
        offsets.u32(data.size());
        int header = 20;
        return new ByteSink()
                .u32(0x00010000)
                .u16(1)
                .u16(0)
                .u32(header + offsets.size())
                .u16(glyphs.size())
                .u16(1)
                .u32(header + offsets.size())
                .bytes(offsets)
                .bytes(data);
    }

    private ByteSink variation(Moving glyph) {
        int count = glyph.xs().length + PHANTOM_POINTS;
        int[] deltas = new int[count];
        for (int i = 0; i < glyph.xs().length; i++) {
            deltas[i] = narrowed(glyph.xs()[i]);
        }
        deltas[glyph.xs().length + 1] = narrowed(glyph.advance());
        ByteSink body = new ByteSink().u8(ALL_POINTS);
        for (int from = 0; from < count; from += RUN) {
            int run = Math.min(RUN, count - from);
            body.u8(WORDS | run - 1);
            for (int i = from; i < from + run; i++) {
                body.u16(deltas[i]);
            }
        }
        for (int from = 0; from < count; from += RUN) {
            body.u8(ZEROS | Math.min(RUN, count - from) - 1);
        }
        return new ByteSink()
                .u16(1)
                .u16(10)
                .u16(body.size())
                .u16(EMBEDDED_PEAK_AND_PRIVATE_POINTS)
                .u16(MINUS_ONE)
                .bytes(body);
    }

    private int narrowed(int x) {
        return Math.round(x * (narrowest - 100) / 100f);
    }
}
