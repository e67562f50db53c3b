package app.unciala.font.sanitizer;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.sfnt.SearchRange;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.MaxpTable;
import java.util.HashSet;
import java.util.Set;

/** {@code cmap}: the subtables that browsers read must be in order, and lead to glyphs that are there. */
final class CmapCheck {
    private static final int LAST_CODE_POINT = 0x10FFFF;
    /** Platform and encoding of the subtables that are read when they have format 4, or 12. */
    private static final Set<Integer> FOR_SEGMENTS = Set.of(0x00003, 0x30000, 0x30001);

    private static final Set<Integer> FOR_GROUPS = Set.of(0x00004, 0x3000A);

    private final int numGlyphs;
    private final Findings findings;
    private final Work work = new Work("cmap");
    private final Set<Long> done = new HashSet<>();

    private CmapCheck(int numGlyphs, Findings findings) {
        this.numGlyphs = numGlyphs;
        this.findings = findings;
    }

    static void cmap(Sfnt face, Findings findings) {
        ByteView cmap = face.require("cmap");
        CmapCheck check = new CmapCheck(MaxpTable.read(face).numGlyphs(), findings);
        findings.addIf(cmap.u16(0) != 0, "cmap", "has the unknown version " + cmap.u16(0));
        boolean read = false;
        for (int i = 0; i < cmap.u16(2); i++) {
            long offset = cmap.u32(8 + 8 * i);
            if (offset > cmap.length() - 2) {
                findings.add("cmap", "puts subtable " + i + " at byte " + offset + ", past its end");
                return;
            }
            ByteView subtable = cmap.from((int) offset);
            int format = subtable.u16(0);
            if (lengthOf(subtable, format) > subtable.length()) {
                findings.add("cmap", "has a subtable that runs past its end");
                return;
            }
            int encoding = cmap.u16(4 + 8 * i) << 16 | cmap.u16(6 + 8 * i);
            boolean segments = format == 4 && FOR_SEGMENTS.contains(encoding);
            boolean groups = format == 12 && FOR_GROUPS.contains(encoding);
            read |= segments || groups || format == 0 || format == 13;
            if ((segments || groups) && check.done.add(offset)) {
                if (segments) {
                    check.segments(subtable);
                } else {
                    check.groups(subtable);
                }
            }
        }
        findings.addIf(!read, "cmap", "has no subtable of a kind that browsers read");
    }

    /** What a subtable says its length is; 0 for formats that are not known. */
    private static long lengthOf(ByteView subtable, int format) {
        return switch (format) {
            case 0, 2, 4, 6 -> subtable.u16(2);
            case 8, 10, 12, 13 -> subtable.u32(4);
            case 14 -> subtable.u32(2);
            default -> 0;
        };
    }

    /** Format 4. */
    private void segments(ByteView table) {
        findings.addIf(table.u16(4) != 0, "cmap", "is for one language of the Macintosh");
        int twice = table.u16(6);
        if (twice == 0 || twice % 2 != 0) {
            findings.add("cmap", "has half a segment");
            return;
        }
        SearchRange said = new SearchRange(table.u16(8), table.u16(10), table.u16(12));
        if (!said.equals(SearchRange.of(twice / 2, 2))) {
            findings.add("cmap", "has search values that do not fit its " + twice / 2 + " segments");
        }
        int startAt = 16 + twice;
        int last = -1;
        for (int i = 0; i < twice; i += 2) {
            int end = table.u16(14 + i);
            int start = table.u16(startAt + i);
            boolean repeatedLast = i > 0 && start == 0xFFFF && last == 0xFFFF;
            if (!repeatedLast && (start <= last || end <= last)) {
                findings.add("cmap", "has segments out of order at U+" + String.format("%04X", start));
                return;
            }
            last = end;
            if (!segment(table, startAt + twice + i, twice, start, end)) {
                return;
            }
        }
        findings.addIf(
                last != 0xFFFF || table.u16(startAt + twice - 2) != 0xFFFF, "cmap", "lacks the last segment U+FFFF");
    }

    private boolean segment(ByteView table, int deltaAt, int twice, int start, int end) {
        int delta = table.u16(deltaAt);
        int rangeAt = deltaAt + twice;
        // Old tools left whatever there was in the last segment, which draws nothing.
        int range = start == 0xFFFF && table.u16(rangeAt) % 2 != 0 ? 0 : table.u16(rangeAt);
        if (range % 2 != 0) {
            findings.add("cmap", "has an odd offset at U+" + String.format("%04X", start));
            return false;
        }
        work.spend(Math.max(1, end - start));
        if (end < start) {
            return true;
        }
        if (range == 0) {
            int last = end + delta & 0xFFFF;
            boolean around = (start + delta & 0xFFFF) > last;
            if (around || last >= numGlyphs) {
                missing(end, around ? 0xFFFF : last);
                return false;
            }
            return true;
        }
        if (rangeAt + range + 2 * (end - start) + 2 > table.length()) {
            findings.add("cmap", "looks for U+" + String.format("%04X", end) + " past its end");
            return false;
        }
        for (int code = start; code <= end; code++) {
            int glyph = table.u16(rangeAt + range + 2 * (code - start));
            if (glyph != 0 && (glyph + delta & 0xFFFF) >= numGlyphs) {
                missing(code, glyph + delta & 0xFFFF);
                return false;
            }
        }
        return true;
    }

    /** Format 12. */
    private void groups(ByteView table) {
        long count = table.u32(12);
        long last = -1;
        for (int i = 0; i < count; i++) {
            work.spend(1);
            long start = table.u32(16 + 12 * i);
            long end = table.u32(20 + 12 * i);
            long glyph = table.u32(24 + 12 * i);
            if (start <= last || end < start || end > LAST_CODE_POINT) {
                findings.add("cmap", "has groups out of order at U+" + String.format("%04X", start));
                return;
            }
            if (glyph + (end - start) > numGlyphs) {
                missing((int) end, glyph + (end - start));
                return;
            }
            last = end;
        }
    }

    private void missing(int code, long glyph) {
        findings.add("cmap", "gives U+" + String.format("%04X", code) + " glyph " + glyph + " of " + numGlyphs);
    }
}
