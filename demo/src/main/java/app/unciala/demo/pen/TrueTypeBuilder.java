package app.unciala.demo.pen;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.glyf.CompositeGlyph;
import app.unciala.font.glyf.GlyfTable;
import app.unciala.font.glyf.SimpleGlyph;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntWriter;
import app.unciala.font.table.CmapWriter;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HheaTable;
import app.unciala.font.table.HmtxTable;
import app.unciala.font.table.MaxpTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import app.unciala.font.table.NameWriter;
import app.unciala.font.table.Os2Table;
import app.unciala.font.table.PostTable;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Puts drawn glyphs into a TrueType font of 1000 units to the em. */
final class TrueTypeBuilder {
    private static final int ASCENDER = 960;
    private static final int DESCENDER = -260;
    private static final int EM = 1000;
    private static final int VERSION_1 = 0x00010000;
    private static final int CONDENSED = 3;
    /** Degrees counter-clockwise from upright, and how far the caret of an em leans. */
    private static final int ITALIC_ANGLE = -11;

    private static final int ITALIC_RUN = 190;
    /** The same date for every font, so that it always has the same bytes: seconds since 1904. */
    private static final int DATE = 0xD4000000;
    /** The four letters of the vendor, UNCL. */
    private static final int VENDOR = 0x554E434C;

    /** What the name and OS/2 tables say; {@code fsType} is the embedding permission, {@code width} in percent. */
    record Naming(
            String family,
            String subfamily,
            int weight,
            Range width,
            Slope slope,
            String version,
            String foundry,
            String license,
            int fsType) {}

    /** A part of a composite: a glyph moved by (dx, dy). */
    record Part(int glyph, int dx, int dy) {}

    private record Glyph(int advance, int[] box, byte[] bytes, int points, int contours, int[] xs) {}

    private final Naming naming;
    private final boolean fixedPitch;
    private final List<Glyph> glyphs = new ArrayList<>();
    private final TreeMap<Integer, Integer> cmap = new TreeMap<>();
    private int maxParts = 1;

    TrueTypeBuilder(Naming naming, boolean fixedPitch) {
        this.naming = naming;
        this.fixedPitch = fixedPitch;
    }

    int add(int advance, SimpleGlyph glyph) {
        ByteSink out = new ByteSink();
        int[] box = glyph.bounds();
        if (glyph.xs().length > 0) {
            glyph.write(out, box);
        }
        glyphs.add(new Glyph(
                advance, box, out.pad4().toArray(), glyph.xs().length, glyph.contourEnds().length, glyph.xs()));
        return glyphs.size() - 1;
    }

    int addComposite(int advance, List<Part> parts) {
        int[] box = {Integer.MAX_VALUE, Integer.MAX_VALUE, Integer.MIN_VALUE, Integer.MIN_VALUE};
        int points = 0;
        int contours = 0;
        for (Part part : parts) {
            Glyph glyph = glyphs.get(part.glyph());
            box[0] = Math.min(box[0], glyph.box()[0] + part.dx());
            box[1] = Math.min(box[1], glyph.box()[1] + part.dy());
            box[2] = Math.max(box[2], glyph.box()[2] + part.dx());
            box[3] = Math.max(box[3], glyph.box()[3] + part.dy());
            points += glyph.points();
            contours += glyph.contours();
        }
        ByteSink out = new ByteSink().u16(-1);
        for (int side : box) {
            out.u16(side);
        }
        for (int i = 0; i < parts.size(); i++) {
            Part part = parts.get(i);
            int more = i < parts.size() - 1 ? CompositeGlyph.MORE_COMPONENTS : 0;
            out.u16(CompositeGlyph.ARGS_ARE_WORDS | CompositeGlyph.ARGS_ARE_XY_VALUES | more);
            out.u16(part.glyph()).u16(part.dx()).u16(part.dy());
        }
        maxParts = Math.max(maxParts, parts.size());
        glyphs.add(new Glyph(
                advance,
                box,
                out.pad4().toArray(),
                points,
                contours,
                parts.stream().mapToInt(Part::dx).toArray()));
        return glyphs.size() - 1;
    }

    void map(int codePoint, int glyph) {
        cmap.put(codePoint, glyph);
    }

    int advance(int glyph) {
        return glyphs.get(glyph).advance();
    }

    int[] box(int glyph) {
        return glyphs.get(glyph).box();
    }

    byte[] build() {
        ByteSink glyf = new ByteSink(1 << 16);
        int[] offsets = new int[glyphs.size() + 1];
        for (int i = 0; i < glyphs.size(); i++) {
            glyf.bytes(glyphs.get(i).bytes());
            offsets[i + 1] = glyf.size();
        }
        HmtxTable metrics = new HmtxTable(
                glyphs.stream().mapToInt(Glyph::advance).toArray(),
                glyphs.stream().mapToInt(glyph -> glyph.box()[0]).toArray());
        Map<String, ByteView> tables = new TreeMap<>();
        put(tables, "hmtx", metrics.write());
        put(tables, "head", head().toArray());
        put(tables, "hhea", hhea(metrics.numberOfHMetrics()).toArray());
        put(tables, "maxp", maxp().toArray());
        put(tables, "OS/2", os2().toArray());
        put(tables, "name", NameWriter.write(names()));
        put(tables, "cmap", CmapWriter.write(cmap));
        put(tables, "post", post().toArray());
        if (!naming.width().isSingle()) {
            VariableWidth variable = new VariableWidth((int) naming.width().min());
            put(tables, "fvar", variable.fvar().toArray());
            put(tables, "STAT", variable.stat().toArray());
            put(
                    tables,
                    "gvar",
                    variable.gvar(glyphs.stream()
                                    .map(glyph -> new VariableWidth.Moving(glyph.xs(), glyph.advance()))
                                    .toList())
                            .toArray());
        }
        return SfntWriter.write(GlyfTable.replace(new Sfnt(Sfnt.TRUETYPE, tables, List.of()), glyf, offsets));
    }

    private static void put(Map<String, ByteView> tables, String tag, byte[] bytes) {
        tables.put(tag, ByteView.of(bytes, tag));
    }

    private boolean isItalic() {
        return naming.slope() != Slope.UPRIGHT;
    }

    private boolean isBold() {
        return naming.weight() == 700;
    }

    private int extreme(int side, boolean largest) {
        return glyphs.stream()
                .filter(glyph -> glyph.points() > 0)
                .mapToInt(glyph -> glyph.box()[side])
                .reduce(largest ? Math::max : Math::min)
                .orElse(0);
    }

    private ByteSink head() {
        ByteSink head = ByteSink.zeros(HeadTable.LENGTH);
        head.putU32(0, VERSION_1);
        head.putU32(HeadTable.FONT_REVISION, VERSION_1);
        head.putU32(HeadTable.MAGIC_NUMBER, HeadTable.MAGIC);
        head.putU16(
                HeadTable.FLAGS,
                HeadTable.BASELINE_AT_0 | HeadTable.LEFT_SIDE_BEARING_AT_0 | HeadTable.INTEGER_SCALING);
        head.putU16(HeadTable.UNITS_PER_EM, EM);
        head.putU32(HeadTable.CREATED + 4, DATE);
        head.putU32(HeadTable.MODIFIED + 4, DATE);
        head.putU16(HeadTable.X_MIN, extreme(0, false));
        head.putU16(HeadTable.Y_MIN, extreme(1, false));
        head.putU16(HeadTable.X_MAX, extreme(2, true));
        head.putU16(HeadTable.Y_MAX, extreme(3, true));
        head.putU16(HeadTable.MAC_STYLE, (isBold() ? HeadTable.BOLD : 0) | (isItalic() ? HeadTable.ITALIC : 0));
        head.putU16(HeadTable.LOWEST_PPEM, 6);
        head.putU16(HeadTable.FONT_DIRECTION_HINT, HeadTable.LEFT_TO_RIGHT);
        return head;
    }

    private ByteSink hhea(int metrics) {
        ByteSink hhea = ByteSink.zeros(HheaTable.LENGTH);
        hhea.putU32(0, VERSION_1);
        hhea.putU16(HheaTable.ASCENDER, ASCENDER);
        hhea.putU16(HheaTable.DESCENDER, DESCENDER);
        hhea.putU16(
                HheaTable.ADVANCE_WIDTH_MAX,
                glyphs.stream().mapToInt(Glyph::advance).max().orElse(0));
        hhea.putU16(HheaTable.MIN_LEFT_SIDE_BEARING, extreme(0, false));
        hhea.putU16(
                HheaTable.MIN_RIGHT_SIDE_BEARING,
                glyphs.stream()
                        .mapToInt(glyph -> glyph.advance() - glyph.box()[2])
                        .min()
                        .orElse(0));
        hhea.putU16(HheaTable.X_MAX_EXTENT, extreme(2, true));
        hhea.putU16(HheaTable.CARET_SLOPE_RISE, isItalic() ? EM : 1);
        hhea.putU16(HheaTable.CARET_SLOPE_RUN, isItalic() ? ITALIC_RUN : 0);
        hhea.putU16(HheaTable.NUMBER_OF_METRICS, metrics);
        return hhea;
    }

    private ByteSink maxp() {
        int points = glyphs.stream().mapToInt(Glyph::points).max().orElse(0);
        int contours = glyphs.stream().mapToInt(Glyph::contours).max().orElse(0);
        ByteSink maxp = ByteSink.zeros(MaxpTable.LENGTH);
        maxp.putU32(0, MaxpTable.TRUETYPE_VERSION);
        maxp.putU16(MaxpTable.NUM_GLYPHS, glyphs.size());
        maxp.putU16(MaxpTable.MAX_POINTS, points);
        maxp.putU16(MaxpTable.MAX_CONTOURS, contours);
        maxp.putU16(MaxpTable.MAX_COMPOSITE_POINTS, points);
        maxp.putU16(MaxpTable.MAX_COMPOSITE_CONTOURS, contours);
        maxp.putU16(MaxpTable.MAX_ZONES, 2);
        maxp.putU16(MaxpTable.MAX_COMPONENT_ELEMENTS, maxParts);
        maxp.putU16(MaxpTable.MAX_COMPONENT_DEPTH, 1);
        return maxp;
    }

    /** Version 4. */
    private ByteSink os2() {
        int average = (int) glyphs.stream()
                .mapToInt(Glyph::advance)
                .filter(advance -> advance > 0)
                .average()
                .orElse(0);
        int selection = Os2Table.USE_TYPO_METRICS | (isItalic() ? Os2Table.ITALIC : 0) | (isBold() ? Os2Table.BOLD : 0);
        if (!isItalic() && naming.weight() == 400) {
            selection |= Os2Table.REGULAR;
        }
        ByteSink os2 = ByteSink.zeros(Os2Table.lengthOf(4).orElseThrow());
        os2.putU16(0, 4);
        os2.putU16(Os2Table.AVERAGE_CHAR_WIDTH, average);
        os2.putU16(Os2Table.WEIGHT_CLASS, naming.weight());
        os2.putU16(Os2Table.WIDTH_CLASS, naming.width().max() < 90 ? CONDENSED : Os2Table.NORMAL_WIDTH);
        os2.putU16(Os2Table.FS_TYPE, naming.fsType());
        os2.putU16(Os2Table.SUBSCRIPT_X_SIZE, 650);
        os2.putU16(Os2Table.SUBSCRIPT_Y_SIZE, 600);
        os2.putU16(Os2Table.SUBSCRIPT_Y_OFFSET, 75);
        os2.putU16(Os2Table.SUPERSCRIPT_X_SIZE, 650);
        os2.putU16(Os2Table.SUPERSCRIPT_Y_SIZE, 600);
        os2.putU16(Os2Table.SUPERSCRIPT_Y_OFFSET, 350);
        os2.putU16(Os2Table.STRIKEOUT_SIZE, 50);
        os2.putU16(Os2Table.STRIKEOUT_POSITION, 300);
        os2.putU32(Os2Table.UNICODE_RANGES, Os2Table.BASIC_LATIN | Os2Table.LATIN_1);
        os2.putU32(Os2Table.VENDOR_ID, VENDOR);
        os2.putU16(Os2Table.FS_SELECTION, selection);
        os2.putU16(Os2Table.FIRST_CHAR_INDEX, cmap.firstKey());
        os2.putU16(Os2Table.LAST_CHAR_INDEX, Math.min(cmap.lastKey(), 0xFFFF));
        os2.putU16(Os2Table.TYPO_ASCENDER, ASCENDER);
        os2.putU16(Os2Table.TYPO_DESCENDER, DESCENDER);
        os2.putU16(Os2Table.WIN_ASCENT, ASCENDER);
        os2.putU16(Os2Table.WIN_DESCENT, -DESCENDER);
        os2.putU32(Os2Table.CODE_PAGE_RANGES, Os2Table.CODE_PAGE_LATIN_1);
        os2.putU16(Os2Table.X_HEIGHT, 500);
        os2.putU16(Os2Table.CAP_HEIGHT, 700);
        os2.putU16(Os2Table.BREAK_CHAR, ' ');
        os2.putU16(Os2Table.MAX_CONTEXT, 1);
        return os2;
    }

    private List<NameRecord> names() {
        String style = naming.subfamily();
        String full = naming.family() + (style.equals("Regular") ? "" : " " + style);
        boolean isOneOfFour =
                List.of("Regular", "Bold", "Italic", "Bold Italic").contains(style);
        Map<Integer, String> names = new TreeMap<>();
        names.put(NameTable.COPYRIGHT, "Drawn by the Unciala demonstration");
        names.put(
                NameTable.FAMILY, isOneOfFour ? naming.family() : naming.family() + " " + style.replace(" Italic", ""));
        names.put(NameTable.SUBFAMILY, isOneOfFour ? style : style.endsWith("Italic") ? "Italic" : "Regular");
        names.put(NameTable.UNIQUE_ID, "unciala:" + full + ":" + naming.version());
        names.put(NameTable.FULL_NAME, full);
        names.put(NameTable.VERSION, "Version " + naming.version());
        names.put(NameTable.POSTSCRIPT_NAME, (naming.family() + "-" + style).replace(" ", ""));
        if (!naming.foundry().isEmpty()) {
            names.put(NameTable.MANUFACTURER, naming.foundry());
        }
        names.put(NameTable.LICENSE, naming.license());
        if (!naming.width().isSingle()) {
            names.put(VariableWidth.AXIS_NAME, "Width");
        }
        if (!isOneOfFour) {
            names.put(NameTable.TYPOGRAPHIC_FAMILY, naming.family());
            names.put(NameTable.TYPOGRAPHIC_SUBFAMILY, style);
        }
        return names.entrySet().stream()
                .map(name -> NameRecord.english(name.getKey(), name.getValue()))
                .toList();
    }

    private ByteSink post() {
        ByteSink post = ByteSink.zeros(PostTable.HEADER);
        post.putU32(0, PostTable.NO_NAMES);
        post.putU32(PostTable.ITALIC_ANGLE, isItalic() ? ITALIC_ANGLE << 16 : 0);
        post.putU16(PostTable.UNDERLINE_POSITION, -100);
        post.putU16(PostTable.UNDERLINE_THICKNESS, 50);
        post.putU32(PostTable.IS_FIXED_PITCH, fixedPitch ? 1 : 0);
        return post;
    }
}
