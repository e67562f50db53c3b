package app.unciala.font.budget;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

@Timeout(60)
class BudgetTest {
    private static final Duration SHORT = Duration.ofMillis(50);
    private static final Duration LONG = Duration.ofMinutes(5);

    @Test
    void workEndsWhenItsTimeIsUsedUp() {
        assertThatThrownBy(() -> Budget.within(SHORT, BudgetTest::forever))
                .isInstanceOfSatisfying(BudgetSpentException.class, spent -> assertThat(spent.isStopped())
                        .isFalse())
                .hasMessage("it takes more than 0 s");
        assertThat(Budget.within(LONG, () -> "done")).isEqualTo("done");
    }

    @Test
    void aPartHasNoMoreTimeThanTheWholeAndLeavesItsBudget() {
        assertThatThrownBy(() -> Budget.within(SHORT, () -> Budget.within(LONG, BudgetTest::forever)))
                .isInstanceOf(BudgetSpentException.class);
        assertThatThrownBy(() -> Budget.within(SHORT, () -> {
                    Budget.within(LONG, () -> "part");
                    return forever();
                }))
                .isInstanceOf(BudgetSpentException.class);
    }

    @Test
    void workThatIsNotLimitedIsNeverEnded() {
        assertThatThrownBy(() -> Budget.within(SHORT, BudgetTest::forever)).isInstanceOf(BudgetSpentException.class);
        for (int i = 0; i < 10_000; i++) {
            Budget.check();
        }
    }

    @Test
    void workEndsWhenItIsStopped() throws InterruptedException {
        AtomicBoolean stopped = new AtomicBoolean();
        AtomicBoolean told = new AtomicBoolean();
        Thread thread = new Thread(() -> {
            try {
                Budget.within(LONG, stopped::get, BudgetTest::forever);
            } catch (BudgetSpentException e) {
                told.set(e.isStopped());
            }
        });
        thread.start();
        stopped.set(true);
        thread.join();
        assertThat(told).isTrue();
    }

    private static String forever() {
        while (true) {
            Budget.check();
        }
    }
}
