package app.unciala.server.testing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;

/** The system's clock, which tests can set forward. */
public final class TestClock extends Clock {
    private volatile Duration ahead = Duration.ZERO;

    public void forward(Duration by) {
        ahead = ahead.plus(by);
    }

    @Override
    public Instant instant() {
        return Instant.now().plus(ahead);
    }

    @Override
    public ZoneId getZone() {
        return ZoneId.systemDefault();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return Clock.system(zone);
    }
}
