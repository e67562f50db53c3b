package app.unciala.server.job;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerName;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Runs the jobs that features declare as beans, a few at a time. Jobs are kept in the database; those that a stop of the
 * server interrupted begin again at its next start. Jobs that wait for other hosts have threads of their own, by a
 * {@link Lane}, so that none of the others waits for them.
 */
@Component
@Order(20)
public class Jobs implements ApplicationRunner {
    private static final int THREADS = 3;
    /** The schedulers share a table, and none may delete what another has to do. */
    private static final Duration NEVER = Duration.ofDays(36_500);

    private final DataSource source;
    private final JdbcClient database;
    private final ObjectProvider<Task<?>> tasks;
    private final ObjectProvider<Lane> lanes;
    /** By the names of their jobs; those of no lane have the empty name. */
    private final Map<String, Scheduler> schedulers = new ConcurrentHashMap<>();

    Jobs(DataSource source, JdbcClient database, ObjectProvider<Task<?>> tasks, ObjectProvider<Lane> lanes) {
        this.source = source;
        this.database = database;
        this.tasks = tasks;
        this.lanes = lanes;
    }

    /** A job of which only so many are done at a time, by threads that do nothing else; declared as a bean. */
    public record Lane(OneTimeTask<Void> task, int threads) {}

    @Override
    public void run(ApplicationArguments args) {
        // Nobody else works on this database, so what is marked as being worked on was interrupted.
        database.sql("update scheduled_tasks set picked = false, picked_by = null, last_heartbeat = null where picked")
                .update();
        Set<String> ofLanes = lanes.stream().map(lane -> lane.task().getName()).collect(Collectors.toSet());
        List<Task<?>> once = new ArrayList<>();
        List<RecurringTask<?>> again = new ArrayList<>();
        tasks.forEach(task -> {
            if (task instanceof RecurringTask<?> recurring) {
                again.add(recurring);
            } else if (!ofLanes.contains(task.getName())) {
                once.add(task);
            }
        });
        start("", once, again, THREADS);
        lanes.forEach(lane -> start(lane.task().getName(), List.of(lane.task()), List.of(), lane.threads()));
    }

    private void start(String lane, List<Task<?>> once, List<RecurringTask<?>> again, int threads) {
        Scheduler created = Scheduler.create(source, once)
                .startTasks(again)
                .threads(threads)
                .schedulerName(new SchedulerName.Fixed("unciala " + lane))
                .deleteUnresolvedAfter(NEVER)
                .pollingInterval(Duration.ofSeconds(2))
                .enableImmediateExecution()
                .build();
        created.start();
        schedulers.put(lane, created);
    }

    @PreDestroy
    public void stop() {
        schedulers.values().forEach(Scheduler::stop);
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
        Scheduler running = schedulers.getOrDefault(job.getTaskName(), schedulers.get(""));
        if (running != null) {
            running.scheduleIfNotExists(job, Instant.now());
        }
    }
}
