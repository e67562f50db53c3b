package app.unciala.font.instance;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.glyf.CompositeGlyph;
import app.unciala.font.glyf.CompositeGlyph.Component;
import app.unciala.font.glyf.GlyfTable;
import app.unciala.font.glyf.GlyphHeader;
import app.unciala.font.glyf.SimpleGlyph;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.outline.Outlines;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HmtxTable;
import app.unciala.font.variation.Location;
import app.unciala.font.variation.MetricsVariation;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Moves the points of all glyphs to where they are at a location, and writes the outlines and metrics they have there. */
final class GlyphInstancer {
    private static final int PHANTOMS = 4;

    private final Sfnt face;
    private final GlyfTable glyf;
    private final GlyphVariations variations;
    private final HmtxTable metrics;
    private final int[] advances;
    private final double[] origins;
    private final @Nullable HmtxTable vertical;
    private final int[] heights;
    private final double[] tops;

    GlyphInstancer(Sfnt face, Location location) {
        this.face = face;
        glyf = GlyfTable.read(face);
        variations = new GlyphVariations(face.require("gvar"), location);
        metrics = HmtxTable.read(face);
        advances = MetricsVariation.advancesAt(face, "HVAR", location, metrics.advances());
        origins = new double[advances.length];
        boolean hasVertical =
                face.table("vmtx").isPresent() && face.table("vhea").isPresent();
        vertical = hasVertical ? HmtxTable.read(face, "vhea", "vmtx") : null;
        heights = vertical == null
                ? new int[0]
                : MetricsVariation.advancesAt(face, "VVAR", location, vertical.advances());
        tops = new double[heights.length];
    }

    Sfnt run() {
        List<byte[]> glyphs = new ArrayList<>();
        for (int glyph = 0; glyph < glyf.numGlyphs(); glyph++) {
            glyphs.add(glyph(glyph));
        }
        Outlines outlines = OutlineReader.read(withGlyphs(glyphs));
        int[] bearings = new int[advances.length];
        for (int glyph = 0; glyph < glyphs.size(); glyph++) {
            byte[] bytes = glyphs.get(glyph);
            if (GlyphHeader.isComposite(ByteView.of(bytes, "glyf"))) {
                putBounds(bytes, outlines.outline(glyph).coordinates());
            }
            int xMin = bytes.length == 0 ? 0 : ByteView.of(bytes, "glyf").i16(GlyphHeader.X_MIN);
            bearings[glyph] =
                    bytes.length == 0 ? metrics.leftSideBearings()[glyph] : (int) Math.round(xMin - origins[glyph]);
        }
        Sfnt instance = new HmtxTable(advances, bearings).replaceIn(withGlyphs(glyphs), "hhea", "hmtx");
        return vertical == null
                ? instance
                : new HmtxTable(heights, topBearings(glyphs, vertical)).replaceIn(instance, "vhea", "vmtx");
    }

    private int[] topBearings(List<byte[]> glyphs, HmtxTable before) {
        int[] bearings = before.leftSideBearings().clone();
        for (int glyph = 0; glyph < bearings.length; glyph++) {
            byte[] bytes = glyphs.get(glyph);
            if (bytes.length > 0) {
                bearings[glyph] = (int)
                        Math.round(tops[glyph] - ByteView.of(bytes, "glyf").i16(GlyphHeader.Y_MAX));
            }
        }
        return bearings;
    }

    private byte[] glyph(int glyph) {
        ByteView bytes = glyf.glyph(glyph);
        if (GlyphHeader.contours(bytes) == 0) {
            movePhantomPoints(glyph, variations.deltas(glyph, new int[PHANTOMS], new int[PHANTOMS], new int[0]), 0);
            return new byte[0];
        }
        return GlyphHeader.isComposite(bytes) ? composite(glyph, bytes) : simple(glyph, SimpleGlyph.read(bytes));
    }

    private byte[] simple(int glyph, SimpleGlyph simple) {
        int count = simple.xs().length;
        int[] xs = java.util.Arrays.copyOf(simple.xs(), count + PHANTOMS);
        int[] ys = java.util.Arrays.copyOf(simple.ys(), count + PHANTOMS);
        GlyphVariations.Deltas deltas = variations.deltas(glyph, xs, ys, simple.contourEnds());
        movePhantomPoints(glyph, deltas, count);
        int[] movedX = new int[count];
        int[] movedY = new int[count];
        for (int i = 0; i < count; i++) {
            movedX[i] = (int) Math.round(xs[i] + deltas.xs()[i]);
            movedY[i] = (int) Math.round(ys[i] + deltas.ys()[i]);
        }
        SimpleGlyph moved = new SimpleGlyph(
                simple.contourEnds(), simple.onCurve(), movedX, movedY, simple.instructions(), simple.overlaps());
        ByteSink out = new ByteSink();
        moved.write(out, moved.bounds());
        return out.toArray();
    }

    private byte[] composite(int glyph, ByteView bytes) {
        CompositeGlyph read = CompositeGlyph.read(bytes, GlyphHeader.LENGTH);
        List<Component> parts = read.components();
        GlyphVariations.Deltas deltas = variations.deltas(
                glyph, new int[parts.size() + PHANTOMS], new int[parts.size() + PHANTOMS], new int[0]);
        movePhantomPoints(glyph, deltas, parts.size());
        ByteSink out = new ByteSink().bytes(bytes.slice(0, GlyphHeader.LENGTH));
        int at = GlyphHeader.LENGTH;
        for (int i = 0; i < parts.size(); i++) {
            int flags = bytes.u16(at);
            int length = CompositeGlyph.recordLength(flags);
            int transformAt = CompositeGlyph.transformAt(flags);
            if ((flags & CompositeGlyph.ARGS_ARE_XY_VALUES) == 0) {
                out.bytes(bytes.slice(at, length));
            } else {
                out.u16(flags | CompositeGlyph.ARGS_ARE_WORDS).u16(parts.get(i).glyph());
                out.u16((int) Math.round(parts.get(i).dx() + deltas.xs()[i]));
                out.u16((int) Math.round(parts.get(i).dy() + deltas.ys()[i]));
                out.bytes(bytes.slice(at + transformAt, length - transformAt));
            }
            at += length;
        }
        return out.bytes(bytes.from(at)).toArray();
    }

    /**
     * The first two phantom points are the origin and the advance, the others the same from the top down; HVAR and VVAR,
     * where there are any, say the advances faster.
     */
    private void movePhantomPoints(int glyph, GlyphVariations.Deltas deltas, int at) {
        origins[glyph] = deltas.xs()[at] + originOf(glyph);
        if (face.table("HVAR").isEmpty()) {
            advances[glyph] =
                    Math.max(0, (int) Math.round(metrics.advances()[glyph] + deltas.xs()[at + 1] - deltas.xs()[at]));
        }
        if (vertical != null) {
            tops[glyph] = topOf(glyph, vertical) + deltas.ys()[at + 2];
            if (face.table("VVAR").isEmpty()) {
                double longer = deltas.ys()[at + 2] - deltas.ys()[at + 3];
                heights[glyph] = Math.max(0, (int) Math.round(vertical.advances()[glyph] + longer));
            }
        }
    }

    private double topOf(int glyph, HmtxTable before) {
        ByteView bytes = glyf.glyph(glyph);
        return bytes.length() == 0 ? 0 : bytes.i16(GlyphHeader.Y_MAX) + before.leftSideBearings()[glyph];
    }

    private double originOf(int glyph) {
        ByteView bytes = glyf.glyph(glyph);
        return bytes.length() == 0 ? 0 : bytes.i16(GlyphHeader.X_MIN) - metrics.leftSideBearings()[glyph];
    }

    private static void putBounds(byte[] glyph, double[] coordinates) {
        double[] box = {0, 0, 0, 0};
        for (int i = 0; i < coordinates.length; i++) {
            int low = i % 2;
            box[low] = i < 2 ? coordinates[i] : Math.min(box[low], coordinates[i]);
            box[low + 2] = i < 2 ? coordinates[i] : Math.max(box[low + 2], coordinates[i]);
        }
        for (int i = 0; i < 4; i++) {
            int side = (int) Math.round(box[i]);
            glyph[GlyphHeader.X_MIN + 2 * i] = (byte) (side >> 8);
            glyph[GlyphHeader.X_MIN + 2 * i + 1] = (byte) side;
        }
    }

    private Sfnt withGlyphs(List<byte[]> glyphs) {
        ByteSink data = new ByteSink(1 << 16);
        int[] offsets = new int[glyphs.size() + 1];
        for (int i = 0; i < glyphs.size(); i++) {
            data.bytes(glyphs.get(i)).pad4();
            offsets[i + 1] = data.size();
        }
        return GlyfTable.replace(face, data, offsets);
    }
}
