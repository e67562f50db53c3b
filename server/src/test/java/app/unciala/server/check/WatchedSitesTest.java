package app.unciala.server.check;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.RunningServer;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The sites that are checked daily. */
class WatchedSitesTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void aSiteThatWasDeletedIsNotOneOfThem() {
        Caller caller = SERVER.signIn();
        CheckPlans plans = SERVER.bean(CheckPlans.class);
        String site = caller.site("Closed", "closed.example", caller.hold("Penmarrow-Regular.ttf"));
        assertThat(plans.watched()).isEmpty();
        caller.edit("/api/sites/" + site + "/check-plan", "plan", Map.of("watched", true));
        assertThat(plans.watched()).containsExactly(site);
        assertThat(plans.isWatched(site)).isTrue();
        caller.delete("/api/sites/" + site, caller.get("/api/sites/" + site).header("ETag"));
        assertThat(plans.watched()).isEmpty();
    }
}
