package app.unciala.font.table;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;

/**
 * {@code head}: what holds for the whole font. Distances are in font units, {@code unitsPerEm} of them to the em
 * (16 to 16384 by the specification; other values above zero are accepted, since such fonts exist and work).
 */
public record HeadTable(
        double fontRevision,
        int flags,
        int unitsPerEm,
        int xMin,
        int yMin,
        int xMax,
        int yMax,
        int macStyle,
        int indexToLocFormat) {
    /** Where {@code macStyle} stands, in bytes from the start of the table. */
    public static final int MAC_STYLE = 44;

    public static HeadTable read(Sfnt face) {
        ByteView table = face.require("head");
        int unitsPerEm = table.u16(18);
        if (unitsPerEm == 0) {
            throw new FontException("head", 18, "says there are no units to the em");
        }
        int locFormat = table.u16(50);
        if (locFormat > 1) {
            throw new FontException("head", 50, "names an unknown loca format " + locFormat);
        }
        return new HeadTable(
                table.fixed(4),
                table.u16(16),
                unitsPerEm,
                table.i16(36),
                table.i16(38),
                table.i16(40),
                table.i16(42),
                table.u16(MAC_STYLE),
                locFormat);
    }

    public boolean isBold() {
        return (macStyle & 1) != 0;
    }

    public boolean isItalic() {
        return (macStyle & 2) != 0;
    }
}
