package app.unciala.font.budget;

import java.time.Duration;

/** Work that was ended because its time is used up or because it was stopped. */
public final class BudgetSpentException extends RuntimeException {
    private static final long serialVersionUID = 1;

    private final boolean stopped;

    private BudgetSpentException(String message, boolean stopped) {
        super(message);
        this.stopped = stopped;
    }

    static BudgetSpentException after(Duration time) {
        return new BudgetSpentException("it takes more than " + time.toSeconds() + " s", false);
    }

    static BudgetSpentException stopped() {
        return new BudgetSpentException("it was stopped", true);
    }

    /** Whether somebody stopped it; otherwise its time was used up. */
    public boolean isStopped() {
        return stopped;
    }
}
