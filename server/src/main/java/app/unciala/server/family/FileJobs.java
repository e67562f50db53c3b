package app.unciala.server.family;

import app.unciala.server.family.MadeFormats.Asked;
import app.unciala.server.history.Actor;
import app.unciala.server.job.Jobs;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The jobs of stored files. */
@Configuration
class FileJobs {
    @Bean
    RecurringTask<Void> checkSomeFiles(FileChecks checks) {
        return Tasks.recurring("check some files", FixedDelay.of(Duration.ofHours(1)))
                .execute((instance, context) -> checks.checkSome());
    }

    @Bean
    OneTimeTask<Void> checkAllFiles(FileChecks checks) {
        return Tasks.oneTime("check all files").execute((instance, context) -> checks.checkAll());
    }

    @Bean
    OneTimeTask<Asked> makeFormats(ObjectProvider<MadeFormats> formats, Actor actor) {
        return Tasks.oneTime("make a format", Asked.class).execute((instance, context) -> {
            Asked asked = instance.getData();
            actor.acting(asked.by(), () -> formats.getObject().run(asked));
        });
    }

    /** Reading all stored files again, on request. */
    @RestController
    @RequestMapping("/api/storage/check")
    static class Controller {
        private final FileChecks checks;
        private final OneTimeTask<Void> checkAllFiles;
        private final Jobs jobs;

        Controller(FileChecks checks, OneTimeTask<Void> checkAllFiles, Jobs jobs) {
            this.checks = checks;
            this.checkAllFiles = checkAllFiles;
            this.jobs = jobs;
        }

        @PostMapping
        @ResponseStatus(HttpStatus.ACCEPTED)
        void start() {
            jobs.soon(checkAllFiles, "all");
        }

        @GetMapping
        FileChecks.CheckProgress progress() {
            return checks.progress();
        }
    }
}
