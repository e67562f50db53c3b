package app.unciala.server.http;

import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Says whether the server is ready for work. */
@RestController
class HealthController {
    private final AtomicBoolean ready = new AtomicBoolean();

    record Health(String status) {}

    @EventListener(ApplicationReadyEvent.class)
    void ready() {
        ready.set(true);
    }

    @GetMapping("/api/health")
    ResponseEntity<Health> health() {
        return ready.get()
                ? ResponseEntity.ok(new Health("ready"))
                : ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE).body(new Health("starting"));
    }
}
