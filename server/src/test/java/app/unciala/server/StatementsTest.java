package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.jdbc.core.simple.JdbcClient;

/** No request takes more statements when there is more: each is counted at two sizes. */
class StatementsTest {
    private static final int TRIES = 4;

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void everyListAndRecordTakesTheSameStatementsAtTwoSizes() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Ostrel-Regular.ttf");
        String site = grow(caller, family, 0, 2);
        String license = caller.get("/api/licenses?limit=1")
                .json()
                .get("items")
                .get(0)
                .get("id")
                .asString();
        String intake = caller.takeIn(drop(0, 3)).get("summary").get("id").asString();
        List<String> paths = List.of(
                "/api/families",
                "/api/families/" + family,
                "/api/families?license=YES&use=YES&lacking=woff2&variable=false&order=NEWEST",
                "/api/families/foundries",
                "/api/families/" + family + "/origins",
                "/api/families/" + family + "/superseded",
                "/api/duplicates",
                "/api/licenses",
                "/api/licenses/" + license,
                "/api/licenses/" + license + "/standing",
                "/api/due",
                "/api/coverage?limit=50&siteLimit=50",
                "/api/coverage/size",
                "/api/coverage/" + family + "/" + site,
                "/api/sites/" + site + "/page-views",
                "/api/sites",
                "/api/sites/" + site,
                "/api/sites/" + site + "/comparison",
                "/api/sites/" + site + "/packs",
                "/api/clients",
                "/api/flags",
                "/api/flags?family=" + family,
                "/api/flags/gathered",
                "/api/flags/gathered?by=site",
                "/api/flags/counts",
                "/api/intakes",
                "/api/intakes/" + intake,
                "/api/intakes/" + intake + "/overview",
                "/api/intakes/" + intake + "/families",
                "/api/intakes/" + intake + "/files?family=ostrel",
                "/api/intakes/" + intake + "/others",
                "/api/history",
                "/api/people",
                "/api/search?q=ostrel");
        Map<String, Long> small = count(caller, paths);
        grow(caller, family, 2, 14);
        caller.hold("Hollin-Regular.ttf");
        caller.hold("Gannet-Bold.ttf");
        caller.takeIn(drop(3, 30));
        Map<String, Long> large = count(caller, paths);
        assertThat(large).isEqualTo(small);
    }

    @Test
    void anIntakeTakesTheSameStatementsHoweverManyRowsItHas() {
        Caller caller = SERVER.signIn();
        String few = caller.takeIn(drop(100, 3)).get("summary").get("id").asString();
        String many = caller.takeIn(drop(200, 60)).get("summary").get("id").asString();
        Map<String, Long> counted = count(caller, List.of("/api/intakes/" + few, "/api/intakes/" + many));
        assertThat(counted.get("/api/intakes/" + many)).isEqualTo(counted.get("/api/intakes/" + few));
    }

    private static String grow(Caller caller, String family, int from, int to) {
        String site = "";
        for (int i = from; i < to; i++) {
            site = caller.site("Site " + i, "site" + i + ".example", family, 400);
            caller.send("POST", "/api/licenses", Samples.license(family, "site" + i + ".example"));
        }
        return site;
    }

    /** Fonts that differ in a byte which no table has. */
    private static Map<String, byte[]> drop(int from, int count) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (int i = from; i < from + count; i++) {
            byte[] font = Samples.font("Ostrel-Bold.ttf");
            font[font.length - 1] = (byte) i;
            files.put("font" + i + ".ttf", font);
        }
        return Map.of("drop.zip", Samples.zip(files));
    }

    /**
     * Counted by the database, whoever sends them. A job may ask something at the same moment, which only adds, so the
     * least of several tries is what the request itself takes. Beginning and ending transactions is not counted: a
     * session is saved once more when an answer is longer than its buffer.
     */
    private static Map<String, Long> count(Caller caller, List<String> paths) {
        JdbcClient database = SERVER.bean(JdbcClient.class);
        database.sql("set query_statistics_max_entries 10000").update();
        Map<String, Long> counts = new LinkedHashMap<>();
        for (String path : paths) {
            caller.get(path);
            for (int i = 0; i < TRIES; i++) {
                // Switched off, the database forgets what it counted.
                database.sql("set query_statistics false").update();
                database.sql("set query_statistics true").update();
                assertThat(caller.get(path).status()).as(path).isEqualTo(200);
                counts.merge(path, executed(database), Math::min);
            }
        }
        assertThat(counts.values()).allMatch(count -> count > 0);
        return counts;
    }

    private static long executed(JdbcClient database) {
        return database.sql("select coalesce(sum(execution_count), 0) from information_schema.query_statistics"
                        + " where regexp_like(sql_statement, '^\\s*(select|insert|update|delete|merge)', 'i')"
                        + " and sql_statement not ilike '%scheduled_tasks%'"
                        + " and sql_statement not ilike '%spring_session%'"
                        + " and sql_statement not ilike '%query_statistics%'"
                        + " and sql_statement not ilike '%compared_day%'"
                        + " and sql_statement not ilike '%stored_file (%'")
                .query(Long.class)
                .single();
    }
}
