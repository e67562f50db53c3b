package app.unciala.core.font.sfnt;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;

/** {@code glyf} with {@code loca}: the bytes of each glyph; a glyph of no bytes draws nothing. */
public final class GlyfTable {
    private final ByteView glyf;
    private final int[] offsets;

    private GlyfTable(ByteView glyf, int[] offsets) {
        this.glyf = glyf;
        this.offsets = offsets;
    }

    public static GlyfTable read(Sfnt face) {
        int numGlyphs = MaxpTable.read(face).numGlyphs();
        boolean isLong = HeadTable.read(face).indexToLocFormat() == 1;
        ByteView loca = face.require("loca");
        ByteView glyf = face.require("glyf");
        int[] offsets = new int[numGlyphs + 1];
        for (int glyph = 0; glyph <= numGlyphs; glyph++) {
            long offset = isLong ? loca.u32(4 * glyph) : 2L * loca.u16(2 * glyph);
            if (offset > glyf.length() || glyph > 0 && offset < offsets[glyph - 1]) {
                throw new FontException(
                        "loca", (isLong ? 4L : 2L) * glyph, "puts glyph " + glyph + " at " + offset + ", outside glyf");
            }
            offsets[glyph] = (int) offset;
        }
        return new GlyfTable(glyf, offsets);
    }

    public int numGlyphs() {
        return offsets.length - 1;
    }

    public ByteView glyph(int glyph) {
        if (glyph < 0 || glyph >= numGlyphs()) {
            throw new FontException("glyf", -1, "refers to glyph " + glyph + " of " + numGlyphs());
        }
        return glyf.slice(offsets[glyph], offsets[glyph + 1] - offsets[glyph]);
    }
}
