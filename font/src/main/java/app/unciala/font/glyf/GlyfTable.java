package app.unciala.font.glyf;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.MaxpTable;

/** {@code glyf} with {@code loca}: the bytes of each glyph; a glyph of no bytes draws nothing. */
public final class GlyfTable {
    /** The longest {@code glyf} that short offsets reach. */
    public static final int MAX_SHORT = 2 * 0xFFFF;

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
            if (offset > glyf.length() || (glyph > 0 && offset < offsets[glyph - 1])) {
                throw new FontException(
                        "loca", (isLong ? 4L : 2L) * glyph, "puts glyph " + glyph + " at " + offset + ", outside glyf");
            }
            offsets[glyph] = (int) offset;
        }
        return new GlyfTable(glyf, offsets);
    }

    /**
     * A face with other glyphs.
     *
     * @param glyphs their bytes, each from an offset that four divides
     * @param offsets of {@code glyphs}, one more than there are glyphs
     */
    public static Sfnt replace(Sfnt face, ByteSink glyphs, int[] offsets) {
        boolean isLong = glyphs.size() > MAX_SHORT;
        ByteSink head = new ByteSink().bytes(face.require("head"));
        head.putU16(HeadTable.INDEX_TO_LOC_FORMAT, isLong ? 1 : 0);
        // A font needs a glyf table with something in it.
        return face.with("glyf", glyphs.size() == 0 ? new byte[4] : glyphs.toArray())
                .with("loca", offsets(offsets, isLong))
                .with("head", head.toArray());
    }

    /** Offsets as {@code loca} and {@code gvar} have them: in 32 bits each, or as half of them in 16. */
    public static byte[] offsets(int[] offsets, boolean isLong) {
        ByteSink out = new ByteSink(4 * offsets.length);
        for (int offset : offsets) {
            if (isLong) {
                out.u32(offset);
            } else {
                out.u16(offset / 2);
            }
        }
        return out.toArray();
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
