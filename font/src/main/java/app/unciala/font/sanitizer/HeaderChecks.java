package app.unciala.font.sanitizer;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HheaTable;
import app.unciala.font.table.MaxpTable;
import app.unciala.font.table.Os2Table;
import java.util.Optional;

/** The tables of fixed layout: versions, and values that everything else is measured by. */
final class HeaderChecks {
    private static final int MIN_UNITS = 16;
    private static final int MAX_UNITS = 16384;

    private HeaderChecks() {}

    static void head(Sfnt face, Findings findings) {
        ByteView head = face.require("head");
        findings.addIf(head.u16(0) != 1, "head", "has the unknown major version " + head.u16(0));
        findings.addIf(head.i32(HeadTable.MAGIC_NUMBER) != HeadTable.MAGIC, "head", "lacks the magic number 5F0F3CF5");
        int units = head.u16(HeadTable.UNITS_PER_EM);
        findings.addIf(
                units < MIN_UNITS || units > MAX_UNITS,
                "head",
                "says there are " + units + " units to the em, not " + MIN_UNITS + " to " + MAX_UNITS);
        findings.addIf(
                head.i16(HeadTable.X_MIN) > head.i16(HeadTable.X_MAX)
                        || head.i16(HeadTable.Y_MIN) > head.i16(HeadTable.Y_MAX),
                "head",
                "has a bounding box inside out");
        int format = head.u16(HeadTable.GLYPH_DATA_FORMAT);
        findings.addIf(format != 0, "head", "names the unknown glyph data format " + format);
    }

    static void hhea(Sfnt face, Findings findings) {
        ByteView hhea = face.require("hhea");
        findings.addIf(hhea.u16(0) != 1, "hhea", "has the unknown major version " + hhea.u16(0));
        int format = hhea.u16(HheaTable.METRIC_DATA_FORMAT);
        findings.addIf(format != 0, "hhea", "names the unknown metric data format " + format);
    }

    static void maxp(Sfnt face, Findings findings) {
        ByteView maxp = face.require("maxp");
        int version = maxp.u16(0);
        findings.addIf(version > 1, "maxp", "has the unknown major version " + version);
        if (version == 1) {
            int zones = maxp.slice(0, MaxpTable.LENGTH).u16(MaxpTable.MAX_ZONES);
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
        Optional<Integer> length = Os2Table.lengthOf(version);
        findings.addIf(length.isEmpty(), "OS/2", "has the unknown version " + version);
        length.filter(least -> os2.length() < least)
                .ifPresent(least -> findings.add(
                        "OS/2", "has " + os2.length() + " bytes, too few for the " + least + " of version " + version));
    }
}
