package app.unciala.font.svg;

import app.unciala.font.FontException;
import app.unciala.font.Problem;
import app.unciala.font.Problem.Severity;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.cff.CffWriter;
import app.unciala.font.outline.Outline;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapWriter;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HheaTable;
import app.unciala.font.table.HmtxTable;
import app.unciala.font.table.KernWriter;
import app.unciala.font.table.MaxpTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import app.unciala.font.table.NameWriter;
import app.unciala.font.table.Os2Table;
import app.unciala.font.table.PostTable;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/** One font of an SVG document, gathered element by element and put into the tables of a face. */
final class SvgFace {
    /** The same date for every face, so that the same input gives the same bytes: seconds since 1904. */
    private static final int NO_DATE = 0xD4000000;

    private static final int VERSION_1 = 0x00010000;
    /** Four spaces. */
    private static final int NO_VENDOR = 0x20202020;
    /** Pixels to the em from which letters can be read. */
    private static final int LEAST_LEGIBLE = 3;

    private static final int MAX_UNITS = 16384;
    private static final int MAX_PAIRS = 10_000;

    private final double standardAdvance;
    private final List<Outline> outlines = new ArrayList<>(List.of(new Outline()));
    private final List<Integer> advances = new ArrayList<>();
    private final TreeMap<Integer, Integer> cmap = new TreeMap<>();
    private final Map<String, Integer> byName = new HashMap<>();
    private final TreeMap<Integer, Integer> kerning = new TreeMap<>();
    private int leftOut;
    private String family = "Untitled";
    private int weight = 400;
    private boolean italic;
    private int unitsPerEm = 1000;
    private Optional<Double> ascent = Optional.empty();
    private Optional<Double> descent = Optional.empty();

    SvgFace(double standardAdvance) {
        this.standardAdvance = standardAdvance;
        advances.add(rounded(standardAdvance));
    }

    static Optional<Double> number(@Nullable String text) {
        try {
            return text == null ? Optional.empty() : Optional.of(Double.parseDouble(text.strip()));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    void describe(UnaryOperator<@Nullable String> attribute) {
        String named = attribute.apply("font-family");
        family = named == null || named.isBlank() ? family : named.strip();
        String style = attribute.apply("font-style");
        italic = "italic".equals(style) || "oblique".equals(style);
        String said = attribute.apply("font-weight");
        weight = "bold".equals(said)
                ? 700
                : number(said)
                        .map(Double::intValue)
                        .filter(w -> w >= 1 && w <= 1000)
                        .orElse(400);
        unitsPerEm =
                number(attribute.apply("units-per-em")).map(SvgFace::rounded).orElse(1000);
        if (unitsPerEm < 16 || unitsPerEm > MAX_UNITS) {
            throw new FontException("svg", -1, "has " + unitsPerEm + " units to the em");
        }
        ascent = number(attribute.apply("ascent"));
        descent = number(attribute.apply("descent"));
    }

    void missing(Outline outline, Optional<Double> advance) {
        outlines.set(0, outline);
        advances.set(0, rounded(advance.orElse(standardAdvance)));
    }

    int size() {
        return outlines.size();
    }

    void leaveOut() {
        leftOut++;
    }

    void add(int codePoint, String name, Outline outline, Optional<Double> advance) {
        cmap.putIfAbsent(codePoint, outlines.size());
        if (!name.isEmpty()) {
            byName.putIfAbsent(name, outlines.size());
        }
        outlines.add(outline);
        advances.add(rounded(advance.orElse(standardAdvance)));
    }

    /** {@code k} font units less between any first and any second glyph, given by character or by glyph name. */
    void kern(List<String> u1, List<String> g1, List<String> u2, List<String> g2, double k) {
        for (int first : glyphs(u1, g1)) {
            for (int second : glyphs(u2, g2)) {
                if (kerning.size() < MAX_PAIRS) {
                    kerning.putIfAbsent(first << 16 | second, -rounded(k));
                }
            }
        }
    }

    private List<Integer> glyphs(List<String> characters, List<String> names) {
        List<Integer> glyphs = new ArrayList<>();
        for (String character : characters) {
            if (character.codePointCount(0, character.length()) == 1 && cmap.containsKey(character.codePointAt(0))) {
                glyphs.add(cmap.get(character.codePointAt(0)));
            }
        }
        for (String name : names) {
            Optional.ofNullable(byName.get(name.strip())).ifPresent(glyphs::add);
        }
        return glyphs;
    }

    /** Advances are whole numbers from 0 to 65535, other values from -32768 to 32767. */
    private static int rounded(double value) {
        return (int) Math.max(-32768, Math.min(65535, Math.round(value)));
    }

    Sfnt build() {
        int[] widths =
                advances.stream().mapToInt(advance -> Math.max(0, advance)).toArray();
        Map<String, ByteView> tables = new TreeMap<>();
        put(tables, "CFF ", CffWriter.write(family.replaceAll("[^A-Za-z0-9]", ""), outlines, widths, unitsPerEm));
        HmtxTable hmtx = new HmtxTable(widths, new int[widths.length]);
        put(tables, "hmtx", hmtx.write());
        put(
                tables,
                "maxp",
                new ByteSink().u32(MaxpTable.CFF_VERSION).u16(outlines.size()).toArray());
        int ascender = rounded(ascent.orElse(unitsPerEm * 0.8));
        int descender = -Math.abs(rounded(descent.orElse(unitsPerEm * -0.2)));
        put(tables, "hhea", hhea(ascender, descender, hmtx.numberOfHMetrics()));
        put(tables, "head", head());
        put(tables, "OS/2", os2(ascender, descender));
        ByteSink post = ByteSink.zeros(PostTable.HEADER);
        post.putU32(0, PostTable.NO_NAMES);
        put(tables, "post", post.toArray());
        put(tables, "name", NameWriter.write(names()));
        if (!cmap.isEmpty()) {
            put(tables, "cmap", CmapWriter.write(cmap));
        }
        if (!kerning.isEmpty()) {
            put(tables, "kern", kern());
        }
        List<Problem> problems = new ArrayList<>();
        problems.add(new Problem(Severity.NOTE, "svg", "an SVG font has no place for an embedding permission"));
        if (leftOut > 0) {
            problems.add(new Problem(Severity.NOTE, "svg", leftOut + " ligatures or alternate forms are left out"));
        }
        return new Sfnt(Sfnt.CFF, tables, problems);
    }

    private static void put(Map<String, ByteView> tables, String tag, byte[] bytes) {
        tables.put(tag, ByteView.of(bytes, tag));
    }

    private List<NameRecord> names() {
        String style = weight == 700 ? italic ? "Bold Italic" : "Bold" : italic ? "Italic" : "Regular";
        return List.of(
                NameRecord.english(NameTable.FAMILY, family),
                NameRecord.english(NameTable.SUBFAMILY, style),
                NameRecord.english(NameTable.FULL_NAME, family + " " + style));
    }

    private byte[] head() {
        ByteSink head = ByteSink.zeros(HeadTable.LENGTH);
        head.putU32(0, VERSION_1);
        head.putU32(HeadTable.FONT_REVISION, VERSION_1);
        head.putU32(HeadTable.MAGIC_NUMBER, HeadTable.MAGIC);
        head.putU16(HeadTable.FLAGS, HeadTable.BASELINE_AT_0 | HeadTable.LEFT_SIDE_BEARING_AT_0);
        head.putU16(HeadTable.UNITS_PER_EM, unitsPerEm);
        // Dates have 64 bits, of which the lower half is enough.
        head.putU32(HeadTable.CREATED + 4, NO_DATE);
        head.putU32(HeadTable.MODIFIED + 4, NO_DATE);
        head.putU16(HeadTable.X_MAX, unitsPerEm);
        head.putU16(HeadTable.Y_MAX, unitsPerEm);
        head.putU16(HeadTable.MAC_STYLE, (weight == 700 ? HeadTable.BOLD : 0) | (italic ? HeadTable.ITALIC : 0));
        head.putU16(HeadTable.LOWEST_PPEM, LEAST_LEGIBLE);
        head.putU16(HeadTable.FONT_DIRECTION_HINT, HeadTable.LEFT_TO_RIGHT);
        return head.toArray();
    }

    private static byte[] hhea(int ascender, int descender, int metrics) {
        ByteSink hhea = ByteSink.zeros(HheaTable.LENGTH);
        hhea.putU32(0, VERSION_1);
        hhea.putU16(HheaTable.ASCENDER, ascender);
        hhea.putU16(HheaTable.DESCENDER, descender);
        hhea.putU16(HheaTable.CARET_SLOPE_RISE, 1);
        hhea.putU16(HheaTable.NUMBER_OF_METRICS, metrics);
        return hhea.toArray();
    }

    /** Version 4, with the embedding permission that says nothing: an SVG font has no place for one. */
    private byte[] os2(int ascender, int descender) {
        ByteSink os2 = ByteSink.zeros(Os2Table.lengthOf(4).orElseThrow());
        os2.putU16(0, 4);
        os2.putU16(Os2Table.AVERAGE_CHAR_WIDTH, rounded(standardAdvance));
        os2.putU16(Os2Table.WEIGHT_CLASS, weight);
        os2.putU16(Os2Table.WIDTH_CLASS, Os2Table.NORMAL_WIDTH);
        os2.putU32(Os2Table.VENDOR_ID, NO_VENDOR);
        int style = (italic ? Os2Table.ITALIC : 0) | (weight == 700 ? Os2Table.BOLD : 0);
        os2.putU16(Os2Table.FS_SELECTION, style == 0 ? Os2Table.REGULAR : style);
        os2.putU16(Os2Table.FIRST_CHAR_INDEX, Math.min(0xFFFF, cmap.isEmpty() ? 0 : cmap.firstKey()));
        os2.putU16(Os2Table.LAST_CHAR_INDEX, Math.min(0xFFFF, cmap.isEmpty() ? 0 : cmap.lastKey()));
        os2.putU16(Os2Table.TYPO_ASCENDER, ascender);
        os2.putU16(Os2Table.TYPO_DESCENDER, descender);
        os2.putU16(Os2Table.WIN_ASCENT, ascender);
        os2.putU16(Os2Table.WIN_DESCENT, -descender);
        os2.putU16(Os2Table.BREAK_CHAR, ' ');
        os2.putU16(Os2Table.MAX_CONTEXT, 2);
        return os2.toArray();
    }

    private byte[] kern() {
        ByteSink pairs = new ByteSink();
        kerning.forEach((pair, value) -> pairs.u32(pair).u16(value));
        return KernWriter.table(1, KernWriter.subtable(KernWriter.HORIZONTAL, pairs));
    }
}
