package app.unciala.server.license;

import app.unciala.server.license.LicenseDraft.PricePer;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What falls due of licenses: the days on which one has to decide, pay, or see them end. */
@Service
public class DueDates {
    private final LicenseRepository licenses;
    private final Clock clock;

    DueDates(LicenseRepository licenses, Clock clock) {
        this.licenses = licenses;
        this.clock = clock;
    }

    /** What happens on a day. */
    public enum Kind {
        /** The first day of the notice period. */
        NOTICE,
        ENDS,
        RENEWS,
        PAYMENT
    }

    /** {@code price} is in hundredths of {@code currency}; what is renewed or paid costs it. */
    public record Due(
            LocalDate day,
            Kind kind,
            String licenseId,
            String licenseName,
            String vendor,
            long price,
            String currency,
            PricePer pricePer) {}

    /** What falls due from today on, soonest first. */
    @Transactional(readOnly = true)
    public List<Due> within(int months) {
        LocalDate today = LocalDate.now(clock);
        return from(today, today.plusMonths(months));
    }

    /** What falls due between two days, both included. */
    @Transactional(readOnly = true)
    public List<Due> from(LocalDate first, LocalDate last) {
        return licenses.dueBetween(first, last).stream()
                .flatMap(license -> dueOf(license.id(), license.terms()))
                .filter(due -> !due.day().isBefore(first) && !due.day().isAfter(last))
                .sorted(Comparator.comparing(Due::day)
                        .thenComparing(Due::licenseName)
                        .thenComparing(Due::kind))
                .toList();
    }

    private static Stream<Due> dueOf(String id, LicenseDraft terms) {
        Stream.Builder<Due> due = Stream.builder();
        LocalDate ends = terms.ends();
        if (ends != null) {
            due.add(due(id, terms, ends, terms.renews() ? Kind.RENEWS : Kind.ENDS));
            if (terms.notice() > 0) {
                due.add(due(id, terms, ends.minusDays(terms.notice()), Kind.NOTICE));
            }
        }
        if (terms.nextPayment() != null) {
            due.add(due(id, terms, terms.nextPayment(), Kind.PAYMENT));
        }
        return due.build();
    }

    private static Due due(String id, LicenseDraft terms, LocalDate day, Kind kind) {
        return new Due(
                day,
                kind,
                id,
                terms.name(),
                terms.vendor(),
                terms.price() == null ? 0 : terms.price(),
                terms.currency(),
                terms.pricePer());
    }
}
