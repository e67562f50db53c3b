package app.unciala.core.drawing;

import app.unciala.core.font.FontException;
import app.unciala.core.font.outline.Outline;
import app.unciala.core.font.outline.Outlines;
import app.unciala.core.font.sfnt.CmapTable;
import app.unciala.core.font.sfnt.HeadTable;
import app.unciala.core.font.sfnt.HmtxTable;
import app.unciala.core.font.sfnt.Sfnt;
import java.nio.ByteBuffer;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;

/**
 * The digest of a drawing: SHA-256 over units-per-em, every glyph's advance and resolved outline in glyph order, the
 * character map, and for variable fonts the variation tables. Names, dates, hinting and containers have no part in it.
 */
public final class DrawingDigest {
    private static final List<String> VARIATION = List.of("fvar", "avar", "gvar", "cvar");
    private static final List<String> PICTURES = List.of("COLR", "CPAL", "CBDT", "sbix", "SVG ", "EBDT");
    /** Outline coordinates are compared to the 1/64 of a font unit. */
    private static final int PRECISION = 64;

    private final MessageDigest digest;
    private final ByteBuffer buffer = ByteBuffer.allocate(1 << 14);

    private DrawingDigest() {
        try {
            digest = MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }

    /**
     * Digests a face.
     *
     * @return 64 hexadecimal digits
     * @throws FontException if an outline is damaged
     */
    public static String of(Sfnt face, CmapTable cmap, Outlines outlines) {
        return new DrawingDigest().run(face, cmap, outlines);
    }

    private String run(Sfnt face, CmapTable cmap, Outlines outlines) {
        HmtxTable metrics = HmtxTable.read(face);
        put(HeadTable.read(face).unitsPerEm());
        int glyphs = Math.min(outlines.numGlyphs(), metrics.advances().length);
        for (int glyph = 0; glyph < glyphs; glyph++) {
            put(metrics.advances()[glyph]);
            Outline outline = outlines.outline(glyph);
            put(outline.size());
            for (byte operator : outline.operators()) {
                put(operator);
            }
            for (double coordinate : outline.coordinates()) {
                put((int) Math.round(coordinate * PRECISION));
            }
        }
        for (int codePoint : cmap.codePoints()) {
            put(codePoint);
            put(cmap.glyph(codePoint));
        }
        flush();
        for (String tag : VARIATION) {
            face.table(tag).ifPresent(table -> table.digestInto(digest));
        }
        for (String tag : PICTURES) {
            face.table(tag).ifPresent(table -> table.digestInto(digest));
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    private void put(int value) {
        if (buffer.remaining() < 4) {
            flush();
        }
        buffer.putInt(value);
    }

    private void flush() {
        digest.update(buffer.array(), 0, buffer.position());
        buffer.clear();
    }
}
