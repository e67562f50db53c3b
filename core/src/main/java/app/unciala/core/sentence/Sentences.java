package app.unciala.core.sentence;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;

/** Writes the parts of sentences that are made once here and shown everywhere as they are. */
public final class Sentences {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("MMM d, uuuu", Locale.US);

    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM uuuu", Locale.US);

    private Sentences() {}

    /** Bytes as kB of 1,000, such as {@code 48 kB}. */
    public static String kilobytes(long bytes) {
        return number(Math.round(bytes / 1000.0)) + " kB";
    }

    /** A day, such as “Mar 4, 2026”: the way the interface writes days. */
    public static String day(LocalDate day) {
        return DAY.format(day);
    }

    /** A number, such as “1,200”. */
    public static String number(long number) {
        return String.format(Locale.US, "%,d", number);
    }

    /** A month, such as “March 2026”. */
    public static String month(YearMonth month) {
        return MONTH.format(month);
    }

    /** How many there are, such as “1 face” or “1,200 faces”. */
    public static String count(long count, String one, String many) {
        return String.format(Locale.US, "%,d %s", count, count == 1 ? one : many);
    }

    /** A text of at most so many characters, with “…” for what is left out. */
    public static String shortened(String text, int longest) {
        return text.length() <= longest ? text : text.substring(0, longest - 1) + "…";
    }

    /** Names in a row: “a”, “a and b”, “a, b, and c”. */
    public static String listed(List<String> names) {
        int last = names.size() - 1;
        return switch (names.size()) {
            case 0 -> "";
            case 1 -> names.get(0);
            case 2 -> names.get(0) + " and " + names.get(1);
            default -> String.join(", ", names.subList(0, last)) + ", and " + names.get(last);
        };
    }
}
