package app.unciala.core.font.subset;

import app.unciala.core.font.ByteSink;
import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;
import app.unciala.core.font.sfnt.CmapTable;
import app.unciala.core.font.sfnt.CmapWriter;
import app.unciala.core.font.sfnt.GlyfTable;
import app.unciala.core.font.sfnt.HeadTable;
import app.unciala.core.font.sfnt.HheaTable;
import app.unciala.core.font.sfnt.MaxpTable;
import app.unciala.core.font.sfnt.Sfnt;
import java.util.BitSet;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * Cuts a face to some characters. Glyphs keep their numbers, and those that no kept text can reach are emptied; so
 * layout tables keep their shape and text is set as before. Names and license records stay. Faces with TrueType
 * outlines only.
 */
public final class Subsetter {
    /** Tables that name glyphs one by one for tools, or sign or cache what is no longer there. */
    private static final List<String> DROPPED = List.of("DSIG", "hdmx", "VDMX", "LTSH", "PCLT", "FFTM");

    private Subsetter() {}

    /**
     * Cuts a face.
     *
     * @param codePoints what to keep; characters that the face lacks are passed over
     * @throws FontException if the face has other outlines than TrueType, or keeps nothing
     */
    public static Sfnt subset(Sfnt face, BitSet codePoints) {
        if (face.table("glyf").isEmpty()) {
            throw new FontException("file", -1, "has no TrueType outlines, and others are not cut yet");
        }
        CmapTable cmap = CmapTable.read(face);
        SortedMap<Integer, Integer> mapping = new TreeMap<>();
        BitSet mapped = new BitSet();
        for (int codePoint : cmap.codePoints()) {
            if (codePoints.get(codePoint)) {
                mapping.put(codePoint, cmap.glyph(codePoint));
                mapped.set(cmap.glyph(codePoint));
            }
        }
        if (mapping.isEmpty()) {
            throw new FontException("cmap", -1, "has none of the characters to keep");
        }
        BitSet kept = GlyphClosure.of(face, mapped);
        Sfnt cut = withOutlines(face, kept).with("cmap", CmapWriter.write(mapping));
        cut = cut.with("hmtx", metrics(face, kept)).with("post", withoutGlyphNames(face));
        if (face.table("gvar").isPresent()) {
            cut = cut.with("gvar", variations(face.require("gvar"), kept));
        }
        if (face.table("GPOS").isPresent()) {
            int numGlyphs = MaxpTable.read(face).numGlyphs();
            // With GPOS there, no browser looks at the old kerning table.
            cut = cut.with("GPOS", KerningTrim.of(face.require("GPOS"), kept, numGlyphs))
                    .without("kern");
        }
        for (String tag : DROPPED) {
            cut = cut.without(tag);
        }
        return cut;
    }

    private static Sfnt withOutlines(Sfnt face, BitSet kept) {
        GlyfTable table = GlyfTable.read(face);
        ByteSink glyf = new ByteSink(1 << 16);
        ByteSink loca = new ByteSink();
        boolean longOffsets = HeadTable.read(face).indexToLocFormat() == 1;
        for (int glyph = 0; glyph <= table.numGlyphs(); glyph++) {
            if (longOffsets) {
                loca.u32(glyf.size());
            } else {
                loca.u16(glyf.size() >> 1);
            }
            if (glyph < table.numGlyphs() && kept.get(glyph)) {
                glyf.bytes(table.glyph(glyph)).pad4();
            }
        }
        // A font needs a glyf table with something in it.
        return face.with("glyf", glyf.size() == 0 ? new byte[4] : glyf.toArray())
                .with("loca", loca.toArray());
    }

    /** Emptied glyphs get zeros, which take next to no room once compressed. */
    private static byte[] metrics(Sfnt face, BitSet kept) {
        byte[] hmtx = face.require("hmtx").toArray();
        int numberOfHMetrics = HheaTable.read(face).numberOfHMetrics();
        for (int glyph = 0; glyph < numberOfHMetrics - 1 && 4 * glyph + 4 <= hmtx.length; glyph++) {
            if (!kept.get(glyph)) {
                hmtx[4 * glyph] = 0;
                hmtx[4 * glyph + 1] = 0;
                hmtx[4 * glyph + 2] = 0;
                hmtx[4 * glyph + 3] = 0;
            }
        }
        return hmtx;
    }

    /** Version 3 of {@code post}: the same metrics, no names. */
    private static byte[] withoutGlyphNames(Sfnt face) {
        byte[] post = new byte[32];
        face.table("post").filter(table -> table.length() >= 32).ifPresent(table -> table.copyTo(0, post, 0, 32));
        post[0] = 0;
        post[1] = 3;
        post[2] = 0;
        post[3] = 0;
        return post;
    }

    /** {@code gvar} with the deltas of kept glyphs only (OpenType 1.9, "gvar"). */
    private static byte[] variations(ByteView gvar, BitSet kept) {
        int glyphs = gvar.u16(12);
        boolean longOffsets = (gvar.u16(14) & 1) != 0;
        int size = longOffsets ? 4 : 2;
        int dataAt = gvar.offset32(16);
        int sharedAt = gvar.offset32(8);
        int sharedLength = gvar.u16(6) * gvar.u16(4) * 2;
        ByteSink data = new ByteSink();
        ByteSink offsets = new ByteSink();
        for (int glyph = 0; glyph <= glyphs; glyph++) {
            offsets.u32(data.size());
            if (glyph < glyphs && kept.get(glyph)) {
                int from = offset(gvar, 20 + size * glyph, longOffsets);
                int to = offset(gvar, 20 + size * (glyph + 1), longOffsets);
                data.bytes(gvar.slice(dataAt + from, to - from)).pad4();
            }
        }
        ByteSink out = new ByteSink();
        int newSharedAt = 20 + offsets.size();
        out.bytes(gvar.slice(0, 8)).u32(newSharedAt).u16(glyphs).u16(gvar.u16(14) | 1);
        out.u32(newSharedAt + sharedLength)
                .bytes(offsets)
                .bytes(gvar.slice(sharedAt, sharedLength))
                .bytes(data);
        return out.toArray();
    }

    private static int offset(ByteView gvar, int at, boolean isLong) {
        return isLong ? gvar.offset32(at) : 2 * gvar.u16(at);
    }
}
