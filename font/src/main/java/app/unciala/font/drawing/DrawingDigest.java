package app.unciala.font.drawing;

import app.unciala.font.FontException;
import app.unciala.font.budget.Budget;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.cff.CffOutlines;
import app.unciala.font.file.FontReader;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.outline.GlyphPoints;
import app.unciala.font.outline.Outlines;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HmtxTable;
import app.unciala.font.variation.ItemVariationStore;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;

/**
 * The digest of a drawing: SHA-256 over units-per-em, every glyph's advance and the hash of its resolved points in
 * glyph order, the character map, and for variable fonts the variation tables, or the points at the peak of each region of
 * a {@code CFF2} table. Names, dates, hinting and containers have no part in it.
 *
 * <p>The points of a glyph are hashed to 128 bits by multiplication, several times faster than SHA-256 would; good
 * enough to tell drawings apart, though not against someone who sets out to make two alike.
 */
public final class DrawingDigest {
    /** Which way of writing the digest this is; digests of different versions cannot be compared. */
    public static final int VERSION = 3;

    private static final List<String> VARIATION = List.of("fvar", "avar", "gvar");
    private static final List<String> PICTURES = List.of("COLR", "CPAL", "CBDT", "sbix", "SVG ", "EBDT");
    /** Coordinates that are no whole font units are compared to the 1/64. */
    private static final int PRECISION = 64;
    /** A font has some dozens of regions; of one that is made to be slow, the first are enough. */
    private static final int MOST_REGIONS = 256;

    private final MessageDigest digest;
    private final byte[] buffer = new byte[1 << 14];
    private int used;

    private DrawingDigest() {
        try {
            digest = MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }

    /**
     * Digests the only, or the first, face of a font file.
     *
     * @throws FontException if the file is no font, or an outline is damaged
     */
    public static String of(byte[] file) {
        Sfnt face = FontReader.read(file).faces().get(0);
        return of(face, CmapTable.read(face), OutlineReader.read(face));
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
        GlyphPoints points = new GlyphPoints();
        for (int glyph = 0; glyph < glyphs; glyph++) {
            Budget.check();
            put(metrics.advances()[glyph]);
            outlines.points(glyph, points);
            put(points);
        }
        long low = cmap.size();
        long high = 0;
        for (int i = 0; i < cmap.size(); i++) {
            long word = (long) cmap.codePoint(i) << 16 ^ cmap.glyphAt(i);
            low = mixLow(low, word);
            high = mixHigh(high, word);
        }
        putHash(low, high);
        flush();
        face.table("CFF2").ifPresent(table -> putVariations(table, glyphs));
        for (String tag : VARIATION) {
            face.table(tag).ifPresent(table -> table.digestInto(digest));
        }
        for (String tag : PICTURES) {
            face.table(tag).ifPresent(table -> table.digestInto(digest));
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    /** Hints vary as well as points do, so it is points that count, where each region counts in full. */
    private void putVariations(ByteView cff2, int glyphs) {
        CffOutlines byDefault = CffOutlines.read(cff2);
        ItemVariationStore store = byDefault.variations().orElse(null);
        if (store == null) {
            return;
        }
        store.regions().digestInto(digest);
        GlyphPoints points = new GlyphPoints();
        for (int region = 0; region < Math.min(MOST_REGIONS, store.regionCount()); region++) {
            CffOutlines outlines = byDefault.at(store.peak(region));
            for (int glyph = 0; glyph < glyphs; glyph++) {
                Budget.check();
                outlines.points(glyph, points);
                put(points);
            }
        }
        flush();
    }

    /** Most of the time goes here, so the halves of the hash stay in local variables. */
    private void put(GlyphPoints points) {
        boolean whole = points.isWhole();
        long a = points.contours() * 2L + (whole ? 0 : 1);
        long b = points.count();
        int point = 0;
        for (int contour = 0; contour < points.contours(); contour++) {
            int end = points.end(contour);
            for (; point <= end; point++) {
                double x = points.x(point);
                double y = points.y(point);
                if (!whole) {
                    x = Math.rint(x * PRECISION) / PRECISION;
                    y = Math.rint(y * PRECISION) / PRECISION;
                }
                long word = bits(x) ^ Long.rotateLeft(bits(y), 32) ^ points.kind(point);
                a = mixLow(a, word);
                b = mixHigh(b, word);
            }
            a ^= end;
        }
        putHash(a, b);
    }

    /** The bits of a coordinate, which fill the upper half of the word; no number is negative zero. */
    private static long bits(double coordinate) {
        return Double.doubleToRawLongBits(coordinate + 0.0);
    }

    private static long mixLow(long hash, long word) {
        long mixed = (hash ^ word) * 0x9E3779B97F4A7C15L;
        return mixed ^ mixed >>> 32;
    }

    private static long mixHigh(long hash, long word) {
        long mixed = (hash + word) * 0xC2B2AE3D27D4EB4FL;
        return mixed ^ mixed >>> 29;
    }

    private void putHash(long low, long high) {
        put((int) (low >>> 32));
        put((int) low);
        put((int) (high >>> 32));
        put((int) high);
    }

    private void put(int value) {
        if (used > buffer.length - 4) {
            flush();
        }
        buffer[used++] = (byte) (value >> 24);
        buffer[used++] = (byte) (value >> 16);
        buffer[used++] = (byte) (value >> 8);
        buffer[used++] = (byte) value;
    }

    private void flush() {
        digest.update(buffer, 0, used);
        used = 0;
    }
}
