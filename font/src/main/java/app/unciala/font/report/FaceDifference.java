package app.unciala.font.report;

import app.unciala.font.drawing.Likeness;
import app.unciala.font.layout.LayoutFeatures;
import app.unciala.font.layout.position.Kerning;
import app.unciala.font.metrics.VerticalMetrics;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * In what two faces differ: names, metrics, characters, drawings of characters, kerning of Latin letters, features.
 *
 * @param likeness in [0, 1], see {@link Likeness}
 * @param facts what differs in the files' own words, such as "family" or "hhea ascender", first the one, then the other
 * @param lost code points that only the first face has, ascending
 * @param added code points that only the second face has, ascending
 * @param changed shared characters drawn differently, those changed most first
 * @param kerning pairs of letters set nearer or farther, in thousandths of the em
 */
public record FaceDifference(
        boolean sameDrawing,
        double likeness,
        Map<String, Pair> facts,
        int[] lost,
        int[] added,
        List<Likeness.Changed> changed,
        List<Kerned> kerning,
        SortedSet<String> featuresLost,
        SortedSet<String> featuresAdded) {
    /** Below this overlap a character counts as drawn differently; rounding to another grid stays above it. */
    private static final double SAME = 0.98;

    private static final String LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz.,-";
    /** Rounding to another grid moves letters by less than this, in thousandths of the em. */
    private static final int KERNING_SLACK = 2;

    private static final Map<Integer, String> NAMES = new TreeMap<>(Map.of(
            NameTable.COPYRIGHT, "copyright",
            NameTable.FULL_NAME, "full name",
            NameTable.VERSION, "version",
            NameTable.POSTSCRIPT_NAME, "PostScript name",
            NameTable.MANUFACTURER, "manufacturer",
            NameTable.DESIGNER, "designer",
            NameTable.LICENSE, "license text",
            NameTable.LICENSE_URL, "license link"));

    /** What the one and the other face say. */
    public record Pair(String one, String other) {}

    /** How far a pair of letters is set apart in the one and the other, in thousandths of the em. */
    public record Kerned(String letters, int one, int other) {}

    /** Compares two faces; {@code a} and {@code b} are the reports on them. */
    public static FaceDifference of(Sfnt one, FaceReport a, Sfnt other, FaceReport b) {
        CmapTable cmapA = CmapTable.read(one);
        CmapTable cmapB = CmapTable.read(other);
        SortedSet<String> featuresA = LayoutFeatures.of(one);
        SortedSet<String> featuresB = LayoutFeatures.of(other);
        boolean same = a.drawing().equals(b.drawing());
        return new FaceDifference(
                same,
                same ? 1 : Likeness.of(one, other),
                facts(one, a, other, b),
                without(a.codePoints(), cmapB),
                without(b.codePoints(), cmapA),
                same ? List.of() : Likeness.changed(one, other, SAME),
                kerning(one, cmapA, other, cmapB),
                minus(featuresA, featuresB),
                minus(featuresB, featuresA));
    }

    private static int[] without(int[] codePoints, CmapTable other) {
        return Arrays.stream(codePoints)
                .filter(codePoint -> !other.has(codePoint))
                .toArray();
    }

    private static SortedSet<String> minus(SortedSet<String> all, SortedSet<String> some) {
        SortedSet<String> rest = new TreeSet<>(all);
        rest.removeAll(some);
        return rest;
    }

    private static Map<String, Pair> facts(Sfnt one, FaceReport a, Sfnt other, FaceReport b) {
        Map<String, Pair> facts = new LinkedHashMap<>();
        put(facts, "family", a.identity().family(), b.identity().family());
        put(facts, "slot", a.identity().slot().label(), b.identity().slot().label());
        SortedMap<Integer, String> namesA = names(one);
        SortedMap<Integer, String> namesB = names(other);
        NAMES.forEach((id, what) -> put(facts, what, namesA.getOrDefault(id, ""), namesB.getOrDefault(id, "")));
        put(facts, "embedding", a.embedding().words(), b.embedding().words());
        put(facts, "glyphs", String.valueOf(a.glyphs()), String.valueOf(b.glyphs()));
        put(
                facts,
                "units per em",
                String.valueOf(HeadTable.read(one).unitsPerEm()),
                String.valueOf(HeadTable.read(other).unitsPerEm()));
        Map<String, Integer> metricsA = VerticalMetrics.read(one).byName();
        VerticalMetrics.read(other)
                .byName()
                .forEach((what, value) -> put(facts, what, String.valueOf(metricsA.get(what)), String.valueOf(value)));
        put(
                facts,
                "hinting",
                a.details().hinting().words(),
                b.details().hinting().words());
        return facts;
    }

    private static SortedMap<Integer, String> names(Sfnt face) {
        NameTable table = NameTable.read(face);
        SortedMap<Integer, String> names = new TreeMap<>();
        for (NameRecord record : table.records()) {
            names.put(record.nameId(), table.best(record.nameId()).orElse(""));
        }
        return names;
    }

    private static void put(Map<String, Pair> facts, String what, String one, String other) {
        if (!one.equals(other)) {
            facts.put(what, new Pair(one, other));
        }
    }

    private static List<Kerned> kerning(Sfnt one, CmapTable cmapA, Sfnt other, CmapTable cmapB) {
        Kerning kerningA = Kerning.read(one);
        Kerning kerningB = Kerning.read(other);
        double scaleA = 1000.0 / HeadTable.read(one).unitsPerEm();
        double scaleB = 1000.0 / HeadTable.read(other).unitsPerEm();
        List<Kerned> kerned = new ArrayList<>();
        for (int i = 0; i < LETTERS.length(); i++) {
            char first = LETTERS.charAt(i);
            for (int j = 0; j < LETTERS.length(); j++) {
                char second = LETTERS.charAt(j);
                if (cmapA.has(first) && cmapA.has(second) && cmapB.has(first) && cmapB.has(second)) {
                    int a = (int) Math.round(kerningA.between(cmapA.glyph(first), cmapA.glyph(second)) * scaleA);
                    int b = (int) Math.round(kerningB.between(cmapB.glyph(first), cmapB.glyph(second)) * scaleB);
                    if (Math.abs(a - b) > KERNING_SLACK) {
                        kerned.add(new Kerned("" + first + second, a, b));
                    }
                }
            }
        }
        return kerned;
    }
}
