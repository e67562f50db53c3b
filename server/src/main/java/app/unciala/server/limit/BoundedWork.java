package app.unciala.server.limit;

import app.unciala.font.budget.Budget;
import app.unciala.font.budget.BudgetSpentException;
import app.unciala.server.fault.Fault;
import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/**
 * Does work on what people send, within its time and at most so many pieces of a kind at once, so that the processor is
 * there for others, too. What finds no place within {@value #PATIENCE} s is answered with 503. To be called outside
 * transactions, as no work may hold a connection to the database while it waits.
 */
@Component
public class BoundedWork {
    private static final int PATIENCE = 10;

    private final Map<Work, Semaphore> places = new EnumMap<>(Work.class);

    BoundedWork() {
        int each = Runtime.getRuntime().availableProcessors() < 4 ? 1 : 2;
        for (Work work : Work.values()) {
            places.put(work, new Semaphore(each, true));
        }
    }

    public <T> T of(Work work, Supplier<T> piece) {
        Semaphore free = Objects.requireNonNull(places.get(work));
        enter(free);
        try {
            return Budget.within(work.time(), piece);
        } catch (BudgetSpentException e) {
            throw Fault.invalid(work.sentence());
        } finally {
            free.release();
        }
    }

    private static void enter(Semaphore free) {
        try {
            if (free.tryAcquire(PATIENCE, TimeUnit.SECONDS)) {
                return;
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        throw Fault.busy("Other work of this kind takes all the time the server has for it. Try again in a moment.");
    }
}
