package app.unciala.core.license;

import java.time.LocalDate;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * When a license holds: its first and its last day, and how many days before the end someone should know. Without an
 * end it does not end. {@code renews} when it goes on by itself after the last day, unless somebody cancels it.
 */
public record Period(Optional<LocalDate> begins, Optional<LocalDate> ends, int noticeDays, boolean renews) {
    /** Without a beginning or an end. */
    public static final Period ALWAYS = new Period(Optional.empty(), Optional.empty(), 0, false);

    /** Whether its last day is past; whether it was renewed is not known. */
    public boolean isOverOn(LocalDate day) {
        return ends.filter(end -> end.isBefore(day)).isPresent();
    }

    public boolean hasNotBegunOn(LocalDate day) {
        return begins.filter(begin -> begin.isAfter(day)).isPresent();
    }

    /** The first day of the notice period, for a license that ends. */
    public Optional<LocalDate> noticeFrom() {
        return ends.map(end -> end.minusDays(noticeDays));
    }

    /** Whether it begins, ends or comes into its notice period after one day and up to another. */
    public boolean changesBetween(LocalDate from, LocalDate to) {
        return Stream.of(begins, noticeFrom(), ends.map(end -> end.plusDays(1)))
                .flatMap(Optional::stream)
                .anyMatch(day -> day.isAfter(from) && !day.isAfter(to));
    }

    /** Ends within the notice period, and has not ended yet. */
    public boolean endsSoon(LocalDate day) {
        return noticeFrom()
                .filter(first -> !first.isAfter(day) && !isOverOn(day))
                .isPresent();
    }
}
