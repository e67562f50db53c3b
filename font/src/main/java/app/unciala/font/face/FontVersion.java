package app.unciala.font.face;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The number in what a font says of its version, such as 1.023 in "Version 1.023;hotconv 1.0". */
public final class FontVersion {
    private static final Pattern FIGURE = Pattern.compile("(\\d{1,6})(?:\\.(\\d{1,9}))?");

    private FontVersion() {}

    /** The number as it stands, or "not stated". */
    public static String figure(String version) {
        Matcher figure = FIGURE.matcher(version);
        return figure.find() ? figure.group() : "not stated";
    }

    /** Above 0 when the first is newer, below when it is older, 0 when they are equal or one says nothing. */
    public static int compare(String a, String b) {
        Matcher one = FIGURE.matcher(a);
        Matcher other = FIGURE.matcher(b);
        if (!one.find() || !other.find()) {
            return 0;
        }
        int major = Integer.compare(Integer.parseInt(one.group(1)), Integer.parseInt(other.group(1)));
        return major != 0 ? major : Double.compare(fraction(one), fraction(other));
    }

    /** The version is a fixed-point number (OpenType 1.9, "name", name ID 5), so 1.1 is 1.100. */
    private static double fraction(Matcher figure) {
        return figure.group(2) == null ? 0 : Double.parseDouble("0." + figure.group(2));
    }
}
