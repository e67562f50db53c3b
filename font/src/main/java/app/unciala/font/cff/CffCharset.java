package app.unciala.font.cff;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;

/** The charset of a CFF font (Technical Note 5176, section 13): which string names which glyph. */
public final class CffCharset {
    /** Standard Encoding (appendix B) as runs: first code, last code, string of the first. */
    private static final int[][] STANDARD_ENCODING = {
        {32, 126, 1}, {161, 175, 96}, {177, 180, 111}, {182, 189, 115}, {191, 191, 123}, {193, 200, 124},
        {202, 203, 132}, {205, 208, 134}, {225, 225, 138}, {227, 227, 139}, {232, 235, 140}, {241, 241, 144},
        {245, 245, 145}, {248, 251, 146}
    };

    /** Offsets up to here name a charset that is predefined; 0 is ISOAdobe, in which glyph and string have one number. */
    private static final int PREDEFINED = 2;

    private static final int ISO_ADOBE = 0;

    /** Formats: the string of each glyph, and ranges of strings, with how many follow the first in one byte or in two. */
    private static final int LISTED = 0;

    private static final int SHORT_RANGES = 1;
    /** The format by which charsets are written. */
    public static final int RANGES = 2;

    private final int[] strings;

    private CffCharset(int[] strings) {
        this.strings = strings;
    }

    static CffCharset none() {
        return new CffCharset(new int[0]);
    }

    static CffCharset of(ByteView table, int offset, int numGlyphs) {
        int[] strings = new int[numGlyphs];
        if (offset <= PREDEFINED) {
            for (int glyph = 0; glyph < numGlyphs; glyph++) {
                strings[glyph] = offset == ISO_ADOBE ? glyph : 0;
            }
            return new CffCharset(strings);
        }
        int format = table.u8(offset);
        int at = offset + 1;
        for (int glyph = 1; glyph < numGlyphs; ) {
            int first = table.u16(at);
            int more =
                    switch (format) {
                        case LISTED -> 0;
                        case SHORT_RANGES -> table.u8(at + 2);
                        case RANGES -> table.u16(at + 2);
                        default -> throw new FontException("CFF ", offset, "has a charset of unknown format " + format);
                    };
            at += 2 + format;
            for (int i = 0; i <= more && glyph < numGlyphs; i++) {
                strings[glyph++] = first + i;
            }
        }
        return new CffCharset(strings);
    }

    /** The number of the string that names a glyph, or the character identifier of a CID-keyed font. */
    public int string(int glyph) {
        return glyph < strings.length ? strings[glyph] : 0;
    }

    int glyphOfStandardCode(int code) {
        for (int[] run : STANDARD_ENCODING) {
            if (code >= run[0] && code <= run[1]) {
                int string = run[2] + code - run[0];
                for (int glyph = 0; glyph < strings.length; glyph++) {
                    if (strings[glyph] == string) {
                        return glyph;
                    }
                }
            }
        }
        throw new FontException("CFF ", -1, "composes a letter of the standard code " + code + ", which has no glyph");
    }
}
