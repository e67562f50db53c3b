package app.unciala.font.sanitizer;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.MaxpTable;

/** The tables of fixed layout: versions, and values that everything else is measured by. */
final class HeaderChecks {
    private static final int MAGIC = 0x5F0F3CF5;
    private static final int MIN_UNITS = 16;
    private static final int MAX_UNITS = 16384;
    private static final int LAST_OS2 = 5;
    private static final int[] OS2_LENGTHS = {78, 86, 96, 96, 96, 100};

    private HeaderChecks() {}

    static void head(Sfnt face, Findings findings) {
        ByteView head = face.require("head");
        findings.addIf(head.u16(0) != 1, "head", "has the unknown major version " + head.u16(0));
        findings.addIf(head.i32(12) != MAGIC, "head", "lacks the magic number 5F0F3CF5");
        int units = head.u16(18);
        findings.addIf(
                units < MIN_UNITS || units > MAX_UNITS,
                "head",
                "says there are " + units + " units to the em, not " + MIN_UNITS + " to " + MAX_UNITS);
        findings.addIf(
                head.i16(36) > head.i16(40) || head.i16(38) > head.i16(42), "head", "has a bounding box inside out");
        findings.addIf(head.u16(52) != 0, "head", "names the unknown glyph data format " + head.u16(52));
    }

    static void hhea(Sfnt face, Findings findings) {
        ByteView hhea = face.require("hhea");
        findings.addIf(hhea.u16(0) != 1, "hhea", "has the unknown major version " + hhea.u16(0));
        findings.addIf(hhea.u16(32) != 0, "hhea", "names the unknown metric data format " + hhea.u16(32));
    }

    static void maxp(Sfnt face, Findings findings) {
        ByteView maxp = face.require("maxp");
        int version = maxp.u16(0);
        findings.addIf(version > 1, "maxp", "has the unknown major version " + version);
        if (version == 1) {
            int zones = maxp.slice(0, 32).u16(14);
            findings.addIf(zones > 3, "maxp", "says instructions use " + zones + " zones, not 1 or 2");
        }
        MaxpTable.read(face);
    }

    static void os2(Sfnt face, Findings findings) {
        if (face.table("OS/2").isEmpty()) {
            findings.add("OS/2", "is missing, so weight and permission are not stated");
            return;
        }
        ByteView os2 = face.require("OS/2");
        int version = os2.u16(0);
        if (version > LAST_OS2) {
            findings.add("OS/2", "has the unknown version " + version);
        } else {
            int length = OS2_LENGTHS[version];
            findings.addIf(
                    os2.length() < length,
                    "OS/2",
                    "has " + os2.length() + " bytes, too few for the " + length + " of version " + version);
        }
    }
}
