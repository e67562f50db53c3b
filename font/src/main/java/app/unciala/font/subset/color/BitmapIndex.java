package app.unciala.font.subset.color;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import java.util.BitSet;
import java.util.Optional;
import java.util.function.ObjIntConsumer;

/** An index subtable of {@code CBLC}, formats 1 to 5: where in {@code CBDT} the pictures of a range of glyphs stand. */
final class BitmapIndex {
    /** Formats: offsets of 32 bits, pictures of equal size, offsets of 16 bits, and the last two for listed glyphs. */
    static final int OFFSETS = 1;

    static final int EQUAL_SIZE = 2;
    private static final int SHORT_OFFSETS = 3;
    private static final int LISTED = 4;
    private static final int LISTED_EQUAL_SIZE = 5;

    private static final int IMAGE_FORMAT = 2;
    private static final int IMAGE_DATA_OFFSET = 4;
    /** Where what differs between formats begins. */
    private static final int BODY = 8;

    private static final int IMAGE_SIZE = BODY;
    private static final int METRICS = BODY + 4;
    private static final int METRICS_LENGTH = 8;

    /** In a list: how many glyphs, and for each its number and an offset of 16 bits. */
    private static final int LISTED_COUNT = BODY;

    private static final int LISTED_GLYPHS = BODY + 4;
    private static final int LISTED_GLYPH = 4;
    private static final int LISTED_OFFSET = 2;
    /** In a list of pictures of equal size, behind the metrics. */
    private static final int EQUAL_COUNT = METRICS + METRICS_LENGTH;

    private static final int EQUAL_GLYPHS = EQUAL_COUNT + 4;

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
            case OFFSETS, EQUAL_SIZE, SHORT_OFFSETS -> {
                for (int glyph = wanted.nextSetBit(first);
                        glyph >= 0 && glyph <= last;
                        glyph = wanted.nextSetBit(glyph + 1)) {
                    index.inRange(format, glyph, glyph - first);
                }
            }
            case LISTED -> index.listed(wanted);
            case LISTED_EQUAL_SIZE -> index.listedOfEqualSize(wanted);
            default -> throw new FontException("CBLC", -1, "has an index subtable of unknown format " + format);
        }
    }

    private void inRange(int format, int glyph, int place) {
        switch (format) {
            case OFFSETS -> add(glyph, table.u32(BODY + 4 * place), table.u32(BODY + 4 * place + 4));
            case EQUAL_SIZE -> addOfEqualSize(glyph, place);
            default -> add(glyph, table.u16(BODY + 2 * place), table.u16(BODY + 2 * place + 2));
        }
    }

    /** One more than there are glyphs are listed, so that each picture ends where the next begins. */
    private void listed(BitSet wanted) {
        int count = table.offset32(LISTED_COUNT);
        requireLength(LISTED_GLYPHS + LISTED_GLYPH * (count + 1L));
        for (int i = 0; i < count; i++) {
            int at = LISTED_GLYPHS + LISTED_GLYPH * i;
            if (wanted.get(table.u16(at))) {
                add(table.u16(at), table.u16(at + LISTED_OFFSET), table.u16(at + LISTED_GLYPH + LISTED_OFFSET));
            }
        }
    }

    private void listedOfEqualSize(BitSet wanted) {
        int count = table.offset32(EQUAL_COUNT);
        requireLength(EQUAL_GLYPHS + 2L * count);
        for (int i = 0; i < count; i++) {
            int glyph = table.u16(EQUAL_GLYPHS + 2 * i);
            if (wanted.get(glyph)) {
                addOfEqualSize(glyph, i);
            }
        }
    }

    private void requireLength(long length) {
        table.slice(0, (int) Math.min(Integer.MAX_VALUE, length));
    }

    private void addOfEqualSize(int glyph, int place) {
        long size = table.u32(IMAGE_SIZE);
        picture(glyph, place * size, size, Optional.of(table.slice(METRICS, METRICS_LENGTH)));
    }

    /** Equal offsets mean that there is no picture. */
    private void add(int glyph, long from, long to) {
        if (from != to) {
            picture(glyph, from, to - from, Optional.empty());
        }
    }

    private void picture(int glyph, long from, long size, Optional<ByteView> metrics) {
        long start = table.u32(IMAGE_DATA_OFFSET) + from;
        if (size < 0 || start + size > cbdt.length()) {
            throw new FontException("CBLC", -1, "finds the picture of glyph " + glyph + " outside CBDT");
        }
        found.accept(new Picture(table.u16(IMAGE_FORMAT), cbdt.slice((int) start, (int) size), metrics), glyph);
    }
}
