package app.unciala.server.intake;

import app.unciala.server.job.Jobs;
import app.unciala.server.storage.StagingArea;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** The jobs of intakes: reading one, and putting away what was staged for those that are closed. */
@Configuration
class IntakeJobs {
    /** How long an accepted or discarded intake can be taken back. */
    private static final Duration KEPT = Duration.ofHours(1);

    @Bean
    OneTimeTask<Void> readIntake(IntakeReader reader) {
        return Tasks.oneTime("read intake").execute((instance, context) -> reader.read(instance.getId()));
    }

    @Bean
    RecurringTask<Void> clearStaging(StagingArea staging, JdbcClient database, Clock clock) {
        return Tasks.recurring("clear staging", FixedDelay.of(Duration.ofMinutes(10)))
                .execute((instance, context) -> clear(staging, database, clock));
    }

    /** Clears all intakes but those that are open, or were closed within the hour. */
    static void clear(StagingArea staging, JdbcClient database, Clock clock) {
        List<String> staged = staging.intakes();
        Set<String> kept = new HashSet<>(
                database.sql("select id from intake where closed_at is null and state not in ('ACCEPTED', 'DISCARDED')"
                                + " or closed_at > :since")
                        .param("since", Timestamp.from(clock.instant().minus(KEPT)))
                        .query(String.class)
                        .list());
        Set<String> known = new HashSet<>(
                database.sql("select id from intake").query(String.class).list());
        staged.stream().filter(id -> known.contains(id) && !kept.contains(id)).forEach(staging::clear);
    }

    /**
     * Intakes that were being read when the server stopped before their job was kept, and uploads that it stopped in the
     * middle of, which no intake names.
     */
    @Component
    @Order(30)
    static class Resumption implements ApplicationRunner {
        private final IntakeRepository intakes;
        private final StagingArea staging;
        private final OneTimeTask<Void> readIntake;
        private final Jobs jobs;

        Resumption(IntakeRepository intakes, StagingArea staging, OneTimeTask<Void> readIntake, Jobs jobs) {
            this.intakes = intakes;
            this.staging = staging;
            this.readIntake = readIntake;
            this.jobs = jobs;
        }

        @Override
        public void run(ApplicationArguments args) {
            staging.intakes().stream().filter(id -> !intakes.existsById(id)).forEach(staging::clear);
            intakes.findByState(IntakeState.READING).forEach(intake -> jobs.soon(readIntake, intake.id()));
        }
    }
}
