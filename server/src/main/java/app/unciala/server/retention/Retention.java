package app.unciala.server.retention;

import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.storage.StoredFiles;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Daily;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Every night, what was deleted more than a week ago goes for good, feature by feature: one that fails does not keep the
 * others from it, and stands in the history.
 */
@Service
public class Retention {
    private static final Logger LOG = LoggerFactory.getLogger(Retention.class);
    private static final Duration KEPT = Duration.ofDays(7);

    private final List<Purge> purges;
    private final StoredFiles stored;
    private final HistoryService history;
    private final TransactionTemplate transaction;
    private final Clock clock;

    /** {@code purges} in the order of their {@link org.springframework.core.annotation.Order}. */
    Retention(
            List<Purge> purges,
            StoredFiles stored,
            HistoryService history,
            PlatformTransactionManager transactions,
            Clock clock) {
        this.purges = purges;
        this.stored = stored;
        this.history = history;
        transaction = new TransactionTemplate(transactions);
        this.clock = clock;
    }

    /** Purges every feature, and then the stored files that nothing names any more. */
    public void purge() {
        Instant before = clock.instant().minus(KEPT);
        for (Purge purge : purges) {
            try {
                transaction.executeWithoutResult(status -> purge.purge(before));
            } catch (RuntimeException e) {
                LOG.error("Purging {} failed", purge.what(), e);
                history.record(Deed.of(
                        "server",
                        "",
                        purge.what(),
                        "Couldn’t remove " + purge.what()
                                + " that were deleted more than a week ago. The server’s log says why;"
                                + " it is tried again tomorrow night."));
            }
        }
        stored.collect();
    }

    @Configuration
    static class Jobs {
        @Bean
        RecurringTask<Void> purgeDeleted(Retention retention) {
            return Tasks.recurring("purge deleted", new Daily(LocalTime.of(2, 30)))
                    .execute((instance, context) -> retention.purge());
        }
    }
}
