package app.unciala.font.truetype;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.glyf.GlyfTable;
import app.unciala.font.glyf.SimpleGlyph;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.outline.Outlines;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HmtxTable;
import app.unciala.font.table.MaxpTable;
import app.unciala.font.table.VorgTable;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Writes faces of CFF outlines with TrueType outlines, for hosts and browsers that take no others. Each curve stays within a
 * thousandth of the em of the one that it replaces: {@value #TOLERANCE} of it for the curve, and what rounding to font units
 * adds. Glyphs, names, character map and layout stay as they are; hints do not.
 */
public final class TrueTypeConversion {
    /** How far a curve may be from the one that it replaces, before rounding, in parts of the em. */
    static final double TOLERANCE = 0.0003;

    private static final int MOST_POINTS = 0xFFFF;
    private static final int GASP_SMOOTH = 0x000A;

    private TrueTypeConversion() {}

    /**
     * The same face with TrueType outlines; itself where it has them already.
     *
     * @throws FontException if its outlines vary, are damaged, or have more points than TrueType takes
     */
    public static Sfnt of(Sfnt face) {
        if (!face.hasCffOutlines()) {
            return face;
        }
        if (face.table("CFF2").isPresent()) {
            throw new FontException(
                    "CFF2", -1, "has outlines that vary, which can't become TrueType. Make a static instance first");
        }
        Outlines outlines = OutlineReader.read(face);
        double tolerance = TOLERANCE * HeadTable.read(face).unitsPerEm();
        int numGlyphs = Math.min(outlines.numGlyphs(), MaxpTable.read(face).numGlyphs());
        Written written = new Written(numGlyphs);
        for (int glyph = 0; glyph < numGlyphs; glyph++) {
            written.add(glyph, QuadraticContours.of(outlines.outline(glyph), tolerance));
        }
        return written.in(face);
    }

    /** The glyphs as they are written, and what the tables around them say of them. */
    private static final class Written {
        private final ByteSink glyphs = new ByteSink(1 << 16);
        private final int[] offsets;
        private final int[][] boxes;
        private int mostPoints;
        private int mostContours;

        private Written(int numGlyphs) {
            offsets = new int[numGlyphs + 1];
            boxes = new int[numGlyphs][];
        }

        private void add(int glyph, SimpleGlyph written) {
            if (written.xs().length > MOST_POINTS) {
                throw new FontException(
                        "CFF ", -1, "glyph " + glyph + " would have more than " + MOST_POINTS + " points in TrueType");
            }
            boxes[glyph] = written.bounds();
            mostPoints = Math.max(mostPoints, written.xs().length);
            mostContours = Math.max(mostContours, written.contourEnds().length);
            if (written.xs().length > 0) {
                written.write(glyphs, boxes[glyph]);
                glyphs.pad4();
            }
            offsets[glyph + 1] = glyphs.size();
        }

        private Sfnt in(Sfnt face) {
            Sfnt made = new Sfnt(Sfnt.TRUETYPE, new TreeMap<>(face.tables()), List.of())
                    .without("CFF ")
                    .without("VORG")
                    .with("maxp", maxp())
                    .with("head", head(face));
            if (made.table("gasp").isEmpty()) {
                made = made.with("gasp", gasp());
            }
            made = bearings(made, face);
            return GlyfTable.replace(made, glyphs, offsets);
        }

        private byte[] maxp() {
            ByteSink maxp = ByteSink.zeros(MaxpTable.LENGTH);
            maxp.putU32(0, MaxpTable.TRUETYPE_VERSION);
            maxp.putU16(MaxpTable.NUM_GLYPHS, boxes.length);
            maxp.putU16(MaxpTable.MAX_POINTS, mostPoints);
            maxp.putU16(MaxpTable.MAX_CONTOURS, mostContours);
            maxp.putU16(MaxpTable.MAX_ZONES, 2);
            return maxp.toArray();
        }

        private byte[] head(Sfnt face) {
            ByteSink head = new ByteSink().bytes(face.require("head"));
            int[] all = new int[4];
            boolean any = false;
            for (int glyph = 0; glyph < boxes.length; glyph++) {
                int[] box = boxes[glyph];
                if (offsets[glyph + 1] > offsets[glyph]) {
                    all[0] = any ? Math.min(all[0], box[0]) : box[0];
                    all[1] = any ? Math.min(all[1], box[1]) : box[1];
                    all[2] = any ? Math.max(all[2], box[2]) : box[2];
                    all[3] = any ? Math.max(all[3], box[3]) : box[3];
                    any = true;
                }
            }
            Map<Integer, Integer> sides = Map.of(
                    HeadTable.X_MIN, all[0], HeadTable.Y_MIN, all[1], HeadTable.X_MAX, all[2], HeadTable.Y_MAX, all[3]);
            sides.forEach(head::putU16);
            head.putU16(HeadTable.GLYPH_DATA_FORMAT, 0);
            return head.toArray();
        }

        /** Smoothed at every size, as there are no hints. */
        private static byte[] gasp() {
            return new ByteSink().u16(1).u16(1).u16(0xFFFF).u16(GASP_SMOOTH).toArray();
        }

        /** TrueType places a glyph by its bearings: they have to be those of its box. */
        private Sfnt bearings(Sfnt made, Sfnt face) {
            HmtxTable across = HmtxTable.read(face);
            int[] left = across.leftSideBearings().clone();
            for (int glyph = 0; glyph < boxes.length; glyph++) {
                left[glyph] = boxes[glyph][0];
            }
            Sfnt placed = new HmtxTable(across.advances(), left).replaceIn(made, "hhea", "hmtx");
            return face.table("vmtx").isPresent() && face.table("VORG").isPresent() ? downwards(placed, face) : placed;
        }

        private Sfnt downwards(Sfnt made, Sfnt face) {
            VorgTable origins = VorgTable.read(face.require("VORG"));
            HmtxTable down = HmtxTable.read(face, "vhea", "vmtx");
            int[] top = down.leftSideBearings().clone();
            for (int glyph = 0; glyph < boxes.length; glyph++) {
                top[glyph] = origins.origin(glyph) - boxes[glyph][3];
            }
            return new HmtxTable(down.advances(), top).replaceIn(made, "vhea", "vmtx");
        }
    }
}
