package app.unciala.font.subset.color;

import static app.unciala.font.color.ColorLayers.CLIP_LIST;
import static app.unciala.font.color.ColorLayers.LAYER_LIST;
import static app.unciala.font.color.ColorLayers.VARIATION_STORE;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.color.ColorLayers;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.layout.packing.Block;
import app.unciala.font.layout.packing.BlockPacker;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.variation.Location;
import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Writes {@code COLR}, versions 0 and 1 (OpenType 1.9), anew: for the color glyphs of a map, their layers and paints under
 * the new glyph numbers; or as it is at one location of a variable font. Palettes stay as they are.
 */
public final class ColorLayersCutter {
    /** What the count of layers holds; glyphs that shared some have layers of their own after a cut. */
    private static final int MOST_LAYERS = 0xFFFF;

    /** Of the list of clip boxes: its format, how many ranges it has, and the ranges. */
    private static final int CLIP_COUNT = 1;

    private static final int CLIPS = 5;
    /** A range of glyphs: the first, the last, and the offset to their box. */
    private static final int CLIP = 7;

    private static final int CLIP_LAST = 2;
    private static final int CLIP_BOX = 4;

    private final ByteView colr;
    private final ColorLayers layers;
    private final GlyphMap map;
    /** The layers that kept glyphs are painted with, by their old places. */
    private final BitSet keptLayers = new BitSet();

    private final PaintDeltas deltas;
    private final PaintCutter paints;

    private ColorLayersCutter(ByteView colr, GlyphMap map, PaintDeltas deltas) {
        this.colr = colr;
        this.map = map;
        this.deltas = deltas;
        layers = ColorLayers.read(colr);
        map.kept().stream().forEach(glyph -> layers.addLayers(glyph, keptLayers));
        paints = new PaintCutter(this::after, keptLayers, deltas);
    }

    /**
     * The face with the color glyphs that are kept; without the table where none is.
     *
     * @throws FontException if {@code COLR} is damaged
     */
    public static Sfnt cut(Sfnt face, GlyphMap map) {
        if (face.table("COLR").isEmpty()) {
            return face;
        }
        ByteView colr = face.require("COLR");
        byte[] cut = new ColorLayersCutter(colr, map, PaintDeltas.keeping(colr)).cut();
        return cut == null ? face.without("COLR") : face.with("COLR", cut);
    }

    /**
     * The face with paints as they are at a location; unchanged where they do not vary.
     *
     * @throws FontException if {@code COLR} is damaged
     */
    public static Sfnt instantiate(Sfnt face, int numGlyphs, Location location) {
        ByteView colr = face.table("COLR")
                .filter(table -> table.u16(0) > 0 && table.u32(VARIATION_STORE) != 0)
                .orElse(null);
        if (colr == null) {
            return face;
        }
        BitSet all = new BitSet();
        all.set(0, numGlyphs);
        GlyphMap same = GlyphMap.renumbering(all, numGlyphs);
        byte[] instance = new ColorLayersCutter(colr, same, PaintDeltas.atInstance(colr, location)).cut();
        return instance == null ? face : face.with("COLR", instance);
    }

    private byte @Nullable [] cut() {
        Block bases = new Block();
        Block flat = new Block();
        int[] counts = flatLayers(bases, flat);
        Block paintedGlyphs = paintedGlyphs();
        if (counts[0] == 0 && paintedGlyphs == null) {
            return null;
        }
        Block table = new Block()
                .u16(paintedGlyphs == null ? 0 : 1)
                .u16(counts[0])
                .link32(counts[0] == 0 ? null : bases)
                .link32(counts[0] == 0 ? null : flat)
                .u16(counts[1]);
        if (paintedGlyphs != null) {
            // The deltas that are kept are known when all else is written.
            Block layerList = layerList();
            Block clips = clips();
            table.link32(paintedGlyphs)
                    .link32(layerList)
                    .link32(clips)
                    .link32(deltas.indexMap())
                    .link32(deltas.variationStore());
        }
        return BlockPacker.pack(table)
                .orElseThrow(() -> new FontException("COLR", -1, "has paints too far apart for their offsets"));
    }

    /** Version 0: base glyphs with slices of one list of layers. The counts of both. */
    private int[] flatLayers(Block bases, Block flat) {
        int baseCount = 0;
        int layerCount = 0;
        for (int glyph = map.kept().nextSetBit(0);
                glyph >= 0;
                glyph = map.kept().nextSetBit(glyph + 1)) {
            ByteView own = layers.flatLayers(glyph);
            int count = own.length() / ColorLayers.LAYER;
            if (count > 0) {
                if (layerCount + count > MOST_LAYERS) {
                    throw new FontException("COLR", -1, "has color glyphs of more than " + MOST_LAYERS + " layers");
                }
                bases.u16(map.after(glyph)).u16(layerCount).u16(count);
                for (int at = 0; at < own.length(); at += ColorLayers.LAYER) {
                    flat.u16(after(own.u16(at))).u16(own.u16(at + ColorLayers.LAYER_PALETTE));
                }
                baseCount++;
                layerCount += count;
            }
        }
        return new int[] {baseCount, layerCount};
    }

    /** The new number of a glyph; one that the font does not have becomes the missing glyph. */
    private int after(int glyph) {
        return Math.max(0, map.after(glyph));
    }

    /** The base glyph list, or nothing when no glyph of it is kept. */
    private @Nullable Block paintedGlyphs() {
        int[] glyphs = map.kept().stream()
                .filter(glyph -> layers.paint(glyph).isPresent())
                .toArray();
        if (glyphs.length == 0) {
            return null;
        }
        Block list = new Block().u32(glyphs.length);
        for (int glyph : glyphs) {
            list.u16(map.after(glyph)).link32(paints.paint(layers.paint(glyph).orElseThrow()));
        }
        return list;
    }

    private @Nullable Block layerList() {
        if (keptLayers.isEmpty() || colr.u32(LAYER_LIST) == 0) {
            return null;
        }
        Block list = new Block().u32(keptLayers.cardinality());
        keptLayers.stream().forEach(layer -> list.link32(paints.paint(layers.layer(layer))));
        return list;
    }

    /** The boxes that color glyphs are clipped to: ranges of glyphs, of which what is kept is a range again. */
    private @Nullable Block clips() {
        if (colr.u32(CLIP_LIST) == 0) {
            return null;
        }
        ByteView list = colr.from(colr.offset32(CLIP_LIST));
        List<ByteView> kept = IntStream.range(0, list.offset32(CLIP_COUNT))
                .mapToObj(i -> list.slice(CLIPS + CLIP * i, CLIP))
                .filter(range -> first(range) >= 0 && first(range) <= last(range))
                .toList();
        if (kept.isEmpty()) {
            return null;
        }
        Block cut = new Block().u8(list.u8(0)).u32(kept.size());
        for (ByteView range : kept) {
            cut.u16(map.after(first(range)))
                    .u16(map.after(last(range)))
                    .link24(paints.clipBox(list.from(range.u24(CLIP_BOX))));
        }
        return cut;
    }

    private int first(ByteView range) {
        return map.kept().nextSetBit(range.u16(0));
    }

    private int last(ByteView range) {
        return map.kept().previousSetBit(range.u16(CLIP_LAST));
    }
}
