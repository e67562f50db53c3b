package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import java.util.OptionalInt;

/** A language system table (OpenType 1.9, "Common table formats"): the features of one language in one script, by number. */
public record LanguageSystem(ByteView table) {
    /** Stands where no feature is required. */
    public static final int NO_FEATURE = 0xFFFF;

    private static final int REQUIRED = 2;
    private static final int COUNT = 4;
    private static final int FEATURES = 6;

    /** The feature that applies whatever its tag. */
    public OptionalInt required() {
        int required = table.u16(REQUIRED);
        return required == NO_FEATURE ? OptionalInt.empty() : OptionalInt.of(required);
    }

    public int[] features() {
        return table.u16s(FEATURES, table.u16(COUNT));
    }
}
