package app.unciala.server.history;

import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.HistoryService.Entry;
import app.unciala.server.history.HistoryService.FieldChange;
import app.unciala.server.inventory.Texts;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** One thing someone did. */
@Entity
@Table(name = "history")
class HistoryEntry {
    private static final int LONGEST = 2000;
    private static final int LONGEST_NAME = 300;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private @Nullable Long id;

    private Instant at = Instant.EPOCH;
    private String byName = "";
    private String subjectType = "";
    private String subjectId = "";
    private String subjectName = "";
    private String text = "";

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable List<FieldChange> changes;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable Reversal reversal;

    private boolean undone;

    protected HistoryEntry() {}

    HistoryEntry(Instant at, String byName, Deed deed) {
        this.at = at;
        this.byName = byName;
        subjectType = deed.subjectType();
        subjectId = deed.subjectId();
        subjectName = Texts.cut(deed.subjectName(), LONGEST_NAME);
        text = Texts.cut(deed.text(), LONGEST);
        changes = deed.changes();
        reversal = deed.reversal().orElse(null);
    }

    Optional<Reversal> reversal() {
        return undone ? Optional.empty() : Optional.ofNullable(reversal);
    }

    void undo() {
        undone = true;
    }

    String id() {
        return String.valueOf(id);
    }

    String subjectType() {
        return subjectType;
    }

    String subjectId() {
        return subjectId;
    }

    String subjectName() {
        return subjectName;
    }

    String text() {
        return text;
    }

    Entry toRecord() {
        return new Entry(
                id(),
                at,
                byName,
                subjectType,
                subjectId,
                subjectName,
                text,
                changes == null ? List.of() : changes,
                reversal().isPresent(),
                undone);
    }
}
