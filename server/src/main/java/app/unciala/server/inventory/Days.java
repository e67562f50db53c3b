package app.unciala.server.inventory;

import app.unciala.server.fault.Fault;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Days that people enter: far enough for any license, and near enough to be counted. */
public final class Days {
    private static final int FIRST_YEAR = 1900;
    private static final int LAST_YEAR = 3000;

    private Days() {}

    /** Refuses a day that is out of bounds; {@code field} is the field that has it. */
    public static void mustBeNear(String field, @Nullable LocalDate day) {
        if (day != null && (day.getYear() < FIRST_YEAR || day.getYear() > LAST_YEAR)) {
            throw Fault.invalid(
                    field,
                    "A day is between the years " + FIRST_YEAR + " and " + LAST_YEAR + "; this one is " + day + ".");
        }
    }
}
