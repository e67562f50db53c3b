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
    /** Where fields stand, in bytes from the start of the table. */
    public static final int CHECKSUM_ADJUSTMENT = 8;

    public static final int MAGIC_NUMBER = 12;
    public static final int FLAGS = 16;
    public static final int UNITS_PER_EM = 18;
    public static final int CREATED = 20;
    public static final int MODIFIED = 28;
    public static final int X_MIN = 36;
    public static final int Y_MIN = 38;
    public static final int X_MAX = 40;
    public static final int Y_MAX = 42;
    public static final int MAC_STYLE = 44;
    public static final int LOWEST_PPEM = 46;
    public static final int FONT_DIRECTION_HINT = 48;
    public static final int INDEX_TO_LOC_FORMAT = 50;
    public static final int GLYPH_DATA_FORMAT = 52;
    public static final int FONT_REVISION = 4;

    /** The bytes of the table. */
    public static final int LENGTH = 54;

    /** Bits of {@code flags}. */
    public static final int BASELINE_AT_0 = 1;

    public static final int LEFT_SIDE_BEARING_AT_0 = 1 << 1;

    /** Advances are whole pixels at whole pixels to the em. */
    public static final int INTEGER_SCALING = 1 << 3;

    /** What {@code fontDirectionHint} is to be, as it is deprecated. */
    public static final int LEFT_TO_RIGHT = 2;

    /** What {@code magicNumber} has to be. */
    public static final int MAGIC = 0x5F0F3CF5;

    /** Bits of {@code macStyle}. */
    public static final int BOLD = 1;

    public static final int ITALIC = 1 << 1;

    public static HeadTable read(Sfnt face) {
        ByteView table = face.require("head");
        int unitsPerEm = table.u16(UNITS_PER_EM);
        if (unitsPerEm == 0) {
            throw new FontException("head", UNITS_PER_EM, "says there are no units to the em");
        }
        int locFormat = table.u16(INDEX_TO_LOC_FORMAT);
        if (locFormat > 1) {
            throw new FontException("head", INDEX_TO_LOC_FORMAT, "names an unknown loca format " + locFormat);
        }
        return new HeadTable(
                table.fixed(FONT_REVISION),
                table.u16(FLAGS),
                unitsPerEm,
                table.i16(X_MIN),
                table.i16(Y_MIN),
                table.i16(X_MAX),
                table.i16(Y_MAX),
                table.u16(MAC_STYLE),
                locFormat);
    }

    public boolean isBold() {
        return (macStyle & BOLD) != 0;
    }

    public boolean isItalic() {
        return (macStyle & ITALIC) != 0;
    }
}
