package app.unciala.server.http;

import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Says whether the server is ready for work: it has started, and its database answers. */
@RestController
class HealthController {
    private final AtomicBoolean ready = new AtomicBoolean();
    private final JdbcClient database;

    HealthController(JdbcClient database) {
        this.database = database;
    }

    record Health(String status) {}

    @EventListener(ApplicationReadyEvent.class)
    void ready() {
        ready.set(true);
    }

    @GetMapping("/api/health")
    ResponseEntity<Health> health() {
        if (!ready.get()) {
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
