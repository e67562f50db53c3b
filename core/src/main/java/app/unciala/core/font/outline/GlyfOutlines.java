package app.unciala.core.font.outline;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;
import app.unciala.core.font.sfnt.CompositeGlyph;
import app.unciala.core.font.sfnt.CompositeGlyph.Component;
import app.unciala.core.font.sfnt.GlyfTable;
import app.unciala.core.font.sfnt.GlyphPointReader;
import app.unciala.core.font.sfnt.Sfnt;
import org.jspecify.annotations.Nullable;

/** TrueType outlines: quadratic curves, with composites resolved to their points. Not for use by several threads. */
final class GlyfOutlines implements Outlines {
    private static final int MAX_DEPTH = 16;
    private static final int MAX_VISITS = 4096;
    private static final int MAX_KEPT_POINTS = 1 << 17;

    private final GlyfTable table;
    private final GlyphPointReader reader = new GlyphPointReader();
    /** Letters that composites are made of, kept since each is used many times. */
    private final @Nullable GlyphPoints[] parts;

    private int partPoints;

    GlyfOutlines(Sfnt face) {
        table = GlyfTable.read(face);
        parts = new @Nullable GlyphPoints[table.numGlyphs()];
    }

    @Override
    public int numGlyphs() {
        return table.numGlyphs();
    }

    @Override
    public void points(int glyph, GlyphPoints points) {
        points.clear();
        collect(glyph, points, 0, new int[1]);
    }

    private void collect(int glyph, GlyphPoints points, int depth, int[] visits) {
        if (depth > MAX_DEPTH || ++visits[0] > MAX_VISITS) {
            throw new FontException("glyf", -1, "nests composites too deeply or too often at glyph " + glyph);
        }
        ByteView bytes = table.glyph(glyph);
        int contours = bytes.length() == 0 ? 0 : bytes.i16(0);
        if (contours > 0 && depth > 0) {
            points.add(part(glyph, bytes));
        } else if (contours > 0) {
            simple(bytes, points);
        } else if (contours < 0) {
            for (Component part : CompositeGlyph.read(bytes, 10).components()) {
                int from = points.count();
                collect(part.glyph(), points, depth + 1, visits);
                place(points, from, part);
            }
        }
    }

    private GlyphPoints part(int glyph, ByteView bytes) {
        GlyphPoints known = parts[glyph];
        if (known != null) {
            return known;
        }
        GlyphPoints read = new GlyphPoints();
        simple(bytes, read);
        if (partPoints + read.count() <= MAX_KEPT_POINTS) {
            partPoints += read.count();
            parts[glyph] = read;
        }
        return read;
    }

    private void simple(ByteView bytes, GlyphPoints points) {
        reader.read(bytes);
        points.add(reader);
    }

    private static void place(GlyphPoints points, int from, Component part) {
        points.transform(from, part.a(), part.b(), part.c(), part.d());
        double dx = part.dx();
        double dy = part.dy();
        if (part.byPoints()) {
            int anchor = part.dx();
            int moved = from + part.dy();
            if (anchor >= from || moved >= points.count()) {
                throw new FontException("glyf", -1, "joins a composite at a point that is not there");
            }
            dx = points.x(anchor) - points.x(moved);
            dy = points.y(anchor) - points.y(moved);
        } else if (part.scaledOffset()) {
            dx *= Math.hypot(part.a(), part.b());
            dy *= Math.hypot(part.c(), part.d());
        }
        points.move(from, dx, dy);
    }
}
