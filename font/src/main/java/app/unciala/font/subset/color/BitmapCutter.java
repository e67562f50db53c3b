package app.unciala.font.subset.color;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * Cuts {@code CBDT}, the pictures of glyphs, and {@code CBLC}, which finds them, to the glyphs of a map (OpenType 1.9).
 * Pictures of neighboring glyphs stand one after the other, found by one index subtable for each such run.
 */
public final class BitmapCutter {
    /** Of the header of {@code CBLC}, behind the version, which {@code CBDT} begins with too. */
    private static final int SIZE_COUNT = 4;

    private static final int SIZES = 8;
    private static final int VERSION_LENGTH = 4;

    /** Of a bitmap size record: where its index subtables are, how long and how many, and the glyphs that have pictures. */
    private static final int SIZE_RECORD = 48;

    private static final int SUBTABLES_OFFSET = 0;
    private static final int SUBTABLES_LENGTH = 4;
    private static final int SUBTABLE_COUNT = 8;
    private static final int FIRST_GLYPH = 40;
    private static final int LAST_GLYPH = 42;

    /** Of an entry for an index subtable: the first glyph, the last, and the offset to it. */
    private static final int SUBTABLE = 8;

    private static final int SUBTABLE_LAST = 2;
    private static final int SUBTABLE_OFFSET = 4;

    /** Glyphs may share a picture, which is then written for each; a sound font does not do so for more than a few. */
    private static final int MOST_GROWTH = 2;

    private static final int STEPS_PER_PICTURE = 30;

    private final ByteView cblc;
    private final ByteView cbdt;
    private final GlyphMap map;
    private final ByteSink pictures = new ByteSink();
    private final Work work = new Work("CBLC");

    private BitmapCutter(ByteView cblc, ByteView cbdt, GlyphMap map) {
        this.cblc = cblc;
        this.cbdt = cbdt;
        this.map = map;
    }

    /**
     * The face with the pictures of kept glyphs only; unchanged where it has none.
     *
     * @throws FontException if {@code CBLC} points outside itself or outside {@code CBDT}
     */
    public static Sfnt cut(Sfnt face, GlyphMap map) {
        if (face.table("CBLC").isEmpty() || face.table("CBDT").isEmpty()) {
            return face;
        }
        BitmapCutter cutter = new BitmapCutter(face.require("CBLC"), face.require("CBDT"), map);
        byte[] locations = cutter.locations();
        return face.with("CBLC", locations).with("CBDT", cutter.pictures.toArray());
    }

    private byte[] locations() {
        pictures.bytes(cbdt.slice(0, VERSION_LENGTH));
        int sizes = (int) Math.min(cblc.u32(SIZE_COUNT), cblc.length() / SIZE_RECORD);
        ByteSink written = new ByteSink().bytes(cblc.slice(0, VERSION_LENGTH)).u32(sizes);
        written.bytes(cblc.slice(SIZES, SIZE_RECORD * sizes));
        for (int record = SIZES; record < SIZES + SIZE_RECORD * sizes; record += SIZE_RECORD) {
            List<Run> runs = runs(record);
            int start = written.size();
            ByteSink subtables = new ByteSink();
            for (Run run : runs) {
                written.u16(run.first()).u16(run.last()).u32((long) SUBTABLE * runs.size() + subtables.size());
                write(run, subtables);
            }
            written.bytes(subtables);
            written.putU32(record + SUBTABLES_OFFSET, start);
            written.putU32(record + SUBTABLES_LENGTH, written.size() - start);
            written.putU32(record + SUBTABLE_COUNT, runs.size());
            written.putU16(
                    record + FIRST_GLYPH, runs.isEmpty() ? 0 : runs.get(0).first());
            written.putU16(
                    record + LAST_GLYPH,
                    runs.isEmpty() ? 0 : runs.get(runs.size() - 1).last());
        }
        return written.toArray();
    }

    private List<Run> runs(int record) {
        SortedMap<Integer, Picture> found = new TreeMap<>();
        ByteView array = cblc.from(cblc.offset32(record + SUBTABLES_OFFSET));
        int count = (int) Math.min(cblc.u32(record + SUBTABLE_COUNT), array.length() / SUBTABLE);
        for (int at = 0; at < SUBTABLE * count; at += SUBTABLE) {
            work.spend(STEPS_PER_PICTURE);
            ByteView subtable = array.from(array.offset32(at + SUBTABLE_OFFSET));
            int last = array.u16(at + SUBTABLE_LAST);
            BitmapIndex.each(subtable, array.u16(at), last, map.kept(), cbdt, (picture, glyph) -> {
                work.spend(STEPS_PER_PICTURE);
                found.putIfAbsent(map.after(glyph), picture);
            });
        }
        List<Run> runs = new ArrayList<>();
        found.forEach((glyph, picture) -> {
            Run run = runs.isEmpty() ? null : runs.get(runs.size() - 1);
            if (run == null || run.last() + 1 != glyph || !run.pictures().get(0).sameKind(picture)) {
                run = new Run(glyph, new ArrayList<>());
                runs.add(run);
            }
            run.pictures().add(picture);
        });
        return runs;
    }

    /** An index subtable of offsets, or of equal size where the metrics stand with the index and not with each picture. */
    private void write(Run run, ByteSink subtables) {
        Picture first = run.pictures().get(0);
        subtables
                .u16(first.metrics().isEmpty() ? BitmapIndex.OFFSETS : BitmapIndex.EQUAL_SIZE)
                .u16(first.imageFormat())
                .u32(pictures.size());
        first.metrics()
                .ifPresent(metrics -> subtables.u32(first.bytes().length()).bytes(metrics));
        int start = pictures.size();
        for (Picture picture : run.pictures()) {
            if (first.metrics().isEmpty()) {
                subtables.u32(pictures.size() - start);
            }
            pictures.bytes(picture.bytes());
            if (pictures.size() > (long) MOST_GROWTH * cbdt.length()) {
                throw new FontException("CBLC", -1, "finds more pictures than CBDT can have");
            }
        }
        if (first.metrics().isEmpty()) {
            subtables.u32(pictures.size() - start);
        }
    }

    /** Glyphs that follow each other, with pictures of the same kind. */
    private record Run(int first, List<Picture> pictures) {
        int last() {
            return first + pictures.size() - 1;
        }
    }
}
