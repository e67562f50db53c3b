package app.unciala.font.budget;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.time.Duration;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * The processor time that work in one thread may take. Loops over input of any length call {@link #check}, which ends the
 * work when its time is used up or when it was stopped.
 *
 * <pre>{@code
 * Proof proof = Budget.within(Duration.ofSeconds(10), () -> ProofReader.read(css, reference));
 * }</pre>
 */
public final class Budget {
    private static final ThreadLocal<@Nullable Budget> CURRENT = new ThreadLocal<>();
    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();
    /** The time is looked at once in so many checks, as that takes longer than a check. */
    private static final int CHECKS = 64;

    private final Duration time;
    private final long until;
    private final BooleanSupplier stopped;
    /** The work that this one is a part of. */
    private final @Nullable Budget around;

    private int checks;

    private Budget(Duration time, BooleanSupplier stopped, @Nullable Budget around) {
        this.time = time;
        this.until = THREADS.getCurrentThreadCpuTime() + time.toNanos();
        this.stopped = stopped;
        this.around = around;
    }

    /**
     * Does work that may take so much processor time, and no more than what is left of the work that it is a part of.
     *
     * @throws BudgetSpentException when it takes longer
     */
    public static <T> T within(Duration time, Supplier<T> work) {
        return within(time, () -> false, work);
    }

    /**
     * The same for work that can be stopped.
     *
     * @param stopped whether it was; asked often, by the thread that works
     * @throws BudgetSpentException when it takes longer or was stopped
     */
    public static <T> T within(Duration time, BooleanSupplier stopped, Supplier<T> work) {
        Budget around = CURRENT.get();
        CURRENT.set(new Budget(time, stopped, around));
        try {
            return work.get();
        } finally {
            if (around == null) {
                CURRENT.remove();
            } else {
                CURRENT.set(around);
            }
        }
    }

    /**
     * Ends the work of this thread when it has no time left; does nothing where its time is not limited.
     *
     * @throws BudgetSpentException then
     */
    public static void check() {
        Budget current = CURRENT.get();
        if (current != null && ++current.checks >= CHECKS) {
            current.checks = 0;
            current.look(THREADS.getCurrentThreadCpuTime());
        }
    }

    private void look(long now) {
        if (stopped.getAsBoolean()) {
            throw BudgetSpentException.stopped();
        }
        if (now > until) {
            throw BudgetSpentException.after(time);
        }
        if (around != null) {
            around.look(now);
        }
    }
}
