package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;

/** A feature table (OpenType 1.9, "Common table formats"): the lookups that the feature starts. */
public record Feature(ByteView table) {
    private static final int PARAMETERS_OFFSET = 0;
    private static final int LOOKUP_COUNT = 2;
    private static final int LOOKUPS = 4;

    /** Where its parameters begin, in bytes from the start of the table; 0 where there are none. */
    public int parametersAt() {
        return table.u16(PARAMETERS_OFFSET);
    }

    /** The numbers of its lookups. */
    public int[] lookups() {
        return table.u16s(LOOKUPS, table.u16(LOOKUP_COUNT));
    }
}
