package app.unciala.font.subset.color;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import java.util.BitSet;
import java.util.Optional;
import java.util.function.ObjIntConsumer;

/** An index subtable of {@code CBLC}, formats 1 to 5: where in {@code CBDT} the pictures of a range of glyphs stand. */
final class BitmapIndex {
    private static final int BIG_METRICS = 8;

    private final ByteView table;
    private final ByteView cbdt;
    private final ObjIntConsumer<Picture> found;

    private BitmapIndex(ByteView table, ByteView cbdt, ObjIntConsumer<Picture> found) {
        this.table = table;
        this.cbdt = cbdt;
        this.found = found;
    }

    /** Calls {@code found} for each glyph of {@code wanted} that has a picture here, from {@code first} to {@code last}. */
    static void each(ByteView table, int first, int last, BitSet wanted, ByteView cbdt, ObjIntConsumer<Picture> found) {
        BitmapIndex index = new BitmapIndex(table, cbdt, found);
        int format = table.u16(0);
        switch (format) {
            case 1, 2, 3 -> {
                for (int glyph = wanted.nextSetBit(first);
                        glyph >= 0 && glyph <= last;
                        glyph = wanted.nextSetBit(glyph + 1)) {
                    index.inRange(format, glyph, glyph - first);
                }
            }
            case 4, 5 -> index.listed(format, wanted);
            default -> throw new FontException("CBLC", -1, "has an index subtable of unknown format " + format);
        }
    }

    private void inRange(int format, int glyph, int place) {
        switch (format) {
            case 1 -> add(glyph, table.u32(8 + 4 * place), table.u32(12 + 4 * place));
            case 2 -> addOfEqualSize(glyph, place);
            default -> add(glyph, table.u16(8 + 2 * place), table.u16(10 + 2 * place));
        }
    }

    private void listed(int format, BitSet wanted) {
        int count = table.offset32(format == 4 ? 8 : 20);
        table.slice(0, (int) Math.min(Integer.MAX_VALUE, format == 4 ? 16 + 4L * count : 24 + 2L * count));
        for (int i = 0; i < count; i++) {
            int glyph = table.u16(format == 4 ? 12 + 4 * i : 24 + 2 * i);
            if (wanted.get(glyph) && format == 4) {
                add(glyph, table.u16(14 + 4 * i), table.u16(18 + 4 * i));
            } else if (wanted.get(glyph)) {
                addOfEqualSize(glyph, i);
            }
        }
    }

    private void addOfEqualSize(int glyph, int place) {
        long size = table.u32(8);
        picture(glyph, place * size, size, Optional.of(table.slice(12, BIG_METRICS)));
    }

    /** Equal offsets mean that there is no picture. */
    private void add(int glyph, long from, long to) {
        if (from != to) {
            picture(glyph, from, to - from, Optional.empty());
        }
    }

    private void picture(int glyph, long from, long size, Optional<ByteView> metrics) {
        long start = table.u32(4) + from;
        if (size < 0 || start + size > cbdt.length()) {
            throw new FontException("CBLC", -1, "finds the picture of glyph " + glyph + " outside CBDT");
        }
        found.accept(new Picture(table.u16(2), cbdt.slice((int) start, (int) size), metrics), glyph);
    }
}
