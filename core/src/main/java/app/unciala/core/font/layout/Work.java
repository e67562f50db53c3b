package app.unciala.core.font.layout;

import app.unciala.core.font.FontException;

/** A bound on the steps taken over one layout table, since a small table can describe endless work. */
final class Work {
    private static final long MAX_STEPS = 60_000_000;

    private final String table;
    private long steps;

    Work(String table) {
        this.table = table;
    }

    void spend(long count) {
        steps += count;
        if (steps > MAX_STEPS) {
            throw new FontException(table, -1, "takes more than " + MAX_STEPS + " steps to follow");
        }
    }
}
