package app.unciala.font.bytes;

import app.unciala.font.FontException;

/** A bound on the steps taken over one table, since a small table can describe endless work. */
public final class Work {
    private static final long MAX_STEPS = 60_000_000;

    private final String table;
    private long steps;

    public Work(String table) {
        this.table = table;
    }

    /**
     * Counts steps.
     *
     * @throws FontException after more steps than any undamaged table needs
     */
    public void spend(long count) {
        steps += count;
        if (steps > MAX_STEPS) {
            throw new FontException(table, -1, "takes more than " + MAX_STEPS + " steps to follow");
        }
    }
}
