package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Page views are read of sites, and count together for the license they stand on. */
class PageViewsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void pageViewsOverTheLimitAreAFlagOfEverySiteOnTheLicense() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Hollin-Regular.ttf");
        String one = caller.site("One", "one.example", family, 400);
        String two = caller.site("Two", "two.example", family, 400);
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "one.example"));
        terms.put("domains", List.of("one.example", "two.example"));
        terms.put("converting", "GRANTED");
        terms.put("pageViewLimit", 1000);
        assertThat(caller.send("POST", "/api/licenses", terms).status()).isEqualTo(201);
        read(caller, one, "2020-03", 800);
        assertThat(caller.kinds("?site=" + one)).doesNotContain("PAGE_VIEWS_OVER_LIMIT");
        JsonNode months = read(caller, two, "2020-03", 201).json();
        assertThat(months.get(0).get("month").asString()).isEqualTo("2020-03");
        assertThat(caller.kinds("?site=" + one)).contains("PAGE_VIEWS_OVER_LIMIT");
        assertThat(caller.kinds("?site=" + two)).contains("PAGE_VIEWS_OVER_LIMIT");
        read(caller, two, "2020-03", 200);
        assertThat(caller.kinds("?site=" + one)).doesNotContain("PAGE_VIEWS_OVER_LIMIT");
        read(caller, two, "2020-03", 9000);
        assertThat(caller.send(
                                "PUT",
                                "/api/sites/" + two + "/page-views/2020-03",
                                Collections.singletonMap("views", null))
                        .json())
                .isEmpty();
        assertThat(caller.kinds("?site=" + one)).doesNotContain("PAGE_VIEWS_OVER_LIMIT");
        for (String month : List.of("2999-01", "1999-12", "March", "2020-13")) {
            assertThat(read(caller, one, month, 1).status()).as(month).isEqualTo(422);
        }
        assertThat(read(caller, one, "2020-01", -1).status()).isEqualTo(422);
        assertThat(caller.send("POST", "/api/flags/comparison", Map.of())
                        .json()
                        .get("mended")
                        .asInt())
                .isZero();
    }

    private static Answer read(Caller caller, String site, String month, long views) {
        return caller.send("PUT", "/api/sites/" + site + "/page-views/" + month, Map.of("views", views));
    }
}
