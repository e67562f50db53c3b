package app.unciala.core.css;

import java.util.BitSet;
import java.util.Optional;
import java.util.StringJoiner;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads and writes the value of the {@code unicode-range} descriptor (CSS Fonts 4, section 4.5). */
public final class UnicodeRange {
    private static final Pattern RANGE =
            Pattern.compile("(?i)u\\+(?=[0-9a-f?]{1,6}(?:-|$))([0-9a-f]*)(\\?*)(?:-([0-9a-f]{1,6}))?");

    private UnicodeRange() {}

    /** The characters of a value; nothing when it is none. */
    public static Optional<BitSet> read(String value) {
        BitSet characters = new BitSet();
        for (String part : value.split(",", -1)) {
            Matcher range = RANGE.matcher(part.strip());
            if (!range.matches()) {
                return Optional.empty();
            }
            String wild = range.group(2);
            int first = Integer.parseInt(range.group(1) + wild.replace('?', '0'), 16);
            int last = range.group(3) == null
                    ? Integer.parseInt(range.group(1) + wild.replace('?', 'F'), 16)
                    : Integer.parseInt(range.group(3), 16);
            if (first > last || last > Character.MAX_CODE_POINT || (!wild.isEmpty() && range.group(3) != null)) {
                return Optional.empty();
            }
            characters.set(first, last + 1);
        }
        return Optional.of(characters);
    }

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
