package app.unciala.font.subset.color;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.sfnt.Sfnt;

/** Cuts {@code sbix}, pictures of glyphs at several sizes, to the glyphs of a map (OpenType 1.9). */
public final class SbixCutter {
    private static final int STRIKE_COUNT = 4;
    private static final int STRIKE_OFFSETS = 8;
    /** Of a strike, the pictures of one size: what stands before the offsets to them. */
    private static final int STRIKE_HEADER = 4;

    /** Of a picture: where its type stands, and where what is of that type begins. */
    private static final int PICTURE_TYPE = 4;

    private static final int PICTURE_HEADER = 8;

    private final ByteView sbix;
    private final int numGlyphs;
    private final GlyphMap map;

    private SbixCutter(ByteView sbix, int numGlyphs, GlyphMap map) {
        this.sbix = sbix;
        this.numGlyphs = numGlyphs;
        this.map = map;
    }

    /**
     * The face with the pictures of kept glyphs only; unchanged where it has none.
     *
     * @throws FontException if an offset leads outside the table
     */
    public static Sfnt cut(Sfnt face, int numGlyphs, GlyphMap map) {
        if (face.table("sbix").isEmpty()) {
            return face;
        }
        return face.with("sbix", new SbixCutter(face.require("sbix"), numGlyphs, map).cut());
    }

    private byte[] cut() {
        int strikes = (int) Math.min(sbix.u32(STRIKE_COUNT), sbix.length() / STRIKE_HEADER);
        ByteSink written =
                new ByteSink().bytes(sbix.slice(0, STRIKE_COUNT)).u32(strikes).bytes(new byte[4 * strikes]);
        for (int i = 0; i < strikes; i++) {
            written.putU32(STRIKE_OFFSETS + 4 * i, written.size());
            strike(sbix.from(sbix.offset32(STRIKE_OFFSETS + 4 * i)), written);
        }
        return written.toArray();
    }

    private void strike(ByteView strike, ByteSink written) {
        int start = written.size();
        int size = map.size();
        requireRoom(written.size() + 4L * size);
        written.bytes(strike.slice(0, STRIKE_HEADER)).bytes(new byte[4 * (size + 1)]);
        for (int now = 0; now <= size; now++) {
            written.putU32(start + STRIKE_HEADER + 4 * now, written.size() - start);
            if (now < size && map.kept().get(map.before(now))) {
                written.bytes(picture(strike, map.before(now)));
                requireRoom(written.size());
            }
        }
    }

    /** Pictures named by others are written for each, so a cut can be longer, but in a sound font not by much. */
    private void requireRoom(long length) {
        if (length > 2L * sbix.length()) {
            throw new FontException("sbix", -1, "finds more pictures than it can have");
        }
    }

    /** A picture of the type {@code dupe} only names the glyph whose picture it shares, which is put in its place. */
    private ByteView picture(ByteView strike, int glyph) {
        ByteView picture = own(strike, glyph);
        if (picture.length() >= PICTURE_HEADER + 2 && picture.tag(PICTURE_TYPE).equals("dupe")) {
            int other = picture.u16(PICTURE_HEADER);
            return own(strike, other < numGlyphs ? other : glyph);
        }
        return picture;
    }

    private static ByteView own(ByteView strike, int glyph) {
        int from = strike.offset32(STRIKE_HEADER + 4 * glyph);
        int to = strike.offset32(STRIKE_HEADER + 4 + 4 * glyph);
        if (to < from) {
            throw new FontException("sbix", -1, "has the picture of glyph " + glyph + " end before it starts");
        }
        return strike.slice(from, to - from);
    }
}
