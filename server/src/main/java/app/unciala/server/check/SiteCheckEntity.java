package app.unciala.server.check;

import app.unciala.server.inventory.Texts;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A check of a site's pages. */
@Entity
@Table(name = "site_check")
class SiteCheckEntity {
    private static final int LONGEST = 2000;

    @Id
    private String id = "";

    private String siteId = "";

    @Enumerated(EnumType.STRING)
    private CheckState state = CheckState.WAITING;

    private Instant askedAt = Instant.EPOCH;
    private String askedBy = "";
    private @Nullable Instant endedAt;
    private int pagesRead;
    private int pagesKnown;
    private String page = "";
    private @Nullable String failure;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable CheckReport report;

    protected SiteCheckEntity() {}

    SiteCheckEntity(String id, String siteId, Instant askedAt, String askedBy) {
        this.id = id;
        this.siteId = siteId;
        this.askedAt = askedAt;
        this.askedBy = askedBy;
    }

    void reading(String url, int read, int known) {
        state = CheckState.READING;
        page = Texts.cut(url, LONGEST);
        pagesRead = read;
        pagesKnown = known;
    }

    void end(CheckState how, Instant at, CheckReport found) {
        state = how;
        endedAt = at;
        page = "";
        report = found;
        pagesRead = found.pages().size();
        pagesKnown = pagesRead;
    }

    void stop(Instant at) {
        state = CheckState.STOPPED;
        endedAt = at;
    }

    void fail(Instant at, String why) {
        state = CheckState.FAILED;
        endedAt = at;
        failure = Texts.cut(why, LONGEST);
    }

    String id() {
        return id;
    }

    String siteId() {
        return siteId;
    }

    CheckState state() {
        return state;
    }

    Instant askedAt() {
        return askedAt;
    }

    String askedBy() {
        return askedBy;
    }

    @Nullable
    Instant endedAt() {
        return endedAt;
    }

    int pagesRead() {
        return pagesRead;
    }

    int pagesKnown() {
        return pagesKnown;
    }

    String page() {
        return page;
    }

    @Nullable
    String failure() {
        return failure;
    }

    Optional<CheckReport> report() {
        return Optional.ofNullable(report);
    }
}
