package app.unciala.font.table;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.sfnt.SearchRange;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;

/**
 * Writes {@code cmap}: format 4 for the Basic Multilingual Plane, format 12 where characters lie beyond it, and
 * format 14 where there are variation sequences.
 */
public final class CmapWriter {
    /** The bytes of a segment of format 4. */
    private static final int SEGMENT = 8;

    /** Code points first to last, whose glyphs rise with them; {@code glyph} is that of the first. */
    private record Run(int first, int last, int glyph) {}

    /** One subtable under its platform and encoding. */
    private record Subtable(int platform, int encoding, byte[] bytes) {}

    private CmapWriter() {}

    /** {@code mapping} is from code points to glyphs, and not empty. */
    public static byte[] write(SortedMap<Integer, Integer> mapping) {
        return write(mapping, new VariationSequences(List.of()));
    }

    public static byte[] write(SortedMap<Integer, Integer> mapping, VariationSequences sequences) {
        List<Subtable> subtables = new ArrayList<>();
        if (!sequences.isEmpty()) {
            subtables.add(new Subtable(NameTable.UNICODE, CmapDirectory.VARIATION_SEQUENCES, sequences.write()));
        }
        subtables.add(new Subtable(NameTable.WINDOWS, CmapDirectory.WINDOWS_BMP, format4(mapping.headMap(0xFFFF))));
        if (mapping.lastKey() > 0xFFFF) {
            subtables.add(new Subtable(NameTable.WINDOWS, CmapDirectory.WINDOWS_FULL, format12(runs(mapping))));
        }
        ByteSink out = CmapDirectory.header(subtables.size());
        int at = CmapDirectory.length(subtables.size());
        for (Subtable subtable : subtables) {
            CmapDirectory.write(out, subtable.platform(), subtable.encoding(), at);
            at += subtable.bytes().length;
        }
        subtables.forEach(subtable -> out.bytes(subtable.bytes()));
        return out.toArray();
    }

    private static List<Run> runs(SortedMap<Integer, Integer> mapping) {
        List<Run> runs = new ArrayList<>();
        mapping.forEach((code, glyph) -> {
            Run last = runs.isEmpty() ? new Run(-2, -2, 0) : runs.get(runs.size() - 1);
            if (last.last() + 1 == code && last.glyph() + code - last.first() == glyph) {
                runs.set(runs.size() - 1, new Run(last.first(), code, last.glyph()));
            } else {
                runs.add(new Run(code, code, glyph));
            }
        });
        return runs;
    }

    /** Part of format 4: code points that lie close together, with one delta for all glyphs or a list of them. */
    private record Segment(int first, int last, boolean listed, List<Run> runs) {
        /** Added to the code point, modulo 65536, it gives the glyph. */
        int delta() {
            return listed ? 0 : runs.get(0).glyph() - first;
        }
    }

    private static byte[] format4(SortedMap<Integer, Integer> mapping) {
        List<Segment> segments = segments(runs(mapping));
        segments.add(new Segment(0xFFFF, 0xFFFF, false, List.of(new Run(0xFFFF, 0xFFFF, 0))));
        int count = segments.size();
        ByteSink offsets = new ByteSink();
        ByteSink glyphs = new ByteSink();
        for (int i = 0; i < count; i++) {
            Segment segment = segments.get(i);
            offsets.u16(segment.listed() ? 2 * (count - i) + glyphs.size() : 0);
            for (Run run : segment.listed() ? segment.runs() : List.<Run>of()) {
                for (int code = run.first(); code <= run.last(); code++) {
                    glyphs.u16(run.glyph() + code - run.first());
                }
            }
        }
        ByteSink out = new ByteSink();
        out.u16(CmapTable.SEGMENTS)
                .u16(CmapSegments.length(count) + glyphs.size())
                .u16(0)
                .u16(2 * count);
        SearchRange.of(count, 2).writeTo(out);
        segments.forEach(segment -> out.u16(segment.last()));
        out.u16(0);
        segments.forEach(segment -> out.u16(segment.first()));
        segments.forEach(segment -> out.u16(segment.delta()));
        return out.bytes(offsets).bytes(glyphs).toArray();
    }

    /**
     * A segment takes eight bytes and a listed glyph two, so runs that follow each other without a gap are listed
     * together where that is shorter: the cheapest way to end each run listed or not, from the first run to the last.
     */
    private static List<Segment> segments(List<Run> runs) {
        int[][] cost = new int[runs.size() + 1][2];
        boolean[][] fromListed = new boolean[runs.size() + 1][2];
        for (int i = 1; i <= runs.size(); i++) {
            Run run = runs.get(i - 1);
            int listing = 2 * (run.last() - run.first() + 1);
            boolean follows = i > 1 && runs.get(i - 2).last() + 1 == run.first();
            boolean listedIsCheaper = cost[i - 1][1] < cost[i - 1][0];
            int best = Math.min(cost[i - 1][0], cost[i - 1][1]);
            cost[i][0] = best + SEGMENT;
            fromListed[i][0] = listedIsCheaper;
            boolean goesOn = i > 1 && follows && cost[i - 1][1] <= best + SEGMENT;
            cost[i][1] = listing + (goesOn ? cost[i - 1][1] : best + SEGMENT);
            fromListed[i][1] = goesOn || listedIsCheaper;
        }
        boolean[] listed = new boolean[runs.size()];
        boolean state = cost[runs.size()][1] < cost[runs.size()][0];
        for (int i = runs.size(); i > 0; i--) {
            listed[i - 1] = state;
            state = fromListed[i][state ? 1 : 0];
        }
        List<Segment> segments = new ArrayList<>();
        for (int i = 0; i < runs.size(); ) {
            int end = i + 1;
            while (listed[i]
                    && end < runs.size()
                    && listed[end]
                    && runs.get(end - 1).last() + 1 == runs.get(end).first()) {
                end++;
            }
            segments.add(new Segment(runs.get(i).first(), runs.get(end - 1).last(), listed[i], runs.subList(i, end)));
            i = end;
        }
        return segments;
    }

    private static byte[] format12(List<Run> runs) {
        ByteSink out = new ByteSink();
        out.u16(CmapTable.GROUPS)
                .u16(0)
                .u32(CmapGroups.GROUPS + (long) CmapGroups.GROUP * runs.size())
                .u32(0)
                .u32(runs.size());
        runs.forEach(run -> out.u32(run.first()).u32(run.last()).u32(run.glyph()));
        return out.toArray();
    }
}
