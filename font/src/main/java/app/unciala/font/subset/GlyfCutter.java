package app.unciala.font.subset;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.glyf.CompositeGlyph;
import app.unciala.font.glyf.GlyfTable;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.sfnt.Sfnt;

/** Writes {@code glyf}, {@code loca} and {@code gvar} for fewer glyphs. */
final class GlyfCutter {
    private static final int HAS_INSTRUCTIONS = 0x0100;
    private final GlyphMap map;
    private final boolean hinting;

    GlyfCutter(GlyphMap map, boolean hinting) {
        this.map = map;
        this.hinting = hinting;
    }

    Sfnt cut(Sfnt face) {
        GlyfTable table = GlyfTable.read(face);
        ByteSink glyf = new ByteSink(1 << 16);
        int[] offsets = new int[map.size() + 1];
        for (int glyph = 0; glyph < map.size(); glyph++) {
            int before = map.before(glyph);
            if (map.kept().get(before)) {
                ByteView bytes = table.glyph(before);
                if (bytes.length() > 0) {
                    glyf.bytes(bytes.i16(0) < 0 ? composite(bytes) : simple(bytes))
                            .pad4();
                }
            }
            offsets[glyph + 1] = glyf.size();
        }
        return GlyfTable.replace(face, glyf, offsets);
    }

    private byte[] simple(ByteView glyph) {
        int contours = glyph.u16(0);
        int lengthAt = 10 + 2 * contours;
        if (hinting || contours == 0) {
            return glyph.toArray();
        }
        int instructions = glyph.u16(lengthAt);
        return new ByteSink(glyph.length())
                .bytes(glyph.slice(0, lengthAt))
                .u16(0)
                .bytes(glyph.from(lengthAt + 2 + instructions))
                .toArray();
    }

    /** The same components under their new numbers. */
    private byte[] composite(ByteView glyph) {
        CompositeGlyph read = CompositeGlyph.read(glyph, 10);
        ByteSink out = new ByteSink(glyph.length());
        out.bytes(hinting ? glyph : glyph.slice(0, read.end()));
        int at = 10;
        for (CompositeGlyph.Component part : read.components()) {
            int flags = glyph.u16(at);
            if (!hinting) {
                out.putU16(at, flags & ~HAS_INSTRUCTIONS);
            }
            out.putU16(at + 2, Math.max(0, map.after(part.glyph())));
            at += CompositeGlyph.recordLength(flags);
        }
        return out.toArray();
    }

    /** {@code gvar} with the deltas of kept glyphs (OpenType 1.9, "gvar"); shared tuples stay. */
    byte[] variations(ByteView gvar) {
        int glyphs = gvar.u16(12);
        boolean isLong = (gvar.u16(14) & 1) != 0;
        int dataAt = gvar.offset32(16);
        int sharedAt = gvar.offset32(8);
        int sharedLength = gvar.u16(6) * gvar.u16(4) * 2;
        ByteSink data = new ByteSink(1 << 14);
        int[] offsets = new int[map.size() + 1];
        for (int glyph = 0; glyph < map.size(); glyph++) {
            int before = map.before(glyph);
            if (before < glyphs && map.kept().get(before)) {
                int from = offset(gvar, before, isLong);
                int to = offset(gvar, before + 1, isLong);
                data.bytes(gvar.slice(dataAt + from, to - from));
                if (data.size() % 2 != 0) {
                    data.u8(0);
                }
            }
            offsets[glyph + 1] = data.size();
        }
        boolean isShort = data.size() <= GlyfTable.MAX_SHORT;
        ByteSink out = new ByteSink(data.size());
        int newSharedAt = 20 + (isShort ? 2 : 4) * offsets.length;
        out.bytes(gvar.slice(0, 8)).u32(newSharedAt).u16(map.size()).u16((gvar.u16(14) & ~1) | (isShort ? 0 : 1));
        out.u32(newSharedAt + sharedLength);
        out.bytes(GlyfTable.offsets(offsets, !isShort));
        return out.bytes(gvar.slice(sharedAt, sharedLength)).bytes(data).toArray();
    }

    private static int offset(ByteView gvar, int glyph, boolean isLong) {
        return isLong ? gvar.offset32(20 + 4 * glyph) : 2 * gvar.u16(20 + 2 * glyph);
    }
}
