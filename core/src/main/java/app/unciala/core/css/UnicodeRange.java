package app.unciala.core.css;

import java.util.BitSet;
import java.util.StringJoiner;

/** Writes the value of the {@code unicode-range} descriptor (CSS Fonts 4, section 4.5). */
public final class UnicodeRange {
    private UnicodeRange() {}

    /** Such as {@code U+20-7E, U+E9}; the characters in ascending order, those that follow each other as a range. */
    public static String of(BitSet codePoints) {
        StringJoiner ranges = new StringJoiner(", ");
        for (int first = codePoints.nextSetBit(0); first >= 0; ) {
            int end = codePoints.nextClearBit(first);
            String start = Integer.toHexString(first).toUpperCase(java.util.Locale.ROOT);
            String last = Integer.toHexString(end - 1).toUpperCase(java.util.Locale.ROOT);
            ranges.add(end - 1 == first ? "U+" + start : "U+" + start + "-" + last);
            first = codePoints.nextSetBit(end);
        }
        return ranges.toString();
    }
}
