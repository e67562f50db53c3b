package app.unciala.font.glyf;

import app.unciala.font.FontException;
import app.unciala.font.Problem;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.glyf.CompositeGlyph.Component;
import app.unciala.font.outline.GlyphPoints;
import app.unciala.font.outline.Outlines;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** TrueType outlines: quadratic curves, with composites resolved to their points. Not for use by several threads. */
public final class GlyfOutlines implements Outlines {
    private static final int MAX_DEPTH = 16;
    private static final int MAX_VISITS = 4096;
    private static final int MAX_KEPT_POINTS = 1 << 17;

    private final GlyfTable table;
    private final GlyphPointReader reader = new GlyphPointReader();
    /** Glyphs that serve as components, kept because many composites share them. */
    private final @Nullable GlyphPoints[] parts;

    private int partPoints;
    /** Only the first problem is kept: where one glyph is damaged, many are. */
    private final List<Problem> problems = new ArrayList<>();

    public GlyfOutlines(Sfnt face) {
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

    @Override
    public List<Problem> problems() {
        return List.copyOf(problems);
    }

    private void collect(int glyph, GlyphPoints points, int depth, int[] visits) {
        if (depth > MAX_DEPTH || ++visits[0] > MAX_VISITS) {
            throw new FontException("glyf", -1, "nests composites too deeply or too often at glyph " + glyph);
        }
        ByteView bytes = table.glyph(glyph);
        int contours = GlyphHeader.contours(bytes);
        if (depth == 0 && bytes.length() > 0 && isInsideOut(bytes)) {
            note(glyph, "has a bounding box inside out");
        }
        if (contours > 0 && depth > 0) {
            points.add(part(glyph, bytes));
        } else if (contours > 0) {
            simple(glyph, bytes, points);
        } else if (contours < 0) {
            CompositeGlyph composite = CompositeGlyph.read(bytes, GlyphHeader.LENGTH);
            if (contours < -1) {
                note(glyph, "says it has " + contours + " contours");
            } else if (composite.hasInstructions() && endsEarly(bytes, composite.end())) {
                note(glyph, "has instructions that run past its end");
            }
            for (Component part : composite.components()) {
                int from = points.count();
                collect(part.glyph(), points, depth + 1, visits);
                place(points, from, part);
            }
        }
    }

    private static boolean isInsideOut(ByteView glyph) {
        return glyph.i16(GlyphHeader.X_MIN) > glyph.i16(GlyphHeader.X_MAX)
                || glyph.i16(GlyphHeader.Y_MIN) > glyph.i16(GlyphHeader.Y_MAX);
    }

    private static boolean endsEarly(ByteView glyph, int at) {
        return at + 2 > glyph.length() || at + 2 + glyph.u16(at) > glyph.length();
    }

    private void note(int glyph, String text) {
        if (problems.isEmpty()) {
            problems.add(Problem.refusal("glyf", text + " at glyph " + glyph));
        }
    }

    private GlyphPoints part(int glyph, ByteView bytes) {
        GlyphPoints known = parts[glyph];
        if (known != null) {
            return known;
        }
        GlyphPoints read = new GlyphPoints();
        simple(glyph, bytes, read);
        if (partPoints + read.count() <= MAX_KEPT_POINTS) {
            partPoints += read.count();
            parts[glyph] = read;
        }
        return read;
    }

    private void simple(int glyph, ByteView bytes, GlyphPoints points) {
        reader.read(bytes);
        if (!reader.oddity().isEmpty()) {
            note(glyph, reader.oddity());
        }
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
