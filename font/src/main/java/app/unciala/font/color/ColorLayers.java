package app.unciala.font.color;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import java.util.BitSet;
import java.util.HashSet;
import java.util.Set;
import java.util.function.IntConsumer;

/** {@code COLR} (OpenType 1.9): the glyphs whose shapes make up a color glyph, in layers or in a graph of paints. */
public final class ColorLayers {
    private static final int MAX_DEPTH = 64;
    private static final int MAX_PAINTS = 100_000;

    private final ByteView colr;

    private ColorLayers(ByteView colr) {
        this.colr = colr;
    }

    public static ColorLayers read(ByteView colr) {
        return new ColorLayers(colr);
    }

    /** Gives every glyph that the color glyph is painted with, directly. */
    public void parts(int glyph, IntConsumer found) {
        layers(glyph, found);
        if (colr.u16(0) >= 1 && colr.u32(14) != 0) {
            ByteView list = colr.from(colr.offset32(14));
            long count = Math.min(list.u32(0), list.length() / 6);
            int low = 0;
            int high = (int) count - 1;
            while (low <= high) {
                int middle = (low + high) >>> 1;
                int at = 4 + 6 * middle;
                if (list.u16(at) == glyph) {
                    new Painter(found).paint(list.from(list.offset32(at + 2)), 0);
                    return;
                }
                if (list.u16(at) < glyph) {
                    low = middle + 1;
                } else {
                    high = middle - 1;
                }
            }
        }
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
                for (int j = 0; j < bases.u16(6 * i + 4); j++) {
                    found.accept(layers.u16(4 * (bases.u16(6 * i + 2) + j)));
                }
                return;
            }
        }
    }

    /** Follows a graph of paints; each paint once. */
    private final class Painter {
        private final IntConsumer found;
        private final Set<Integer> seen = new HashSet<>();
        private final BitSet layersSeen = new BitSet();

        Painter(IntConsumer found) {
            this.found = found;
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
            switch (format) {
                case 1 -> {
                    long first = paint.u32(2);
                    ByteView layers = colr.from(colr.offset32(18));
                    for (int i = 0; i < paint.u8(1); i++) {
                        int layer = (int) Math.min(first + i, Integer.MAX_VALUE / 8);
                        if (!layersSeen.get(layer)) {
                            layersSeen.set(layer);
                            paint(layers.from(layers.offset32(4 + 4 * layer)), depth + 1);
                        }
                    }
                }
                case 2, 3, 4, 5, 6, 7, 8, 9 -> {
                    // Plain fills and gradients draw no glyph.
                }
                case 10 -> {
                    found.accept(paint.u16(4));
                    child(paint, 1, depth);
                }
                case 11 -> found.accept(paint.u16(1));
                case 32 -> {
                    child(paint, 1, depth);
                    child(paint, 5, depth);
                }
                default -> {
                    if (format < 12 || format > 31) {
                        throw new FontException("COLR", -1, "has a paint of unknown format " + format);
                    }
                    child(paint, 1, depth);
                }
            }
        }

        private void child(ByteView paint, int at, int depth) {
            int offset = paint.u8(at) << 16 | paint.u16(at + 1);
            paint(paint.from(offset), depth + 1);
        }
    }
}
