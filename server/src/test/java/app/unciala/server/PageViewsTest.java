package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.nio.charset.StandardCharsets;
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

    @Test
    void aFileOfPageViewsGoesInAsAWholeOrNotAtAll() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Penmarrow-Regular.ttf");
        String cafe = caller.site("Café Ostrel", "café.example", family, 400);
        caller.site("Twins", "twin-one.example", family, 400);
        caller.site("Twins", "twin-two.example", family, 400);
        String good = "Site,Month,Page_views\r\nhttps://café.example/menu,2020-05,1200\r\ncafé ostrel,2020-06,0\r\n"
                + "twin-two.example,2020-05,7\r\n";
        JsonNode checked = file(caller, good, true);
        assertThat(checked.get("problems")).isEmpty();
        assertThat(checked.get("recorded").asInt()).isZero();
        assertThat(file(caller, good, false).get("recorded").asInt()).isEqualTo(3);
        JsonNode months = caller.get("/api/sites/" + cafe + "/page-views").json();
        assertThat(months).hasSize(2);
        assertThat(months.get(1).get("views").asLong()).isEqualTo(1200);
        JsonNode wrong = file(
                caller,
                "site,month,page_views\nCafé Ostrel,2020-05,9\nNobody,2020-05,9\nTwins,2020-05,9\n"
                        + "café.example,May,9\ncafé.example,2999-01,9\ncafé.example,2020-07,many\n"
                        + "café.example,2020-08,-1\ncafé.example,2020-05,10\n",
                false);
        assertThat(wrong.get("recorded").asInt()).isZero();
        assertThat(wrong.get("problems")
                        .valueStream()
                        .map(one -> one.get("place").asString()
                                + " " + one.get("field").asString() + ": "
                                + one.get("message").asString()))
                .containsExactly(
                        "line 3 site: No site is called “Nobody”, and none has it among its domains.",
                        "line 4 site: Several sites are called “Twins”; write one of the site’s domains.",
                        "line 5 month: “May” is not a month such as 2030-04.",
                        "line 6 month: This month hasn’t begun yet.",
                        "line 7 page_views: “many” is not a whole number of page views, such as 61300.",
                        "line 8 page_views: “-1” is not a whole number of page views, such as 61300.",
                        "line 9 month: This month of this site stands twice in the file.");
        assertThat(caller.get("/api/sites/" + cafe + "/page-views").json()).isEqualTo(months);
        assertThat(file(caller, "site,month\nA,2020-01\n", false)
                        .get("problems")
                        .get(0)
                        .get("message")
                        .asString())
                .isEqualTo("The column “page_views” is missing.");
    }

    private static JsonNode file(Caller caller, String text, boolean check) {
        return caller.upload(
                        "/api/page-views?check=" + check,
                        "file",
                        Map.of("views.csv", text.getBytes(StandardCharsets.UTF_8)))
                .json();
    }

    private static Answer read(Caller caller, String site, String month, long views) {
        return caller.send("PUT", "/api/sites/" + site + "/page-views/" + month, Map.of("views", views));
    }
}
