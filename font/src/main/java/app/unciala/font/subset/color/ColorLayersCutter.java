package app.unciala.font.subset.color;

import static app.unciala.font.color.ColorLayers.BASE_GLYPH_LIST;
import static app.unciala.font.color.ColorLayers.CLIP_LIST;
import static app.unciala.font.color.ColorLayers.LAYER_LIST;
import static app.unciala.font.color.ColorLayers.VARIATION_INDEX_MAP;
import static app.unciala.font.color.ColorLayers.VARIATION_STORE;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.color.ColorLayers;
import app.unciala.font.color.PaintFormat;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.layout.packing.Block;
import app.unciala.font.layout.packing.BlockPacker;
import app.unciala.font.sfnt.Sfnt;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Cuts {@code COLR}, versions 0 and 1 (OpenType 1.9), to the color glyphs of a map: their layers and paints, under the new
 * glyph numbers. Palettes and deltas stay as they are.
 */
public final class ColorLayersCutter {
    /** What the count of layers holds; glyphs that shared some have layers of their own after a cut. */
    private static final int MOST_LAYERS = 0xFFFF;

    private static final int LAYER = 4;
    private static final int COLOR_STOP = 6;
    private static final int MATRIX = 24;
    private static final int BOX = 9;
    /** The bytes of an index of deltas, which variable records have at their end. */
    private static final int DELTA_INDEX = 4;

    private final ByteView colr;
    private final ColorLayers layers;
    private final GlyphMap map;
    /** The layers that kept glyphs are painted with, by their old places. */
    private final BitSet keptLayers = new BitSet();
    /** Paints by what is left of the table from where they begin, so that shared ones stay shared. */
    private final Map<Integer, Block> paints = new HashMap<>();

    private ColorLayersCutter(ByteView colr, GlyphMap map) {
        this.colr = colr;
        this.map = map;
        layers = ColorLayers.read(colr);
        map.kept().stream().forEach(glyph -> layers.addLayers(glyph, keptLayers));
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
        byte[] cut = new ColorLayersCutter(face.require("COLR"), map).cut();
        return cut == null ? face.without("COLR") : face.with("COLR", cut);
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
            table.link32(paintedGlyphs)
                    .link32(layerList())
                    .link32(clips())
                    .link32(whole(VARIATION_INDEX_MAP))
                    .link32(whole(VARIATION_STORE));
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
            int count = own.length() / LAYER;
            if (count > 0) {
                if (layerCount + count > MOST_LAYERS) {
                    throw new FontException("COLR", -1, "has color glyphs of more than " + MOST_LAYERS + " layers");
                }
                bases.u16(map.after(glyph)).u16(layerCount).u16(count);
                for (int at = 0; at < own.length(); at += LAYER) {
                    flat.u16(after(own.u16(at))).u16(own.u16(at + 2));
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
            list.u16(map.after(glyph)).link32(paint(layers.paint(glyph).orElseThrow()));
        }
        return list;
    }

    private @Nullable Block layerList() {
        if (keptLayers.isEmpty() || colr.u32(LAYER_LIST) == 0) {
            return null;
        }
        Block list = new Block().u32(keptLayers.cardinality());
        keptLayers.stream().forEach(layer -> list.link32(paint(layers.layer(layer))));
        return list;
    }

    private Block paint(ByteView paint) {
        Block known = paints.get(paint.length());
        if (known != null) {
            return known;
        }
        int format = paint.u8(0);
        PaintFormat shape = PaintFormat.of(format);
        Block cut = new Block();
        if (format == PaintFormat.COLR_LAYERS) {
            int first = (int) Math.min(paint.u32(2), keptLayers.length());
            cut.bytes(paint.slice(0, 2)).u32(keptLayers.get(0, first).cardinality());
        } else {
            int at = 0;
            while (at < shape.length()) {
                at += field(cut, paint, at, shape);
            }
        }
        paints.put(paint.length(), cut);
        return cut;
    }

    /** Copies what stands at a byte of a paint, and says how many bytes it takes there. */
    private int field(Block cut, ByteView paint, int at, PaintFormat shape) {
        if (at == shape.glyph()) {
            cut.u16(after(paint.u16(at)));
            return 2;
        }
        if (shape.paints().contains(at)) {
            int offset = paint.u24(at);
            if (offset == 0) {
                throw new FontException("COLR", -1, "has a paint without the paint that it changes");
            }
            cut.link24(paint(paint.from(offset)));
            return 3;
        }
        int more = shape.variable() ? DELTA_INDEX : 0;
        if (at == shape.colorLine()) {
            ByteView line = paint.from(paint.u24(at));
            cut.link24(new Block().bytes(line.slice(0, 3 + line.u16(1) * (COLOR_STOP + more))));
            return 3;
        }
        if (at == shape.transform()) {
            cut.link24(new Block().bytes(paint.from(paint.u24(at)).slice(0, MATRIX + more)));
            return 3;
        }
        cut.bytes(paint.slice(at, 1));
        return 1;
    }

    /** The boxes that color glyphs are clipped to: ranges of glyphs, of which what is kept is a range again. */
    private @Nullable Block clips() {
        if (colr.u32(CLIP_LIST) == 0) {
            return null;
        }
        ByteView list = colr.from(colr.offset32(CLIP_LIST));
        List<ByteView> kept = IntStream.range(0, list.offset32(1))
                .mapToObj(i -> list.slice(5 + 7 * i, 7))
                .filter(range -> first(range) >= 0 && first(range) <= last(range))
                .toList();
        if (kept.isEmpty()) {
            return null;
        }
        Block cut = new Block().bytes(list.slice(0, 1)).u32(kept.size());
        for (ByteView range : kept) {
            ByteView box = list.from(range.u24(4));
            cut.u16(map.after(first(range)))
                    .u16(map.after(last(range)))
                    .link24(new Block().bytes(box.slice(0, box.u8(0) == 2 ? BOX + DELTA_INDEX : BOX)));
        }
        return cut;
    }

    private int first(ByteView range) {
        return map.kept().nextSetBit(range.u16(0));
    }

    private int last(ByteView range) {
        return map.kept().previousSetBit(range.u16(2));
    }

    /** A part that stays as it is: from its offset to the next part, or to the end of the table. */
    private @Nullable Block whole(int offsetAt) {
        if (colr.u32(offsetAt) == 0) {
            return null;
        }
        int from = colr.offset32(offsetAt);
        int to = IntStream.of(4, 8, BASE_GLYPH_LIST, LAYER_LIST, CLIP_LIST, VARIATION_INDEX_MAP, VARIATION_STORE)
                .map(colr::i32)
                .filter(offset -> offset > from && offset < colr.length())
                .min()
                .orElse(colr.length());
        return new Block().bytes(colr.slice(from, to - from));
    }
}
