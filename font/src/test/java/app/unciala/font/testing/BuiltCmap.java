package app.unciala.font.testing;

import java.util.List;

/** {@code cmap} tables and their subtables, by what they map. */
public final class BuiltCmap {
    private BuiltCmap() {}

    /** A subtable under its platform and encoding. */
    public record Encoded(int platform, int encoding, BuiltTable subtable) {}

    public static BuiltTable table(Encoded... subtables) {
        BuiltTable table = BuiltTable.of(0, subtables.length);
        for (Encoded encoded : subtables) {
            table.u16(encoded.platform(), encoded.encoding()).offset32(encoded.subtable());
        }
        return table;
    }

    /** Format 0: a glyph below 256 for each of 256 codes. */
    public static BuiltTable bytes(int[] glyphs) {
        return BuiltTable.of(0, 6 + glyphs.length, 0).u8(glyphs);
    }

    /** A segment of format 4: its code points, what is added to each, and glyphs to look up instead, if any. */
    public record Segment(int first, int last, int delta, List<Integer> listed) {
        public static Segment shifted(int first, int last, int delta) {
            return new Segment(first, last, delta, List.of());
        }

        public static Segment listed(int first, int delta, Integer... glyphs) {
            return new Segment(first, first + glyphs.length - 1, delta, List.of(glyphs));
        }

        public static Segment closing() {
            return shifted(0xFFFF, 0xFFFF, 1);
        }
    }

    /** Format 4. */
    public static BuiltTable segments(Segment... segments) {
        return segments(0, segments);
    }

    /** Format 4, with something added to every offset into the list of glyphs. */
    public static BuiltTable segments(int tooFar, Segment... segments) {
        BuiltTable ends = BuiltTable.of();
        BuiltTable starts = BuiltTable.of();
        BuiltTable deltas = BuiltTable.of();
        BuiltTable offsets = BuiltTable.of();
        BuiltTable glyphs = BuiltTable.of();
        int listed = 0;
        for (int i = 0; i < segments.length; i++) {
            Segment segment = segments[i];
            ends.u16(segment.last());
            starts.u16(segment.first());
            deltas.u16(segment.delta());
            boolean isListed = !segment.listed().isEmpty();
            offsets.u16(isListed ? 2 * (segments.length - i + listed) + tooFar : 0);
            segment.listed().forEach(glyphs::u16);
            listed += segment.listed().size();
        }
        return BuiltTable.of(4, 0, 0, 2 * segments.length, 0, 0, 0)
                .inline(ends)
                .u16(0)
                .inline(starts)
                .inline(deltas)
                .inline(offsets)
                .inline(glyphs);
    }

    /** Format 6: glyphs of code points that follow one another. */
    public static BuiltTable list(int first, int... glyphs) {
        return BuiltTable.of(6, 0, 0, first, glyphs.length).u16(glyphs);
    }

    /** Format 10: the same for all of Unicode. */
    public static BuiltTable longList(int first, int... glyphs) {
        return BuiltTable.of(10, 0).u32(0).u32(0).u32(first).u32(glyphs.length).u16(glyphs);
    }

    /** Format 12, whose glyphs follow one another, or 13, which has one for all: of one group. */
    public static BuiltTable group(int format, int first, int last, int glyph) {
        return groups(format, 1).u32(first).u32(last).u32(glyph);
    }

    /** The beginning of format 12 or 13, which says how many groups follow. */
    public static BuiltTable groups(int format, long count) {
        return BuiltTable.of(format, 0).u32(0).u32(0).u32(count);
    }
}
