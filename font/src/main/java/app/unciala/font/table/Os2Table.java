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
    /** Where fields stand, in bytes from the start of the table. */
    public static final int AVERAGE_CHAR_WIDTH = 2;

    public static final int WEIGHT_CLASS = 4;

    public static final int WIDTH_CLASS = 6;
    public static final int FS_TYPE = 8;
    public static final int SUBSCRIPT_X_SIZE = 10;
    public static final int SUBSCRIPT_Y_SIZE = 12;
    public static final int SUBSCRIPT_X_OFFSET = 14;
    public static final int SUBSCRIPT_Y_OFFSET = 16;
    public static final int SUPERSCRIPT_X_SIZE = 18;
    public static final int SUPERSCRIPT_Y_SIZE = 20;
    public static final int SUPERSCRIPT_X_OFFSET = 22;
    public static final int SUPERSCRIPT_Y_OFFSET = 24;
    public static final int STRIKEOUT_SIZE = 26;
    public static final int STRIKEOUT_POSITION = 28;
    public static final int PANOSE = 32;
    /** The first of four numbers of 32 bits. */
    public static final int UNICODE_RANGES = 42;

    public static final int VENDOR_ID = 58;
    public static final int FS_SELECTION = 62;
    public static final int FIRST_CHAR_INDEX = 64;
    public static final int LAST_CHAR_INDEX = 66;
    public static final int TYPO_ASCENDER = 68;
    public static final int TYPO_DESCENDER = 70;
    public static final int TYPO_LINE_GAP = 72;
    public static final int WIN_ASCENT = 74;
    public static final int WIN_DESCENT = 76;
    /** The first of two numbers of 32 bits; from version 1 on. */
    public static final int CODE_PAGE_RANGES = 78;
    /** From version 2 on. */
    public static final int X_HEIGHT = 86;

    public static final int CAP_HEIGHT = 88;
    public static final int BREAK_CHAR = 92;
    public static final int MAX_CONTEXT = 94;
    /** From version 5 on, as the field after it. */
    private static final int LOWER_OPTICAL_SIZE = 96;

    private static final int UPPER_OPTICAL_SIZE = 98;

    /** Bits of the first of the Unicode ranges. */
    public static final int BASIC_LATIN = 1;

    public static final int LATIN_1 = 1 << 1;

    /** A bit of the first of the code page ranges. */
    public static final int CODE_PAGE_LATIN_1 = 1;

    /** The width class of a face that is neither condensed nor expanded. */
    public static final int NORMAL_WIDTH = 5;

    /** The bytes of {@code panose}. */
    public static final int PANOSE_LENGTH = 10;

    /** The bytes of the table, by version. */
    private static final List<Integer> LENGTHS = List.of(78, 86, 96, 96, 96, 100);

    /** Bits of {@code fsSelection}. */
    public static final int ITALIC = 1;

    public static final int BOLD = 1 << 5;
    public static final int REGULAR = 1 << 6;
    public static final int OBLIQUE = 1 << 9;
    public static final int USE_TYPO_METRICS = 1 << 7;

    /**
     * The table, or nothing where there is none, or where it is shorter than version 0, as in some old TrueType fonts.
     */
    public static Optional<Os2Table> read(Sfnt face) {
        return face.table("OS/2")
                .filter(table -> table.length() >= LENGTHS.get(0))
                .map(Os2Table::read);
    }

    private static Os2Table read(ByteView table) {
        return new Os2Table(
                table.u16(0),
                IntStream.range(0, 4)
                        .mapToObj(i -> table.i32(UNICODE_RANGES + 4 * i))
                        .toList(),
                table.u16(FIRST_CHAR_INDEX),
                table.u16(LAST_CHAR_INDEX),
                table.u16(WEIGHT_CLASS),
                table.u16(WIDTH_CLASS),
                table.u16(FS_TYPE),
                IntStream.range(PANOSE, PANOSE + PANOSE_LENGTH)
                        .map(table::u8)
                        .boxed()
                        .toList(),
                table.text(VENDOR_ID, 4, StandardCharsets.ISO_8859_1).strip(),
                table.u16(FS_SELECTION),
                table.i16(TYPO_ASCENDER),
                table.i16(TYPO_DESCENDER),
                table.i16(TYPO_LINE_GAP),
                table.u16(WIN_ASCENT),
                table.u16(WIN_DESCENT));
    }

    /** How many bytes a version of the table has; nothing for a version that is not known. */
    public static Optional<Integer> lengthOf(int version) {
        return version < LENGTHS.size() ? Optional.of(LENGTHS.get(version)) : Optional.empty();
    }

    /** The least and the greatest size that the face is drawn for, in twentieths of a point; from version 5 on. */
    public static Optional<int[]> opticalSizes(Sfnt face) {
        return face.table("OS/2")
                .filter(table -> table.length() >= LENGTHS.get(5) && table.u16(0) >= 5)
                .map(table -> new int[] {table.u16(LOWER_OPTICAL_SIZE), table.u16(UPPER_OPTICAL_SIZE)});
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
