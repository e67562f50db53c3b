package app.unciala.server.job;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Runs the jobs that features declare as beans, one after another or a few at a time. Jobs are kept in the database;
 * those that a stop of the server interrupted begin again at its next start.
 */
@Component
@Order(20)
public class Jobs implements ApplicationRunner {
    private static final int THREADS = 3;

    private final DataSource source;
    private final JdbcClient database;
    private final ObjectProvider<Task<?>> tasks;
    private volatile @Nullable Scheduler scheduler;

    Jobs(DataSource source, JdbcClient database, ObjectProvider<Task<?>> tasks) {
        this.source = source;
        this.database = database;
        this.tasks = tasks;
    }

    @Override
    public void run(ApplicationArguments args) {
        // Nobody else works on this database, so what is marked as being worked on was interrupted.
        database.sql("update scheduled_tasks set picked = false, picked_by = null, last_heartbeat = null where picked")
                .update();
        List<Task<?>> once = new ArrayList<>();
        List<RecurringTask<?>> again = new ArrayList<>();
        tasks.forEach(task -> {
            if (task instanceof RecurringTask<?> recurring) {
                again.add(recurring);
            } else {
                once.add(task);
            }
        });
        Scheduler created = Scheduler.create(source, once)
                .startTasks(again)
                .threads(THREADS)
                .pollingInterval(Duration.ofSeconds(2))
                .enableImmediateExecution()
                .build();
        created.start();
        scheduler = created;
    }

    @PreDestroy
    public void stop() {
        Scheduler running = scheduler;
        if (running != null) {
            running.stop();
        }
    }

    /** Has a job done as soon as there is a free thread; a job that waits already is not asked for twice. */
    public void soon(OneTimeTask<Void> task, String id) {
        soon(task.instance(id));
    }

    /**
     * Has a job done as soon as there is a free thread, even when one like it has not ended yet.
     *
     * @param data what the job needs to know, kept with it
     */
    public <T> void soonWith(OneTimeTask<T> task, T data) {
        soon(task.instance(UUID.randomUUID().toString(), data));
    }

    private void soon(TaskInstance<?> job) {
        Scheduler running = scheduler;
        if (running != null) {
            running.scheduleIfNotExists(job, Instant.now());
        }
    }
}
