package app.unciala.font;

/**
 * A font that cannot be read, with the table, the byte position in it, and the reason: the only exception of the font
 * engine.
 */
public final class FontException extends RuntimeException {
    private final String table;
    private final long offset;
    private final String reason;

    public FontException(String table, long offset, String reason) {
        this.table = table;
        this.offset = offset;
        this.reason = reason;
    }

    /** The table's tag, or the container's name. */
    public String table() {
        return table;
    }

    /** Bytes from the table's start, or -1 where no one place is at fault. */
    public long offset() {
        return offset;
    }

    public String reason() {
        return reason;
    }

    @Override
    public String getMessage() {
        // What is wrong with the file as a whole needs no table and no place.
        if (offset >= 0) {
            return table + " at byte " + offset + ": " + reason;
        }
        return table.equals("file") ? reason : table + ": " + reason;
    }
}
