package app.unciala.server.http;

import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Whether the server has started, with all that is entered before anybody comes, such as the demonstration. */
@Component
class Readiness {
    private final AtomicBoolean ready = new AtomicBoolean();

    @EventListener(ApplicationReadyEvent.class)
    void started() {
        ready.set(true);
    }

    boolean isReady() {
        return ready.get();
    }
}
