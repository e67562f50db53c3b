package app.unciala.font.sanitizer;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.sfnt.SearchRange;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapDirectory;
import app.unciala.font.table.CmapGroups;
import app.unciala.font.table.CmapSegments;
import app.unciala.font.table.MaxpTable;
import app.unciala.font.table.NameTable;
import java.util.HashSet;
import java.util.Set;

/** {@code cmap}: the subtables that browsers read must be in order, and lead to glyphs that are there. */
final class CmapCheck {
    private static final int LAST_CODE_POINT = 0x10FFFF;
    /** The encodings that are read when their subtables have segments, format 4, or groups, format 12. */
    private static final Set<Encoding> FOR_SEGMENTS = Set.of(
            new Encoding(NameTable.UNICODE, CmapDirectory.UNICODE_BMP),
            new Encoding(NameTable.WINDOWS, CmapDirectory.SYMBOL),
            new Encoding(NameTable.WINDOWS, CmapDirectory.WINDOWS_BMP));

    private static final Set<Encoding> FOR_GROUPS = Set.of(
            new Encoding(NameTable.UNICODE, CmapDirectory.UNICODE_FULL),
            new Encoding(NameTable.WINDOWS, CmapDirectory.WINDOWS_FULL));

    private record Encoding(int platform, int encoding) {}

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
        CmapDirectory directory = new CmapDirectory(cmap);
        CmapCheck check = new CmapCheck(MaxpTable.read(face).numGlyphs(), findings);
        findings.addIf(directory.version() != 0, "cmap", "has the unknown version " + directory.version());
        boolean read = false;
        for (int i = 0; i < directory.count(); i++) {
            long offset = directory.offset(i);
            if (offset > cmap.length() - 2) {
                findings.add("cmap", "puts subtable " + i + " at byte " + offset + ", past its end");
                return;
            }
            ByteView subtable = directory.subtable(i);
            int format = subtable.u16(0);
            if (lengthOf(subtable, format) > subtable.length()) {
                findings.add("cmap", "has a subtable that runs past its end");
                return;
            }
            Encoding encoding = new Encoding(directory.platform(i), directory.encoding(i));
            boolean segments = format == 4 && FOR_SEGMENTS.contains(encoding);
            boolean groups = format == 12 && FOR_GROUPS.contains(encoding);
            read |= segments || groups || format == 0 || format == 13;
            if ((segments || groups) && check.done.add(offset)) {
                if (segments) {
                    check.segments(new CmapSegments(subtable));
                } else {
                    check.groups(new CmapGroups(subtable));
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

    private void segments(CmapSegments table) {
        findings.addIf(table.language() != 0, "cmap", "is for one language of the Macintosh");
        if (table.twiceTheCount() == 0 || table.twiceTheCount() % 2 != 0) {
            findings.add("cmap", "has half a segment");
            return;
        }
        int count = table.count();
        if (!table.searchRange().equals(SearchRange.of(count, 2))) {
            findings.add("cmap", "has search values that do not fit its " + count + " segments");
        }
        int last = -1;
        for (int i = 0; i < count; i++) {
            int end = table.end(i);
            int start = table.start(i);
            boolean repeatedLast = i > 0 && start == 0xFFFF && last == 0xFFFF;
            if (!repeatedLast && (start <= last || end <= last)) {
                findings.add("cmap", "has segments out of order at " + named(start));
                return;
            }
            last = end;
            if (!segment(table, i, start, end)) {
                return;
            }
        }
        findings.addIf(last != 0xFFFF || table.start(count - 1) != 0xFFFF, "cmap", "lacks the last segment U+FFFF");
    }

    private boolean segment(CmapSegments table, int segment, int start, int end) {
        // Old tools left whatever there was in the last segment, which draws nothing.
        int offset = start == 0xFFFF && table.offset(segment) % 2 != 0 ? 0 : table.offset(segment);
        if (offset % 2 != 0) {
            findings.add("cmap", "has an odd offset at " + named(start));
            return false;
        }
        work.spend(Math.max(1, end - start));
        if (end < start) {
            return true;
        }
        if (offset == 0) {
            int last = table.shifted(end, segment);
            boolean around = table.shifted(start, segment) > last;
            if (around || last >= numGlyphs) {
                missing(end, around ? 0xFFFF : last);
                return false;
            }
            return true;
        }
        if (table.listedAt(segment, offset, end) + 2 > table.table().length()) {
            findings.add("cmap", "looks for " + named(end) + " past its end");
            return false;
        }
        for (int code = start; code <= end; code++) {
            int glyph = table.table().u16(table.listedAt(segment, offset, code));
            if (glyph != 0 && table.shifted(glyph, segment) >= numGlyphs) {
                missing(code, table.shifted(glyph, segment));
                return false;
            }
        }
        return true;
    }

    private void groups(CmapGroups table) {
        long last = -1;
        for (int i = 0; i < table.count(); i++) {
            work.spend(1);
            long start = table.start(i);
            long end = table.end(i);
            if (start <= last || end < start || end > LAST_CODE_POINT) {
                findings.add("cmap", "has groups out of order at " + named(start));
                return;
            }
            long glyph = table.glyph(i) + (end - start);
            if (glyph > numGlyphs) {
                missing(end, glyph);
                return;
            }
            last = end;
        }
    }

    private void missing(long code, long glyph) {
        findings.add("cmap", "gives " + named(code) + " glyph " + glyph + " of " + numGlyphs);
    }

    private static String named(long codePoint) {
        return String.format("U+%04X", codePoint);
    }
}
