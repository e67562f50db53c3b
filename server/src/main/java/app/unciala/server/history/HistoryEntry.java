package app.unciala.server.history;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** One thing someone did. */
@Entity
@Table(name = "history")
class HistoryEntry {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private @Nullable Long id;

    private Instant at = Instant.EPOCH;
    private String byName = "";
    private String subjectType = "";
    private String subjectId = "";
    private String text = "";

    protected HistoryEntry() {}

    HistoryEntry(Instant at, String byName, String subjectType, String subjectId, String text) {
        this.at = at;
        this.byName = byName;
        this.subjectType = subjectType;
        this.subjectId = subjectId;
        this.text = text;
    }

    HistoryService.Entry toRecord() {
        return new HistoryService.Entry(String.valueOf(id), at, byName, subjectType, subjectId, text);
    }
}
