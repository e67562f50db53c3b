package app.unciala.server.license;

import app.unciala.core.license.Costs;
import app.unciala.core.license.Costs.Payment;
import app.unciala.core.license.Costs.Row;
import app.unciala.server.inventory.Links;
import app.unciala.server.license.LicenseDraft.PricePer;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.LocalDate;
import java.time.Period;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What licenses will cost, by client and month. */
@Service
public class CostService {
    private final LicenseRepository licenses;
    private final Links links;
    private final Clock clock;

    CostService(LicenseRepository licenses, Links links, Clock clock) {
        this.licenses = licenses;
        this.links = links;
        this.clock = clock;
    }

    /**
     * What a client pays in a currency, in hundredths of it, one amount for each month; {@code clientId} is null for
     * licenses that no site stands on.
     */
    public record CostRow(
            @Schema(types = {"string", "null"}) @Nullable String clientId,
            String clientName,
            String currency,
            List<Long> months,
            long total) {}

    /** What all pay in a currency, and in how many payments. */
    public record CostTotal(String currency, List<Long> months, long total, int payments) {}

    /** The months, such as {@code 2030-04}, with what each client pays in them, and all together. */
    public record CostTable(List<String> months, List<CostRow> rows, List<CostTotal> totals) {}

    /** The payments of today and after it, up to the end of as many months as there are, this one included. */
    @Transactional(readOnly = true)
    public CostTable within(int count) {
        LocalDate today = LocalDate.now(clock);
        List<YearMonth> months = IntStream.range(0, count)
                .mapToObj(YearMonth.from(today)::plusMonths)
                .toList();
        List<Payment> payments = payments(today, months.get(months.size() - 1).atEndOfMonth());
        List<Row> rows = Costs.byClient(payments);
        Map<String, String> names =
                links.clientNames(rows.stream().map(Row::clientId).toList());
        Map<String, List<Payment>> byCurrency = new TreeMap<>();
        payments.forEach(payment -> byCurrency
                .computeIfAbsent(payment.currency(), currency -> new ArrayList<>())
                .add(payment));
        return new CostTable(
                months.stream().map(YearMonth::toString).toList(),
                rows.stream()
                        .map(row -> new CostRow(
                                row.clientId().isEmpty() ? null : row.clientId(),
                                names.getOrDefault(row.clientId(), ""),
                                row.currency(),
                                months.stream()
                                        .map(month -> row.months().getOrDefault(month, 0L))
                                        .toList(),
                                row.total()))
                        .toList(),
                byCurrency.entrySet().stream()
                        .map(currency -> total(currency.getKey(), currency.getValue(), months))
                        .toList());
    }

    private static CostTotal total(String currency, List<Payment> payments, List<YearMonth> months) {
        List<Long> sums = months.stream()
                .map(month -> payments.stream()
                        .filter(payment -> YearMonth.from(payment.day()).equals(month))
                        .mapToLong(Payment::cents)
                        .sum())
                .toList();
        return new CostTotal(
                currency, sums, sums.stream().mapToLong(Long::longValue).sum(), payments.size());
    }

    private List<Payment> payments(LocalDate from, LocalDate to) {
        List<LicenseEntity> paying = licenses.payingBy(to).stream()
                .filter(license -> Optional.ofNullable(license.terms().price()).orElse(0L) > 0)
                .toList();
        Map<String, List<String>> clients =
                links.clientsOn(paying.stream().map(LicenseEntity::id).toList());
        return paying.stream()
                .flatMap(license -> days(license.terms(), from, to).stream()
                        .map(day -> payment(license.terms(), day, clients.getOrDefault(license.id(), List.of()))))
                .toList();
    }

    private static Payment payment(LicenseDraft terms, LocalDate day, List<String> onIt) {
        List<String> clients = terms.holderId() == null ? onIt : List.of(terms.holderId());
        return new Payment(day, terms.price() == null ? 0 : terms.price(), terms.currency(), clients);
    }

    /** From its next payment on, or from the day on which it renews; not after an end by which it does not renew. */
    private static List<LocalDate> days(LicenseDraft terms, LocalDate from, LocalDate to) {
        LocalDate ends = terms.ends();
        LocalDate first = terms.nextPayment() != null ? terms.nextPayment() : terms.renews() ? ends : null;
        if (first == null) {
            return List.of();
        }
        LocalDate last = ends != null && !terms.renews() && ends.isBefore(to) ? ends : to;
        return Costs.days(first, interval(terms.pricePer()), from, last);
    }

    private static Optional<Period> interval(PricePer per) {
        return switch (per) {
            case ONCE -> Optional.empty();
            case MONTH -> Optional.of(Period.ofMonths(1));
            case YEAR -> Optional.of(Period.ofYears(1));
        };
    }
}
