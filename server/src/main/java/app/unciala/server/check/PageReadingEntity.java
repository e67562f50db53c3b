package app.unciala.server.check;

import app.unciala.core.page.BrowserReading;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.Texts;
import app.unciala.server.storage.FileStore.Stored;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A page as somebody's own browser read it; its content is a stored file. */
@Entity
@Table(name = "page_reading")
class PageReadingEntity {
    private static final int LONGEST_TITLE = 600;

    @Id
    private String id = "";

    private String siteId = "";
    private String url = "";
    private String title = "";
    private boolean textKept;
    private Instant takenAt = Instant.EPOCH;
    private String takenBy = "";
    private String sha256 = "";
    private long bytes;

    protected PageReadingEntity() {}

    PageReadingEntity(String siteId, String url) {
        id = Ids.next();
        this.siteId = siteId;
        this.url = url;
    }

    /** Takes a later reading of the page in place of the one before. */
    void take(BrowserReading reading, Stored content, Instant at, String by) {
        title = Texts.cut(reading.title(), LONGEST_TITLE);
        textKept = reading.textKept();
        takenAt = at;
        takenBy = by;
        sha256 = content.sha256();
        bytes = content.bytes();
    }

    String id() {
        return id;
    }

    String siteId() {
        return siteId;
    }

    String url() {
        return url;
    }

    String title() {
        return title;
    }

    boolean textKept() {
        return textKept;
    }

    Instant takenAt() {
        return takenAt;
    }

    String takenBy() {
        return takenBy;
    }

    String sha256() {
        return sha256;
    }

    long bytes() {
        return bytes;
    }
}
