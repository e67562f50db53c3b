package app.unciala.server.intake;

import app.unciala.server.http.Json;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;

/** One drop of files under review. */
@Entity
@Table(name = "intake")
class IntakeEntity {
    @Id
    private String id = "";

    @Enumerated(EnumType.STRING)
    private IntakeState state = IntakeState.READING;

    private Instant createdAt = Instant.EPOCH;
    private String createdBy = "";
    private String uploads = "[]";
    private long doneBytes;
    private long totalBytes;
    private int attempts;
    private String failure = "";

    protected IntakeEntity() {}

    IntakeEntity(String id, Instant createdAt, String createdBy, List<String> uploads, long totalBytes) {
        this.id = id;
        this.createdAt = createdAt;
        this.createdBy = createdBy;
        this.uploads = Json.write(uploads);
        this.totalBytes = totalBytes;
    }

    /** Begins to read, for the first time or again after a stop. */
    void begin() {
        attempts++;
        doneBytes = 0;
    }

    void progress(long done) {
        doneBytes = Math.min(done, totalBytes);
    }

    void move(IntakeState to) {
        state = to;
    }

    void fail(String why) {
        state = IntakeState.FAILED;
        failure = why.length() > 2000 ? why.substring(0, 2000) : why;
    }

    String id() {
        return id;
    }

    IntakeState state() {
        return state;
    }

    int attempts() {
        return attempts;
    }

    List<String> uploads() {
        return List.of(Json.read(uploads, String[].class));
    }

    IntakeService.Summary toSummary(int files) {
        return new IntakeService.Summary(
                id, state, createdAt, createdBy, uploads(), doneBytes, totalBytes, failure, files);
    }
}
