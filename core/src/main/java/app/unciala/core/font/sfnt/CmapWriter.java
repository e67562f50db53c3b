package app.unciala.core.font.sfnt;

import app.unciala.core.font.ByteSink;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;

/** Writes {@code cmap}: format 4 for the Basic Multilingual Plane, and format 12 where characters lie beyond it. */
public final class CmapWriter {
    /** Code points first to last, whose glyphs rise with them; {@code glyph} is that of the first. */
    private record Run(int first, int last, int glyph) {}

    private CmapWriter() {}

    /** {@code mapping} is from code points to glyphs, and not empty. */
    public static byte[] write(SortedMap<Integer, Integer> mapping) {
        byte[] basic = format4(runs(mapping.headMap(0xFFFF)));
        boolean beyond = mapping.lastKey() > 0xFFFF;
        ByteSink out = new ByteSink();
        int first = beyond ? 20 : 12;
        out.u16(0).u16(beyond ? 2 : 1).u16(3).u16(1).u32(first);
        if (beyond) {
            out.u16(3).u16(10).u32(first + basic.length);
        }
        out.bytes(basic);
        if (beyond) {
            out.bytes(format12(runs(mapping)));
        }
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

    private static byte[] format4(List<Run> runs) {
        List<Run> segments = new ArrayList<>(runs);
        segments.add(new Run(0xFFFF, 0xFFFF, 0));
        int count = segments.size();
        int power = Integer.highestOneBit(count);
        ByteSink out = new ByteSink();
        out.u16(4).u16(16 + 8 * count).u16(0).u16(2 * count).u16(2 * power);
        out.u16(Integer.numberOfTrailingZeros(power)).u16(2 * (count - power));
        segments.forEach(segment -> out.u16(segment.last()));
        out.u16(0);
        segments.forEach(segment -> out.u16(segment.first()));
        segments.forEach(segment -> out.u16(segment.glyph() - segment.first()));
        segments.forEach(segment -> out.u16(0));
        return out.toArray();
    }

    private static byte[] format12(List<Run> runs) {
        ByteSink out = new ByteSink();
        out.u16(12).u16(0).u32(16 + 12L * runs.size()).u32(0).u32(runs.size());
        runs.forEach(run -> out.u32(run.first()).u32(run.last()).u32(run.glyph()));
        return out.toArray();
    }
}
