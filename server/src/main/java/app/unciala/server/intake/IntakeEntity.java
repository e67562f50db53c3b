package app.unciala.server.intake;

import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Texts;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** One drop of files under review. */
@Entity
@Table(name = "intake")
class IntakeEntity {
    private static final int LONGEST_FAILURE = 2000;

    @Id
    private String id = "";

    @Version
    private long version;

    @Enumerated(EnumType.STRING)
    private IntakeState state = IntakeState.READING;

    private Instant createdAt = Instant.EPOCH;
    private String createdBy = "";

    @JdbcTypeCode(SqlTypes.JSON)
    private List<String> uploads = List.of();

    private long doneBytes;
    private long totalBytes;
    private int attempts;
    private String failure = "";
    private int files;
    private long judgedAt = -1;

    @Column
    private @Nullable Instant closedAt;

    private @Nullable String flagId;

    protected IntakeEntity() {}

    /** {@code flagId} is the flag that the drop is to answer, if it is to answer one. */
    IntakeEntity(
            String id,
            Instant createdAt,
            String createdBy,
            List<String> uploads,
            long totalBytes,
            @Nullable String flagId) {
        this.id = id;
        this.flagId = flagId;
        this.createdAt = createdAt;
        this.createdBy = createdBy;
        this.uploads = uploads;
        this.totalBytes = totalBytes;
    }

    /** Begins to read, for the first time or again after a stop. */
    void begin() {
        attempts++;
        doneBytes = 0;
        files = 0;
    }

    void progress(long done, int found) {
        doneBytes = Math.min(done, totalBytes);
        files = found;
    }

    void move(IntakeState to, @Nullable Instant closed) {
        state = to;
        closedAt = closed;
    }

    /** Refuses whatever may be done to an intake under review only. */
    void mustBeInReview() {
        if (state != IntakeState.REVIEW) {
            throw Fault.conflict(
                    "This intake is not under review: it is " + state.name().toLowerCase(Locale.ROOT) + ".");
        }
    }

    void fail(String why) {
        state = IntakeState.FAILED;
        failure = Texts.cut(why, LONGEST_FAILURE);
    }

    /** Its files were judged against the inventory after that many changes of held files; -1 is never. */
    void judged(long heldFilesVersion) {
        judgedAt = heldFilesVersion;
    }

    long judgedAt() {
        return judgedAt;
    }

    String id() {
        return id;
    }

    IntakeState state() {
        return state;
    }

    Optional<String> flagId() {
        return Optional.ofNullable(flagId);
    }

    int attempts() {
        return attempts;
    }

    int files() {
        return files;
    }

    List<String> uploads() {
        return uploads;
    }

    IntakeService.Summary toSummary() {
        return new IntakeService.Summary(
                id, state, createdAt, createdBy, uploads, doneBytes, totalBytes, failure, files);
    }
}
