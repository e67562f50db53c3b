package app.unciala.font.table;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;

/** The encoding records at the beginning of {@code cmap} (OpenType 1.9): where the subtable of each encoding is. */
public record CmapDirectory(ByteView cmap) {
    /** The encodings of the Unicode platform with a meaning here. */
    public static final int UNICODE_BMP = 3;

    public static final int UNICODE_FULL = 4;
    public static final int VARIATION_SEQUENCES = 5;
    public static final int UNICODE_FULL_LAST_RESORT = 6;
    /** The encodings of the Windows platform that are read. */
    public static final int SYMBOL = 0;

    public static final int WINDOWS_BMP = 1;
    public static final int WINDOWS_FULL = 10;
    /** The encoding of the Macintosh platform that is read. */
    public static final int MAC_ROMAN = 0;

    private static final int COUNT = 2;
    private static final int RECORDS = 4;
    private static final int RECORD = 8;
    private static final int ENCODING = 2;
    private static final int OFFSET = 4;

    public int version() {
        return cmap.u16(0);
    }

    public int count() {
        return cmap.u16(COUNT);
    }

    public int platform(int record) {
        return cmap.u16(RECORDS + RECORD * record);
    }

    public int encoding(int record) {
        return cmap.u16(RECORDS + RECORD * record + ENCODING);
    }

    /** Where the subtable begins, in bytes from the start of {@code cmap}. */
    public long offset(int record) {
        return cmap.u32(RECORDS + RECORD * record + OFFSET);
    }

    /**
     * The subtable, to the end of {@code cmap}.
     *
     * @throws app.unciala.font.FontException if it would begin past that
     */
    public ByteView subtable(int record) {
        return cmap.from(cmap.offset32(RECORDS + RECORD * record + OFFSET));
    }

    /** The bytes before the first subtable. */
    static int length(int count) {
        return RECORDS + RECORD * count;
    }

    static ByteSink header(int count) {
        return new ByteSink().u16(0).u16(count);
    }

    static void write(ByteSink out, int platform, int encoding, int offset) {
        out.u16(platform).u16(encoding).u32(offset);
    }
}
