package app.unciala.font.subset;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.layout.LayoutTable;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.cff.CffCutter;
import app.unciala.font.subset.color.BitmapCutter;
import app.unciala.font.subset.color.ColorLayersCutter;
import app.unciala.font.subset.color.SbixCutter;
import app.unciala.font.subset.color.SvgCutter;
import app.unciala.font.subset.layout.LayoutCutter;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.CmapWriter;
import app.unciala.font.table.KernTable;
import app.unciala.font.table.MaxpTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameWriter;
import app.unciala.font.table.Os2Table;
import app.unciala.font.table.PostTable;
import app.unciala.font.table.VariationSequences;
import app.unciala.font.variation.GvarTable;
import java.util.BitSet;
import java.util.List;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * Cuts a face to some characters: the glyphs that text of them is set with, numbered anew, with the layout, kerning
 * and variations of these. Names and license records stay. Static and variable faces, TrueType and CFF outlines.
 */
public final class Subsetter {
    /**
     * The tables that a cut may have: those that this package cuts, and those that name no glyph. What is not known here
     * could hold glyph numbers, which mean other glyphs after a cut.
     */
    private static final Set<String> KEPT = Set.of(
            "head", "hhea", "maxp", "OS/2", "hmtx", "cmap", "name", "post", "vhea", "vmtx", "VORG", "glyf", "loca",
            "CFF ", "CFF2", "cvt ", "fpgm", "prep", "gasp", "fvar", "avar", "gvar", "cvar", "STAT", "HVAR", "VVAR",
            "MVAR", "GDEF", "GPOS", "GSUB", "BASE", "kern", "MATH", "COLR", "CPAL", "SVG ", "sbix", "CBDT", "CBLC",
            "meta");

    private static final List<String> HINTING = List.of("cvt ", "cvar", "fpgm", "prep", "gasp");

    private Subsetter() {}

    /** Cuts to the characters, with the features text is set with unasked, and hinting. */
    public static Sfnt subset(Sfnt face, BitSet codePoints) {
        return subset(face, SubsetPlan.of(codePoints));
    }

    /**
     * Cuts a face.
     *
     * @param plan what to keep; characters that the face lacks are passed over
     * @throws FontException if the face keeps nothing, or is too damaged to be cut
     */
    public static Sfnt subset(Sfnt face, SubsetPlan plan) {
        int numGlyphs = MaxpTable.read(face).numGlyphs();
        CmapTable cmap = CmapTable.read(face);
        NavigableMap<Integer, Integer> mapping = new TreeMap<>();
        BitSet mapped = new BitSet();
        CharacterClosure.of(plan, cmap).stream().forEach(codePoint -> {
            mapping.put(codePoint, cmap.glyph(codePoint));
            mapped.set(cmap.glyph(codePoint));
        });
        if (mapping.isEmpty()) {
            throw new FontException("cmap", -1, "has none of the characters to keep");
        }
        VariationSequences sequences = VariationSequences.read(face);
        sequences.sequences().stream()
                .filter(sequence -> sequence.glyph() > 0 && sequence.glyph() < numGlyphs)
                .filter(sequence -> mapping.containsKey(sequence.character()))
                .forEach(sequence -> mapped.set(sequence.glyph()));
        boolean mathematics = face.table("MATH").isPresent() && hasMathematics(mapping);
        GlyphClosure closure = GlyphClosure.of(face, mapped, plan.features(), mathematics);
        Optional<SvgCutter> svg = SvgCutter.of(face);
        // What is kept as it is refers to glyphs by their numbers.
        boolean fixed = mathematics || (svg.isEmpty() && face.table("SVG ").isPresent());
        GlyphMap map =
                fixed ? GlyphMap.inPlace(closure.all(), numGlyphs) : GlyphMap.renumbering(closure.all(), numGlyphs);
        mapping.replaceAll((codePoint, glyph) -> map.after(glyph));

        Sfnt cut = outlines(face, map, plan.hinting());
        cut = new MetricsCutter(map).cut(cut);
        cut = LayoutCutter.cut(cut, closure.inText(), map, plan.features(), plan.hinting());
        cut = cut.with("cmap", CmapWriter.write(mapping, sequences.cut(mapping::containsKey, map::after)));
        cut = cut.with("maxp", withCount(face.require("maxp"), map.size()));
        cut = cut.with("post", withoutGlyphNames(face));
        if (face.table("OS/2").isPresent()) {
            cut = cut.with("OS/2", withCharacterRange(face.require("OS/2"), mapping));
        }
        if (face.table("name").isPresent()) {
            cut = cut.with(
                    "name",
                    NameWriter.write(NameTable.read(face).withoutRepeats().records()));
        }
        cut = ColorLayersCutter.cut(SbixCutter.cut(BitmapCutter.cut(cut, map), numGlyphs, map), map);
        if (svg.isPresent()) {
            cut = svg.get().cut(cut, map);
        }
        Optional<byte[]> kern = kerning(face, plan, closure.inText(), map);
        cut = kern.isPresent() ? cut.with("kern", kern.get()) : cut.without("kern");
        return withKeptOnly(mathematics ? cut : cut.without("MATH"), plan.hinting());
    }

    /** Without any of these characters, nothing is left that MATH could lay out. */
    private static boolean hasMathematics(NavigableMap<Integer, Integer> mapping) {
        return !mapping.subMap(0x2200, true, 0x22FF, true).isEmpty()
                || !mapping.subMap(0x1D400, true, 0x1D7FF, true).isEmpty();
    }

    private static Sfnt outlines(Sfnt face, GlyphMap map, boolean hinting) {
        for (String tag : new String[] {"CFF ", "CFF2"}) {
            if (face.table(tag).isPresent()) {
                byte[] cut = CffCutter.cut(
                        face.require(tag),
                        map.size(),
                        glyph -> map.kept().get(map.before(glyph)) ? map.before(glyph) : -1,
                        hinting);
                return face.with(tag, cut);
            }
        }
        if (face.table("glyf").isEmpty()) {
            return face;
        }
        GlyfCutter cutter = new GlyfCutter(map, hinting);
        Sfnt cut = cutter.cut(face);
        return face.table("gvar").isPresent()
                ? cut.with("gvar", cutter.variations(new GvarTable(face.require("gvar"))))
                : cut;
    }

    /** Shapers look at the old table for text in scripts and languages for which GPOS has no kerning. */
    private static Optional<byte[]> kerning(Sfnt face, SubsetPlan plan, BitSet inText, GlyphMap map) {
        boolean replaced = face.table("GPOS")
                .filter(gpos -> LayoutTable.of(gpos).hasForAllText("kern"))
                .isPresent();
        return replaced || !plan.features().test("kern")
                ? Optional.empty()
                : KernTable.read(face).flatMap(kern -> KernCutter.cut(kern, inText, map));
    }

    private static Sfnt withKeptOnly(Sfnt face, boolean hinting) {
        Sfnt left = face;
        for (String tag : face.tables().keySet()) {
            if (!KEPT.contains(tag) || (!hinting && HINTING.contains(tag))) {
                left = left.without(tag);
            }
        }
        return left;
    }

    private static byte[] withCount(ByteView maxp, int numGlyphs) {
        ByteSink changed = new ByteSink().bytes(maxp);
        changed.putU16(MaxpTable.NUM_GLYPHS, numGlyphs);
        return changed.toArray();
    }

    /** Version 3 of {@code post}: the same metrics, no names. */
    private static byte[] withoutGlyphNames(Sfnt face) {
        ByteSink post = new ByteSink();
        face.table("post")
                .filter(table -> table.length() >= PostTable.HEADER)
                .ifPresentOrElse(
                        table -> post.bytes(table.slice(0, PostTable.HEADER)),
                        () -> post.bytes(new byte[PostTable.HEADER]));
        post.putU32(0, PostTable.NO_NAMES);
        return post.toArray();
    }

    private static byte[] withCharacterRange(ByteView os2, NavigableMap<Integer, Integer> mapping) {
        ByteSink changed = new ByteSink().bytes(os2);
        if (os2.length() >= Os2Table.LAST_CHAR_INDEX + 2) {
            changed.putU16(Os2Table.FIRST_CHAR_INDEX, Math.min(0xFFFF, mapping.firstKey()));
            changed.putU16(Os2Table.LAST_CHAR_INDEX, Math.min(0xFFFF, mapping.lastKey()));
        }
        return changed.toArray();
    }
}
