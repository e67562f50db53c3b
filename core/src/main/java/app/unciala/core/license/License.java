package app.unciala.core.license;

import app.unciala.core.domain.DomainPattern;
import app.unciala.core.face.Slot;
import app.unciala.core.font.FontFormat;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A license as recorded: what it covers and its terms. {@code begins} and {@code ends} are the first and last day on
 * which it holds; without an end it does not end. {@code formats} and {@code domains} list what is permitted, unless any is;
 * empty lists mean that the license does not state them. {@code noticeDays} is how long before the end someone should know.
 */
public record License(
        String id,
        String name,
        LicenseKind kind,
        List<Coverage> covers,
        Map<Act, Clause> acts,
        Clause subdomains,
        Clause development,
        boolean anyDomain,
        List<DomainPattern> domains,
        boolean anyFormat,
        Set<FontFormat> formats,
        Optional<LocalDate> begins,
        Optional<LocalDate> ends,
        int noticeDays,
        boolean hasProof) {
    public License {
        covers = List.copyOf(covers);
        acts = Map.copyOf(acts);
        domains = List.copyOf(domains);
        formats = Set.copyOf(formats);
    }

    /** What it says of an act; not stated where it says nothing. */
    public Clause clause(Act act) {
        return acts.getOrDefault(act, Clause.NOT_STATED);
    }

    public boolean endedBy(LocalDate day) {
        return ends.filter(end -> end.isBefore(day)).isPresent();
    }

    public boolean notBegunOn(LocalDate day) {
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
        return ends.filter(
                        end -> !end.isBefore(day) && !end.minusDays(noticeDays).isAfter(day))
                .isPresent();
    }

    /** Whether it covers a face: by its whole family, or by name. */
    public boolean isFor(String familyId, Slot slot) {
        return covers.stream().anyMatch(coverage -> coverage.covers(familyId, slot));
    }
}
