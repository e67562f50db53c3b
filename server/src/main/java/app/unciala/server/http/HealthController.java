package app.unciala.server.http;

import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Says whether the server is ready for work: it has started, and its database answers. */
@RestController
class HealthController {
    private final Readiness readiness;
    private final JdbcClient database;

    HealthController(Readiness readiness, JdbcClient database) {
        this.readiness = readiness;
        this.database = database;
    }

    record Health(String status) {}

    @GetMapping("/api/health")
    ResponseEntity<Health> health() {
        if (!readiness.isReady()) {
            return unavailable("starting");
        }
        try {
            database.sql("select 1").query(Integer.class).single();
            return ResponseEntity.ok(new Health("ready"));
        } catch (DataAccessException e) {
            return unavailable("the database does not answer");
        }
    }

    private static ResponseEntity<Health> unavailable(String why) {
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE).body(new Health(why));
    }
}
