package app.unciala.server.pack;

import app.unciala.server.fault.Fault;
import app.unciala.server.fault.FullDisk;
import app.unciala.server.history.Actor;
import app.unciala.server.job.Jobs;
import app.unciala.server.job.Runs;
import app.unciala.server.pack.PackService.PackView;
import app.unciala.server.site.SiteService;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.Serial;
import java.io.Serializable;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;

/** Makes packs away from requests, one of a site at a time, and says how far each is. */
@Service
class PackJobs {
    private static final Logger LOG = LoggerFactory.getLogger(PackJobs.class);

    private final PackService packs;
    private final SiteService sites;
    private final Actor actor;
    private final OneTimeTask<Asked> makePack;
    private final Jobs jobs;
    private final Runs<PackMaking> bySite = new Runs<>(PackMaking.NONE);

    PackJobs(PackService packs, SiteService sites, Actor actor, OneTimeTask<Asked> makePack, Jobs jobs) {
        this.packs = packs;
        this.sites = sites;
        this.actor = actor;
        this.makePack = makePack;
        this.jobs = jobs;
    }

    /**
     * How far the making of a site's pack is, or how it ended last since the server was started.
     *
     * @param done how many faces are made, of {@code total}; both are 0 until they are counted
     * @param packId the pack that was made
     * @param failure why none was made, in a sentence
     */
    record PackMaking(
            boolean running,
            int done,
            int total,
            @Schema(types = {"string", "null"}) @Nullable String packId,
            @Schema(types = {"string", "null"}) @Nullable String failure)
            implements Runs.State {
        static final PackMaking NONE = new PackMaking(false, 0, 0, null, null);
        static final PackMaking BEGUN = running(0, 0);

        static PackMaking running(int done, int total) {
            return new PackMaking(true, done, total, null, null);
        }

        static PackMaking made(String packId) {
            return new PackMaking(false, 0, 0, packId, null);
        }

        static PackMaking failed(String why) {
            return new PackMaking(false, 0, 0, null, why);
        }
    }

    /** What was asked of the job; kept with it, so that it is done even when the server is stopped meanwhile. */
    record Asked(String siteId, String reason, String by) implements Serializable {
        @Serial
        private static final long serialVersionUID = 1;
    }

    /**
     * Begins to make a pack.
     *
     * @param reason why what is not allowed goes into it all the same; without one it stays out
     */
    PackMaking start(String siteId, Optional<String> reason) {
        sites.get(siteId);
        Asked asked = new Asked(siteId, reason.orElse(""), actor.name());
        if (!bySite.begin(siteId, PackMaking.BEGUN, () -> jobs.soonWith(makePack, asked))) {
            throw Fault.conflict("A pack of this site is being made already.");
        }
        return PackMaking.BEGUN;
    }

    PackMaking of(String siteId) {
        return bySite.of(siteId);
    }

    /** The job. */
    void run(Asked asked) {
        String siteId = asked.siteId();
        Optional<String> reason = Optional.of(asked.reason()).filter(some -> !some.isEmpty());
        try {
            PackView pack =
                    packs.make(siteId, reason, (done, total) -> bySite.put(siteId, PackMaking.running(done, total)));
            bySite.put(siteId, PackMaking.made(pack.id()));
        } catch (Fault e) {
            bySite.put(siteId, PackMaking.failed(e.getMessage()));
        } catch (RuntimeException | Error e) {
            LOG.error("A pack of the site {} cannot be made", siteId, e);
            bySite.put(
                    siteId,
                    PackMaking.failed(
                            FullDisk.caused(e)
                                    ? FullDisk.SENTENCE
                                    : "The pack could not be made; the log of the server says why."));
        }
    }

    @Configuration
    static class Job {
        @Bean
        OneTimeTask<Asked> makePack(ObjectProvider<PackJobs> packs, Actor actor) {
            return Tasks.oneTime("make pack", Asked.class).execute((instance, context) -> {
                Asked asked = instance.getData();
                actor.acting(asked.by(), () -> packs.getObject().run(asked));
            });
        }
    }
}
