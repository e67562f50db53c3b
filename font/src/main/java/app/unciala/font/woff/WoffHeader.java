package app.unciala.font.woff;

/** Where fields stand in a WOFF 1.0 file (sections 3 and 4), in bytes from the start of the file and of a table's entry. */
final class WoffHeader {
    static final int FLAVOR = 4;
    static final int LENGTH = 8;
    static final int TABLE_COUNT = 12;
    /** Where the entries of tables begin. */
    static final int ENTRIES = 44;

    static final int ENTRY = 20;
    static final int ENTRY_OFFSET = 4;
    static final int ENTRY_STORED_LENGTH = 8;
    static final int ENTRY_LENGTH = 12;

    private WoffHeader() {}
}
