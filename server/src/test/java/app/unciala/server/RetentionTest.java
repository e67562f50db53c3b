package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.retention.Retention;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.CheckedSites;
import app.unciala.server.testing.Hosts;
import app.unciala.server.testing.RunningServer;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What is deleted goes for good a week later, with all that belongs to it. */
class RetentionTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @RegisterExtension
    static final Hosts HOSTS = new Hosts();

    @Test
    void allThatIsKeptOfASiteGoesWithIt() {
        Caller caller = SERVER.signIn();
        caller.send("PUT", "/api/private-hosts/" + HOSTS.at(), Map.of());
        String family = caller.hold("Penmarrow-Regular.ttf");
        String site = caller.site("Sorrel", "sorrel.example", family, 400);
        HOSTS.serve("sorrel.example/", "<!doctype html><title>S</title><p>Leaves</p>".getBytes(StandardCharsets.UTF_8));
        CheckedSites sites = new CheckedSites(caller, HOSTS);
        sites.plan(
                site,
                "sorrel.example",
                Map.of("signIns", List.of(Map.of("host", "sorrel.example:80", "name", "a", "password", "b"))));
        sites.check(site);
        caller.send("PUT", "/api/sites/" + site + "/page-views/2026-01", Map.of("views", 100));
        String client = caller.get("/api/sites/" + site).json().get("clientId").asString();
        JdbcClient database = SERVER.bean(JdbcClient.class);
        List<String> tables = List.of("check_plan", "site_check", "page_views");
        tables.forEach(
                table -> assertThat(rows(database, table, site)).as(table).isPositive());

        delete(caller, "/api/sites/" + site);
        delete(caller, "/api/clients/" + client);
        Retention retention = SERVER.bean(Retention.class);
        retention.purge();
        assertThat(rows(database, "check_plan", site)).as("within the week").isPositive();
        SERVER.clock().forward(Duration.ofDays(8));
        retention.purge();

        tables.forEach(
                table -> assertThat(rows(database, table, site)).as(table).isZero());
        assertThat(count(database, "select count(*) from site where id = :id", site))
                .isZero();
        assertThat(count(database, "select count(*) from client where id = :id", client))
                .isZero();
    }

    private static void delete(Caller caller, String path) {
        assertThat(caller.send(
                                "DELETE",
                                path,
                                Map.of(),
                                Map.of("If-Match", caller.get(path).header("ETag")))
                        .status())
                .isIn(200, 204);
    }

    private static int rows(JdbcClient database, String table, String site) {
        return count(database, "select count(*) from " + table + " where site_id = :id", site);
    }

    private static int count(JdbcClient database, String query, String id) {
        return database.sql(query).param("id", id).query(Integer.class).single();
    }
}
