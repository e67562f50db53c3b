package app.unciala.font.eot;

/**
 * Where fields stand in an Embedded OpenType file (W3C Submission, 2008), in bytes from its start, and what they say. Numbers
 * are little-endian.
 */
final class EotHeader {
    static final int FILE_LENGTH = 0;
    static final int FONT_LENGTH = 4;
    static final int VERSION = 8;
    static final int FLAGS = 12;
    static final int MAGIC_NUMBER = 34;
    /** Behind what all versions have. */
    static final int NAMES = 82;

    static final int MAGIC = 0x504C;
    static final int VERSION_1 = 0x00010000;
    static final int VERSION_2_1 = 0x00020001;
    static final int VERSION_2_2 = 0x00020002;

    /** Flags: compressed by MicroType Express, and masked. */
    static final int COMPRESSED = 0x4;

    static final int XOR_MASKED = 0x10000000;
    /** What each byte of a masked font is changed by. */
    static final int MASK = 0x50;

    private EotHeader() {}
}
