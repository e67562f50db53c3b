package app.unciala.font.subset;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.glyf.CompositeGlyph;
import app.unciala.font.glyf.GlyfTable;
import app.unciala.font.glyf.GlyphHeader;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.variation.GvarTable;

/** Writes {@code glyf}, {@code loca} and {@code gvar} for fewer glyphs. */
final class GlyfCutter {
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
                    glyf.bytes(GlyphHeader.isComposite(bytes) ? composite(bytes) : simple(bytes))
                            .pad4();
                }
            }
            offsets[glyph + 1] = glyf.size();
        }
        return GlyfTable.replace(face, glyf, offsets);
    }

    private byte[] simple(ByteView glyph) {
        int contours = GlyphHeader.contours(glyph);
        int lengthAt = GlyphHeader.LENGTH + 2 * contours;
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
        CompositeGlyph read = CompositeGlyph.read(glyph, GlyphHeader.LENGTH);
        ByteSink out = new ByteSink(glyph.length());
        out.bytes(hinting ? glyph : glyph.slice(0, read.end()));
        int at = GlyphHeader.LENGTH;
        for (CompositeGlyph.Component part : read.components()) {
            int flags = glyph.u16(at);
            if (!hinting) {
                out.putU16(at, flags & ~CompositeGlyph.HAS_INSTRUCTIONS);
            }
            out.putU16(at + CompositeGlyph.GLYPH, Math.max(0, map.after(part.glyph())));
            at += CompositeGlyph.recordLength(flags);
        }
        return out.toArray();
    }

    /** {@code gvar} with the deltas of kept glyphs (OpenType 1.9, "gvar"); shared tuples stay. */
    byte[] variations(GvarTable gvar) {
        ByteSink data = new ByteSink(1 << 14);
        int[] offsets = new int[map.size() + 1];
        for (int glyph = 0; glyph < map.size(); glyph++) {
            int before = map.before(glyph);
            if (map.kept().get(before)) {
                data.bytes(gvar.variations(before));
                if (data.size() % 2 != 0) {
                    data.u8(0);
                }
            }
            offsets[glyph + 1] = data.size();
        }
        boolean isLong = data.size() > GlyfTable.MAX_SHORT;
        ByteView shared = gvar.sharedTuples();
        int sharedAt = GvarTable.OFFSETS + (isLong ? 4 : 2) * offsets.length;
        return new ByteSink(data.size())
                .bytes(gvar.table().slice(0, GvarTable.SHARED_TUPLES_OFFSET))
                .u32(sharedAt)
                .u16(map.size())
                .u16((gvar.flags() & ~GvarTable.LONG_OFFSETS) | (isLong ? GvarTable.LONG_OFFSETS : 0))
                .u32(sharedAt + shared.length())
                .bytes(GlyfTable.offsets(offsets, isLong))
                .bytes(shared)
                .bytes(data)
                .toArray();
    }
}
