package app.unciala.core.license;

import java.time.LocalDate;
import java.time.Period;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/** What licenses cost month by month, divided among the clients whose sites stand on them. */
public final class Costs {
    private Costs() {}

    /**
     * One payment for a license.
     *
     * @param cents in hundredths of {@code currency}
     * @param clients whose sites stand on the license, once for each site, in a fixed order; none when nobody uses it
     */
    public record Payment(LocalDate day, long cents, String currency, List<String> clients) {
        public Payment {
            clients = List.copyOf(clients);
        }
    }

    /** What a client pays in a currency, in hundredths of it; {@code clientId} is empty for what nobody uses. */
    public record Row(String clientId, String currency, SortedMap<YearMonth, Long> months) {
        public long total() {
            return months.values().stream().mapToLong(Long::longValue).sum();
        }
    }

    /**
     * The days between two days, both included, on which something is paid that is paid first on a day and then at
     * intervals of months or years; each is counted from the first, so that the 31st comes back after a month of 30 days.
     */
    public static List<LocalDate> days(LocalDate first, Optional<Period> interval, LocalDate from, LocalDate to) {
        List<LocalDate> days = new ArrayList<>();
        long before = interval.map(every -> ChronoUnit.MONTHS.between(first, from) / every.toTotalMonths() - 1)
                .orElse(0L);
        int times = (int) Math.max(0, before);
        LocalDate day = interval.isEmpty() ? first : first.plus(interval.get().multipliedBy(times));
        for (times++; !day.isAfter(to); times++) {
            if (!day.isBefore(from)) {
                days.add(day);
            }
            if (interval.isEmpty()) {
                break;
            }
            day = first.plus(interval.get().multipliedBy(times));
        }
        return days;
    }

    /**
     * The payments by client and currency, in the order of the clients' ids. Each payment is divided equally among the
     * sites; what does not divide goes to the first of them, a hundredth each, so that nothing is lost or added.
     */
    public static List<Row> byClient(Collection<Payment> payments) {
        Map<String, SortedMap<String, SortedMap<YearMonth, Long>>> rows = new TreeMap<>();
        for (Payment payment : payments) {
            List<String> clients = payment.clients().isEmpty() ? List.of("") : payment.clients();
            long share = payment.cents() / clients.size();
            long left = payment.cents() % clients.size();
            for (int i = 0; i < clients.size(); i++) {
                rows.computeIfAbsent(clients.get(i), id -> new TreeMap<>())
                        .computeIfAbsent(payment.currency(), currency -> new TreeMap<>())
                        .merge(YearMonth.from(payment.day()), share + (i < left ? 1 : 0), Long::sum);
            }
        }
        return rows.entrySet().stream()
                .flatMap(client -> client.getValue().entrySet().stream()
                        .map(currency -> new Row(client.getKey(), currency.getKey(), currency.getValue())))
                .toList();
    }
}
