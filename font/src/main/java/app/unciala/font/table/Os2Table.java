package app.unciala.font.table;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * {@code OS/2}: weight and width class, style bits, embedding permission, PANOSE, ranges served, metrics in font units.
 */
public record Os2Table(
        int version,
        List<Integer> unicodeRanges,
        int firstCharIndex,
        int lastCharIndex,
        int weightClass,
        int widthClass,
        int fsType,
        List<Integer> panose,
        String vendorId,
        int fsSelection,
        int typoAscender,
        int typoDescender,
        int typoLineGap,
        int winAscent,
        int winDescent) {
    /** Where fields stand that are written anew, in bytes from the start of the table. */
    public static final int WEIGHT_CLASS = 4;

    public static final int WIDTH_CLASS = 6;
    public static final int FS_SELECTION = 62;
    public static final int FIRST_CHAR_INDEX = 64;
    public static final int LAST_CHAR_INDEX = 66;

    /** Bits of {@code fsSelection}. */
    public static final int ITALIC = 1;

    public static final int BOLD = 1 << 5;
    public static final int REGULAR = 1 << 6;
    public static final int OBLIQUE = 1 << 9;
    private static final int USE_TYPO_METRICS = 1 << 7;

    /**
     * The table, or nothing where there is none, or where it is shorter than version 0, as in some old TrueType fonts.
     */
    public static Optional<Os2Table> read(Sfnt face) {
        return face.table("OS/2").filter(table -> table.length() >= 78).map(Os2Table::read);
    }

    private static Os2Table read(ByteView table) {
        return new Os2Table(
                table.u16(0),
                List.of(table.i32(42), table.i32(46), table.i32(50), table.i32(54)),
                table.u16(FIRST_CHAR_INDEX),
                table.u16(LAST_CHAR_INDEX),
                table.u16(WEIGHT_CLASS),
                table.u16(WIDTH_CLASS),
                table.u16(8),
                IntStream.range(32, 42).map(table::u8).boxed().toList(),
                table.text(58, 4, StandardCharsets.ISO_8859_1).strip(),
                table.u16(FS_SELECTION),
                table.i16(68),
                table.i16(70),
                table.i16(72),
                table.u16(74),
                table.u16(76));
    }

    /** Whether the face says that it serves the blocks of a bit of {@code ulUnicodeRange}, 0 to 122. */
    public boolean claims(int bit) {
        return (unicodeRanges.get(bit / 32) >>> bit % 32 & 1) != 0;
    }

    /** Bit 7: lines are to be as high as the typographic metrics say. */
    public boolean usesTypoMetrics() {
        return version >= 4 && (fsSelection & USE_TYPO_METRICS) != 0;
    }

    public boolean isItalic() {
        return (fsSelection & ITALIC) != 0;
    }

    public boolean isBold() {
        return (fsSelection & BOLD) != 0;
    }

    public boolean isOblique() {
        return version >= 4 && (fsSelection & OBLIQUE) != 0;
    }
}
