package app.unciala.font.color;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntConsumer;

/** {@code COLR} (OpenType 1.9): the glyphs whose shapes make up a color glyph, in layers or in a graph of paints. */
public final class ColorLayers {
    private static final int MAX_DEPTH = 64;
    private static final int MAX_PAINTS = 100_000;
    private static final int MAX_LAYERS = 1 << 24;
    /** A base glyph record of either version: the glyph, then its first layer and how many it has, or an offset. */
    private static final int RECORD = 6;

    private static final int FIRST_LAYER = 2;
    private static final int LAYERS_OF_GLYPH = 4;
    private static final int PAINT_OFFSET = 2;

    private static final int BASE_GLYPH_COUNT = 2;
    private static final int BASE_GLYPHS = 4;
    private static final int LAYERS = 8;
    /** The bytes of a layer of version 0: a glyph, and an entry of the palettes. */
    public static final int LAYER = 4;

    public static final int LAYER_PALETTE = 2;
    /** Where the records of the lists of version 1 begin, behind their count. */
    private static final int LIST_RECORDS = 4;
    /** Where the header says where its parts are, in bytes. */
    public static final int BASE_GLYPH_LIST = 14;

    public static final int LAYER_LIST = 18;
    public static final int CLIP_LIST = 22;
    public static final int VARIATION_INDEX_MAP = 26;
    public static final int VARIATION_STORE = 30;

    private final ByteView colr;
    private final Work work = new Work("COLR");

    private ColorLayers(ByteView colr) {
        this.colr = colr;
    }

    public static ColorLayers read(ByteView colr) {
        return new ColorLayers(colr);
    }

    /** Gives every glyph that the color glyph is painted with, directly. */
    public void parts(int glyph, IntConsumer found) {
        ByteView flat = flatLayers(glyph);
        work.spend(flat.length());
        for (int at = 0; at < flat.length(); at += LAYER) {
            found.accept(flat.u16(at));
        }
        paint(glyph).ifPresent(paint -> new Painter(found, new BitSet()).paint(paint, 0));
    }

    /** Adds the places in the list of layers that the paints of a color glyph lead to, directly. */
    public void addLayers(int glyph, BitSet layers) {
        paint(glyph).ifPresent(paint -> new Painter(part -> {}, layers).paint(paint, 0));
    }

    /** The layers of a color glyph of version 0, of four bytes each: a glyph, and an entry of the palettes. */
    public ByteView flatLayers(int glyph) {
        int count = colr.u16(BASE_GLYPH_COUNT);
        if (count > 0) {
            ByteView bases = colr.from(colr.offset32(BASE_GLYPHS));
            int at = find(bases, 0, count, glyph);
            if (at >= 0) {
                int first = colr.offset32(LAYERS) + LAYER * bases.u16(at + FIRST_LAYER);
                return colr.slice(first, LAYER * bases.u16(at + LAYERS_OF_GLYPH));
            }
        }
        return colr.slice(0, 0);
    }

    /** The first paint of a color glyph of version 1; the view ends with the table. */
    public Optional<ByteView> paint(int glyph) {
        if (colr.u16(0) < 1 || colr.u32(BASE_GLYPH_LIST) == 0) {
            return Optional.empty();
        }
        ByteView list = colr.from(colr.offset32(BASE_GLYPH_LIST));
        int at = find(list, LIST_RECORDS, (int) Math.min(list.u32(0), list.length() / RECORD), glyph);
        return at < 0 ? Optional.empty() : Optional.of(list.from(list.offset32(at + PAINT_OFFSET)));
    }

    /** Where the record of a glyph stands among records in the order of their glyphs, or -1. */
    private static int find(ByteView records, int from, int count, int glyph) {
        int low = 0;
        int high = count - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            int at = from + RECORD * middle;
            int found = records.u16(at);
            if (found == glyph) {
                return at;
            }
            if (found < glyph) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return -1;
    }

    /** The paint at a place in the list of layers; the view ends with the table. */
    public ByteView layer(int number) {
        ByteView layers = colr.from(colr.offset32(LAYER_LIST));
        return layers.from(layers.offset32(LIST_RECORDS + 4 * number));
    }

    /** Follows a graph of paints; each paint once. */
    private final class Painter {
        private final IntConsumer found;
        private final BitSet layers;
        /** How deep the paints below each go, which is 0 while these are being followed. */
        private final Map<Integer, Integer> heights = new HashMap<>();

        Painter(IntConsumer found, BitSet layers) {
            this.found = found;
            this.layers = layers;
        }

        /** Follows a paint, and says how deep the paints below it go; so no way through the graph is too long. */
        int paint(ByteView paint, int depth) {
            // Every view of a paint ends with the table, so its length tells which paint it is.
            Integer known = heights.putIfAbsent(paint.length(), 0);
            if (depth + (known == null ? 0 : known) > MAX_DEPTH || heights.size() > MAX_PAINTS) {
                throw new FontException("COLR", -1, "nests paints too deeply or too often");
            }
            if (known != null) {
                return known;
            }
            int height = 0;
            int format = paint.u8(0);
            PaintFormat shape = PaintFormat.of(format);
            if (format == PaintFormat.COLR_LAYERS) {
                long first = paint.u32(PaintFormat.FIRST_LAYER);
                for (int i = 0; i < paint.u8(PaintFormat.LAYER_COUNT); i++) {
                    int layer = (int) Math.min(first + i, MAX_LAYERS);
                    ByteView next = layer(layer);
                    layers.set(layer);
                    height = Math.max(height, 1 + paint(next, depth + 1));
                }
            }
            if (shape.glyph() >= 0) {
                found.accept(paint.u16(shape.glyph()));
            }
            for (int at : shape.paints()) {
                height = Math.max(height, 1 + paint(paint.from(paint.u24(at)), depth + 1));
            }
            heights.put(paint.length(), height);
            return height;
        }
    }
}
