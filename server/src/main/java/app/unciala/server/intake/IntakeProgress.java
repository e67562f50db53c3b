package app.unciala.server.intake;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells those who watch an intake how far it is read, as server-sent events. */
@Component
class IntakeProgress {
    private static final Duration LONGEST = Duration.ofMinutes(30);

    private final Map<String, List<SseEmitter>> watchers = new ConcurrentHashMap<>();

    /** How far an intake is read; {@code path} is the file read last. */
    record Progress(IntakeState state, long doneBytes, long totalBytes, int files, String path) {}

    /** Watches an intake from how far it is; the stream closes when it is read. */
    SseEmitter watch(String id, Progress now) {
        SseEmitter emitter = new SseEmitter(LONGEST.toMillis());
        List<SseEmitter> watching = watchers.computeIfAbsent(id, key -> new CopyOnWriteArrayList<>());
        Runnable leave = () -> watching.remove(emitter);
        emitter.onCompletion(leave);
        emitter.onTimeout(leave);
        emitter.onError(failure -> leave.run());
        if (now.state() == IntakeState.READING) {
            watching.add(emitter);
        }
        send(emitter, now);
        return emitter;
    }

    void tell(String id, Progress progress) {
        List<SseEmitter> watching = progress.state() == IntakeState.READING ? watchers.get(id) : watchers.remove(id);
        if (watching != null) {
            watching.forEach(emitter -> send(emitter, progress));
        }
    }

    private static void send(SseEmitter emitter, Progress progress) {
        try {
            emitter.send(progress, MediaType.APPLICATION_JSON);
            if (progress.state() != IntakeState.READING) {
                emitter.complete();
            }
        } catch (IOException | IllegalStateException gone) {
            // Who watched has left the page.
            emitter.completeWithError(gone);
        }
    }
}
