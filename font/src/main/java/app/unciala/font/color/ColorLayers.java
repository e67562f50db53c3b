package app.unciala.font.color;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import java.util.BitSet;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntConsumer;

/** {@code COLR} (OpenType 1.9): the glyphs whose shapes make up a color glyph, in layers or in a graph of paints. */
public final class ColorLayers {
    private static final int MAX_DEPTH = 64;
    private static final int MAX_PAINTS = 100_000;
    private static final int MAX_LAYERS = 1 << 24;
    private static final int BASE_GLYPH_LIST = 14;
    private static final int LAYER_LIST = 18;

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
        layers(glyph, found);
        paint(glyph).ifPresent(paint -> new Painter(found, new BitSet()).paint(paint, 0));
    }

    /** Adds the places in the list of layers that the paints of a color glyph lead to, directly. */
    public void addLayers(int glyph, BitSet layers) {
        paint(glyph).ifPresent(paint -> new Painter(part -> {}, layers).paint(paint, 0));
    }

    /** The first paint of a color glyph of version 1; the view ends with the table. */
    public Optional<ByteView> paint(int glyph) {
        if (colr.u16(0) < 1 || colr.u32(BASE_GLYPH_LIST) == 0) {
            return Optional.empty();
        }
        ByteView list = colr.from(colr.offset32(BASE_GLYPH_LIST));
        int low = 0;
        int high = (int) Math.min(list.u32(0), list.length() / 6) - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            int at = 4 + 6 * middle;
            if (list.u16(at) == glyph) {
                return Optional.of(list.from(list.offset32(at + 2)));
            }
            if (list.u16(at) < glyph) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return Optional.empty();
    }

    /** The paint at a place in the list of layers; the view ends with the table. */
    public ByteView layer(int number) {
        ByteView layers = colr.from(colr.offset32(LAYER_LIST));
        return layers.from(layers.offset32(4 + 4 * Math.min(number, Integer.MAX_VALUE / 8)));
    }

    private void layers(int glyph, IntConsumer found) {
        int count = colr.u16(2);
        if (count == 0) {
            return;
        }
        ByteView bases = colr.from(colr.offset32(4));
        ByteView layers = colr.from(colr.offset32(8));
        for (int i = 0; i < count; i++) {
            if (bases.u16(6 * i) == glyph) {
                int layerCount = bases.u16(6 * i + 4);
                work.spend(layerCount);
                for (int j = 0; j < layerCount; j++) {
                    found.accept(layers.u16(4 * (bases.u16(6 * i + 2) + j)));
                }
                return;
            }
        }
    }

    /** Follows a graph of paints; each paint once. */
    private final class Painter {
        private final IntConsumer found;
        private final BitSet layers;
        private final Set<Integer> seen = new HashSet<>();

        Painter(IntConsumer found, BitSet layers) {
            this.found = found;
            this.layers = layers;
        }

        void paint(ByteView paint, int depth) {
            // Every view of a paint ends with the table, so its length tells which paint it is.
            if (!seen.add(paint.length())) {
                return;
            }
            if (depth > MAX_DEPTH || seen.size() > MAX_PAINTS) {
                throw new FontException("COLR", -1, "nests paints too deeply or too often");
            }
            int format = paint.u8(0);
            PaintFormat shape = PaintFormat.of(format);
            if (format == PaintFormat.COLR_LAYERS) {
                long first = paint.u32(2);
                for (int i = 0; i < paint.u8(1); i++) {
                    int layer = (int) Math.min(first + i, MAX_LAYERS);
                    ByteView next = layer(layer);
                    layers.set(layer);
                    paint(next, depth + 1);
                }
            }
            if (shape.glyph() >= 0) {
                found.accept(paint.u16(shape.glyph()));
            }
            for (int at : shape.paints()) {
                paint(paint.from(paint.u24(at)), depth + 1);
            }
        }
    }
}
