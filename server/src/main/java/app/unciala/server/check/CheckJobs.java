package app.unciala.server.check;

import app.unciala.server.job.Jobs;
import app.unciala.server.job.Jobs.Lane;
import app.unciala.server.pack.PackService.PackPlaced;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Daily;
import java.time.LocalTime;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;

/** The jobs of checks: running one, and asking for those of watched sites. */
@Configuration
class CheckJobs {
    @Bean
    OneTimeTask<Void> checkPages(ObjectProvider<CheckRunner> runner) {
        return Tasks.oneTime("check pages")
                .execute((instance, context) -> runner.getObject().run(instance.getId()));
    }

    /** Hosts may be slow, and no other job waits for that. */
    @Bean
    Lane checking(OneTimeTask<Void> checkPages) {
        return new Lane(checkPages, 3);
    }

    @Bean
    OneTimeTask<Void> checkPlacedSite(ObjectProvider<CheckService> checks) {
        return Tasks.oneTime("check placed site")
                .execute((instance, context) -> checks.getObject().startIfWatched(instance.getId()));
    }

    @Bean
    RecurringTask<Void> checkWatchedSites(ObjectProvider<CheckService> checks) {
        return Tasks.recurring("check watched sites", new Daily(LocalTime.of(4, 20)))
                .execute((instance, context) -> checks.getObject().startWatched());
    }

    /** Checks of which the job was lost as the server stopped before it was kept, and those that placed packs ask for. */
    @Component
    @Order(30)
    static class Resumption implements ApplicationRunner {
        private final CheckService checks;
        private final OneTimeTask<Void> checkPages;
        private final Jobs jobs;
        private final OneTimeTask<Void> checkPlacedSite;

        Resumption(CheckService checks, OneTimeTask<Void> checkPages, OneTimeTask<Void> checkPlacedSite, Jobs jobs) {
            this.checks = checks;
            this.checkPages = checkPages;
            this.jobs = jobs;
            this.checkPlacedSite = checkPlacedSite;
        }

        @Override
        public void run(ApplicationArguments args) {
            checks.unfinished().forEach(id -> jobs.soon(checkPages, id));
        }

        @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT)
        void placed(PackPlaced pack) {
            jobs.soon(checkPlacedSite, pack.siteId());
        }
    }
}
