package app.unciala.core.license;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.license.Costs.Payment;
import app.unciala.core.license.Costs.Row;
import java.time.LocalDate;
import java.time.Period;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class CostsTest {
    private static final LocalDate FIRST = LocalDate.of(2030, 1, 31);

    @Test
    void aPaymentEachMonthStaysOnItsDay() {
        assertThat(Costs.days(FIRST, Optional.of(Period.ofMonths(1)), FIRST, LocalDate.of(2030, 4, 30)))
                .containsExactly(
                        FIRST, LocalDate.of(2030, 2, 28), LocalDate.of(2030, 3, 31), LocalDate.of(2030, 4, 30));
    }

    @Test
    void aPaymentThatIsPastComesBackAtItsInterval() {
        LocalDate today = LocalDate.of(2032, 6, 1);
        assertThat(Costs.days(FIRST, Optional.of(Period.ofYears(1)), today, today.plusYears(1)))
                .containsExactly(LocalDate.of(2033, 1, 31));
        assertThat(Costs.days(FIRST, Optional.empty(), today, today.plusYears(1)))
                .as("paid once")
                .isEmpty();
        assertThat(Costs.days(today, Optional.empty(), today, today)).containsExactly(today);
    }

    /** Counted from near the days that are looked at, and not from the first. */
    @Test
    void aFirstPaymentLongAgoIsNoLongWork() {
        LocalDate first = LocalDate.of(-90_000_000, 1, 31);
        assertThat(Costs.days(
                        first, Optional.of(Period.ofMonths(1)), LocalDate.of(2030, 2, 1), LocalDate.of(2030, 3, 31)))
                .containsExactly(LocalDate.of(2030, 2, 28), LocalDate.of(2030, 3, 31));
    }

    @Test
    void whatDoesNotDivideGoesToTheFirstSitesAndWhatNobodyUsesStandsAlone() {
        List<Row> rows = Costs.byClient(List.of(
                new Payment(FIRST, 100, "EUR", List.of("b", "a", "b")),
                new Payment(FIRST, 7, "EUR", List.of()),
                new Payment(FIRST.plusMonths(1), 5, "USD", List.of("a"))));
        assertThat(rows)
                .extracting(row -> row.clientId() + " " + row.currency() + " " + row.months())
                .containsExactly(" EUR {2030-01=7}", "a EUR {2030-01=33}", "a USD {2030-02=5}", "b EUR {2030-01=67}");
    }

    /** Nothing is lost or added by dividing, whatever the amounts and however many sites. */
    @Test
    void allRowsTogetherAreAllPayments() {
        Random random = new Random(5);
        for (int round = 0; round < 500; round++) {
            List<Payment> payments = IntStream.range(0, random.nextInt(12))
                    .mapToObj(i -> new Payment(
                            FIRST.plusDays(random.nextInt(400)),
                            random.nextInt(100_000),
                            random.nextBoolean() ? "EUR" : "CHF",
                            IntStream.range(0, random.nextInt(7))
                                    .mapToObj(site -> "client" + random.nextInt(3))
                                    .toList()))
                    .toList();
            Map<String, Long> paid = payments.stream()
                    .collect(Collectors.groupingBy(
                            payment -> payment.currency() + YearMonth.from(payment.day()),
                            Collectors.summingLong(Payment::cents)));
            Map<String, Long> divided = Costs.byClient(payments).stream()
                    .flatMap(row -> row.months().entrySet().stream()
                            .map(month -> Map.entry(row.currency() + month.getKey(), month.getValue())))
                    .collect(Collectors.groupingBy(Map.Entry::getKey, Collectors.summingLong(Map.Entry::getValue)));
            assertThat(divided).as("round %d", round).isEqualTo(paid);
        }
    }
}
