package app.unciala.core.license;

import app.unciala.core.sentence.Sentences;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BinaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** How many page views a month a license permits, and how many were read on the sites that stand on it. */
public record PageViews(long permitted, List<Reading> readings) {
    /** The page views of one site in one month. */
    public record Reading(String site, YearMonth month, long views) {}

    public PageViews {
        readings = List.copyOf(readings);
    }

    /** How many more than permitted were read in the month that counts; 0 for none. */
    public long over(LocalDate day) {
        return counting(day).map(month -> Math.max(0, in(month) - permitted)).orElse(0L);
    }

    /** How many are permitted and how many were read in the month that counts. */
    String words(LocalDate day) {
        return "up to " + Sentences.number(permitted) + " page views a month are permitted; "
                + counting(day)
                        .map(month -> Sentences.number(in(month)) + " were read in " + Sentences.month(month))
                        .orElse("none were read yet");
    }

    /** Which sites were read in that month, the most viewed first, such as “Marlpit 42,000”. */
    String sites(LocalDate day) {
        return Sentences.listed(counting(day).stream()
                .flatMap(this::of)
                .sorted(Comparator.comparing(Reading::views).reversed().thenComparing(Reading::site))
                .map(reading -> reading.site() + " " + Sentences.number(reading.views()))
                .toList());
    }

    /**
     * The last month with more than are permitted, up to the one of a day, until every site of it was read again and all
     * together are within the limit; else the last month that was read.
     */
    private Optional<YearMonth> counting(LocalDate day) {
        return readings.stream()
                .map(Reading::month)
                .filter(month -> !month.isAfter(YearMonth.from(day)))
                .filter(month -> in(month) > permitted)
                .max(Comparator.naturalOrder())
                .filter(over -> !isWithinAgain(over, day))
                .or(() -> lastRead(day));
    }

    private boolean isWithinAgain(YearMonth over, LocalDate day) {
        Map<String, Reading> latest = readings.stream()
                .filter(reading ->
                        reading.month().isAfter(over) && !reading.month().isAfter(YearMonth.from(day)))
                .collect(Collectors.toMap(
                        Reading::site, reading -> reading, BinaryOperator.maxBy(Comparator.comparing(Reading::month))));
        return of(over).map(Reading::site).allMatch(latest::containsKey)
                && latest.values().stream().mapToLong(Reading::views).sum() <= permitted;
    }

    private Optional<YearMonth> lastRead(LocalDate day) {
        return readings.stream()
                .map(Reading::month)
                .filter(month -> !month.isAfter(YearMonth.from(day)))
                .max(Comparator.naturalOrder());
    }

    private long in(YearMonth month) {
        return of(month).mapToLong(Reading::views).sum();
    }

    private Stream<Reading> of(YearMonth month) {
        return readings.stream().filter(reading -> reading.month().equals(month));
    }
}
