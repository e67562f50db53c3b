package app.unciala.demo.pen;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.glyf.SimpleGlyph;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.sfnt.SfntWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Puts drawn glyphs into a TrueType font of 1000 units to the em. */
final class TrueTypeBuilder {
    private static final int ASCENDER = 960;
    private static final int DESCENDER = -260;
    private static final int BOLD = 1 << 5;
    private static final int REGULAR = 1 << 6;
    private static final int CONDENSED = 3;
    private static final int NORMAL_WIDTH = 5;
    private static final int USE_TYPO_METRICS = 1 << 7;

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
    private final Map<Integer, Integer> cmap = new TreeMap<>();
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
            out.u16(i < parts.size() - 1 ? 0x0023 : 0x0003);
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
        Map<String, ByteView> tables = new TreeMap<>();
        ByteSink glyf = new ByteSink(1 << 16);
        ByteSink loca = new ByteSink();
        ByteSink hmtx = new ByteSink();
        for (Glyph glyph : glyphs) {
            loca.u32(glyf.size());
            glyf.bytes(glyph.bytes());
            hmtx.u16(glyph.advance()).u16(glyph.box()[0]);
        }
        loca.u32(glyf.size());
        put(tables, "glyf", glyf);
        put(tables, "loca", loca);
        put(tables, "hmtx", hmtx);
        put(tables, "head", head());
        put(tables, "hhea", hhea());
        put(tables, "maxp", maxp());
        put(tables, "OS/2", os2());
        put(tables, "name", name());
        put(tables, "cmap", cmap());
        put(tables, "post", post());
        if (!naming.width().isSingle()) {
            VariableWidth variable = new VariableWidth((int) naming.width().min());
            put(tables, "fvar", variable.fvar());
            put(tables, "STAT", variable.stat());
            put(
                    tables,
                    "gvar",
                    variable.gvar(glyphs.stream()
                            .map(glyph -> new VariableWidth.Moving(glyph.xs(), glyph.advance()))
                            .toList()));
        }
        return SfntWriter.write(new Sfnt(Sfnt.TRUETYPE, tables, List.of()));
    }

    private static void put(Map<String, ByteView> tables, String tag, ByteSink bytes) {
        tables.put(tag, ByteView.of(bytes.toArray(), tag));
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
        ByteSink out = new ByteSink();
        out.u32(0x00010000).u32(0x00010000).u32(0).u32(0x5F0F3CF5).u16(0x000B).u16(1000);
        out.u32(0).u32(0xD4000000L).u32(0).u32(0xD4000000L);
        out.u16(extreme(0, false)).u16(extreme(1, false)).u16(extreme(2, true)).u16(extreme(3, true));
        out.u16((isBold() ? 1 : 0) | (isItalic() ? 2 : 0)).u16(6).u16(2).u16(1).u16(0);
        return out;
    }

    private ByteSink hhea() {
        int widest = glyphs.stream().mapToInt(Glyph::advance).max().orElse(0);
        int rightmost = glyphs.stream()
                .mapToInt(glyph -> glyph.advance() - glyph.box()[2])
                .min()
                .orElse(0);
        ByteSink out = new ByteSink();
        out.u32(0x00010000).u16(ASCENDER).u16(DESCENDER).u16(0).u16(widest);
        out.u16(extreme(0, false)).u16(rightmost).u16(extreme(2, true));
        out.u16(isItalic() ? 1000 : 1)
                .u16(isItalic() ? 190 : 0)
                .u16(0)
                .u16(0)
                .u16(0)
                .u16(0)
                .u16(0)
                .u16(0);
        return out.u16(glyphs.size());
    }

    private ByteSink maxp() {
        int points = glyphs.stream().mapToInt(Glyph::points).max().orElse(0);
        int contours = glyphs.stream().mapToInt(Glyph::contours).max().orElse(0);
        ByteSink out = new ByteSink();
        out.u32(0x00010000)
                .u16(glyphs.size())
                .u16(points)
                .u16(contours)
                .u16(points)
                .u16(contours);
        return out.u16(2)
                .u16(0)
                .u16(0)
                .u16(0)
                .u16(0)
                .u16(0)
                .u16(0)
                .u16(maxParts)
                .u16(1);
    }

    private ByteSink os2() {
        int average = (int) glyphs.stream()
                .mapToInt(Glyph::advance)
                .filter(advance -> advance > 0)
                .average()
                .orElse(0);
        int selection = USE_TYPO_METRICS | (isItalic() ? 1 : 0) | (isBold() ? BOLD : 0);
        if (!isItalic() && naming.weight() == 400) {
            selection |= REGULAR;
        }
        ByteSink out = new ByteSink();
        out.u16(4).u16(average).u16(naming.weight()).u16(naming.width().max() < 90 ? CONDENSED : NORMAL_WIDTH);
        out.u16(naming.fsType());
        out.u16(650)
                .u16(600)
                .u16(0)
                .u16(75)
                .u16(650)
                .u16(600)
                .u16(0)
                .u16(350)
                .u16(50)
                .u16(300)
                .u16(0);
        out.u32(0)
                .u32(0)
                .u16(0)
                .u32(0x00000003)
                .u32(0)
                .u32(0)
                .u32(0)
                .tag("UNCL")
                .u16(selection);
        int last = ((TreeMap<Integer, Integer>) cmap).lastKey();
        out.u16(((TreeMap<Integer, Integer>) cmap).firstKey()).u16(Math.min(last, 0xFFFF));
        out.u16(ASCENDER)
                .u16(DESCENDER)
                .u16(0)
                .u16(ASCENDER)
                .u16(-DESCENDER)
                .u32(1)
                .u32(0);
        return out.u16(500).u16(700).u16(0).u16(32).u16(1);
    }

    private ByteSink name() {
        String style = naming.subfamily();
        String full = naming.family() + (style.equals("Regular") ? "" : " " + style);
        boolean ribbi = List.of("Regular", "Bold", "Italic", "Bold Italic").contains(style);
        Map<Integer, String> names = new TreeMap<>();
        names.put(0, "Drawn by the Unciala demonstration");
        names.put(1, ribbi ? naming.family() : naming.family() + " " + style.replace(" Italic", ""));
        names.put(2, ribbi ? style : style.endsWith("Italic") ? "Italic" : "Regular");
        names.put(3, "unciala:" + full + ":" + naming.version());
        names.put(4, full);
        names.put(5, "Version " + naming.version());
        names.put(6, (naming.family() + "-" + style).replace(" ", ""));
        if (!naming.foundry().isEmpty()) {
            names.put(8, naming.foundry());
        }
        names.put(13, naming.license());
        if (!naming.width().isSingle()) {
            names.put(VariableWidth.AXIS_NAME, "Width");
        }
        if (!ribbi) {
            names.put(16, naming.family());
            names.put(17, style);
        }
        ByteSink records = new ByteSink();
        ByteSink storage = new ByteSink();
        names.forEach((id, text) -> {
            byte[] bytes = text.getBytes(StandardCharsets.UTF_16BE);
            records.u16(3).u16(1).u16(0x409).u16(id).u16(bytes.length).u16(storage.size());
            storage.bytes(bytes);
        });
        return new ByteSink()
                .u16(0)
                .u16(names.size())
                .u16(6 + 12 * names.size())
                .bytes(records)
                .bytes(storage);
    }

    /** One segment for each run of code points and glyphs that rise together. */
    private ByteSink cmap() {
        List<int[]> segments = new ArrayList<>();
        cmap.forEach((code, glyph) -> {
            int[] last = segments.isEmpty() ? null : segments.get(segments.size() - 1);
            if (last != null && last[1] + 1 == code && last[2] == (glyph - code)) {
                last[1] = code;
            } else {
                segments.add(new int[] {code, code, glyph - code});
            }
        });
        segments.add(new int[] {0xFFFF, 0xFFFF, 1});
        int count = segments.size();
        int power = Integer.highestOneBit(count);
        ByteSink out = new ByteSink();
        out.u16(0).u16(1).u16(3).u16(1).u32(12);
        out.u16(4).u16(16 + 8 * count).u16(0).u16(2 * count).u16(2 * power);
        out.u16(Integer.numberOfTrailingZeros(power)).u16(2 * (count - power));
        segments.forEach(segment -> out.u16(segment[1]));
        out.u16(0);
        segments.forEach(segment -> out.u16(segment[0]));
        segments.forEach(segment -> out.u16(segment[2]));
        segments.forEach(segment -> out.u16(0));
        return out;
    }

    private ByteSink post() {
        ByteSink out = new ByteSink();
        out.u32(0x00030000).u32(isItalic() ? (-11L << 16) : 0).u16(-100).u16(50);
        return out.u32(fixedPitch ? 1 : 0).u32(0).u32(0).u32(0).u32(0);
    }
}
