package app.unciala.server.demo;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** The clock of the demonstration: set to earlier days while its story is entered, and to now ever after. */
@Component
@Profile({"demo", "large"})
class StoryClock extends Clock {
    private static final int WORKDAY_BEGINS = 9;
    private static final int WORKDAY_HOURS = 8;

    private final Clock system = Clock.system(ZoneId.systemDefault());
    private volatile Duration behind = Duration.ZERO;

    /** Goes to some hour of a working day, so many days before today. */
    void goTo(int daysAgo) {
        Instant then = system.instant()
                .atZone(getZone())
                .minusDays(daysAgo)
                .truncatedTo(ChronoUnit.DAYS)
                .plusHours(WORKDAY_BEGINS + daysAgo * 7L % WORKDAY_HOURS)
                .plusMinutes(daysAgo * 13L % 60)
                .toInstant();
        behind = Duration.between(then, system.instant());
    }

    void goToNow() {
        behind = Duration.ZERO;
    }

    @Override
    public Instant instant() {
        return system.instant().minus(behind);
    }

    @Override
    public ZoneId getZone() {
        return system.getZone();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return system.withZone(zone);
    }
}
