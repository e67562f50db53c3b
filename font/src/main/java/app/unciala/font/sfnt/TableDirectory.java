package app.unciala.font.sfnt;

import app.unciala.font.bytes.ByteView;

/** The table directory of a face (OpenType 1.9, "Table directory"), at a byte of a font file. */
public record TableDirectory(ByteView file, int at) {
    private static final int COUNT = 4;
    /** Where records begin, behind the version tag, the count and the values for a binary search. */
    static final int RECORDS = 12;
    /** The bytes of a record. */
    static final int RECORD = 16;

    private static final int CHECKSUM = 4;
    private static final int OFFSET = 8;
    private static final int LENGTH = 12;

    int flavor() {
        return file.i32(at);
    }

    int countAt() {
        return at + COUNT;
    }

    public int count() {
        return file.u16(countAt());
    }

    /** Where a record begins, in bytes from the start of the file. */
    int record(int i) {
        return at + RECORDS + RECORD * i;
    }

    public String tag(int i) {
        return file.tag(record(i));
    }

    int checksum(int i) {
        return file.i32(record(i) + CHECKSUM);
    }

    /** Where a table begins, in bytes from the start of the file. */
    public long offset(int i) {
        return file.u32(record(i) + OFFSET);
    }

    public long length(int i) {
        return file.u32(record(i) + LENGTH);
    }
}
