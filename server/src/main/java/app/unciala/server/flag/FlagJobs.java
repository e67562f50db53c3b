package app.unciala.server.flag;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Daily;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import java.time.LocalTime;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The jobs of flags: what a day gone by changes, and the comparison of everything at night. */
@Configuration
class FlagJobs {
    @Bean
    RecurringTask<Void> dayPassed(Comparisons comparisons) {
        return Tasks.recurring("day passed", FixedDelay.of(Duration.ofMinutes(1)))
                .execute((instance, context) -> comparisons.dayPassed());
    }

    @Bean
    RecurringTask<Void> compareAtNight(Comparisons comparisons) {
        return Tasks.recurring("compare at night", new Daily(LocalTime.of(3, 10)))
                .execute((instance, context) -> comparisons.compareAtNight());
    }
}
