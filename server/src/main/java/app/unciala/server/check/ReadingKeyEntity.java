package app.unciala.server.check;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A key that one reading of a page may be sent with; only its digest is kept. */
@Entity
@Table(name = "reading_key")
class ReadingKeyEntity {
    @Id
    private String digest = "";

    private String siteId = "";
    private String askedBy = "";
    private Instant endsAt = Instant.EPOCH;

    protected ReadingKeyEntity() {}

    ReadingKeyEntity(String digest, String siteId, String askedBy, Instant endsAt) {
        this.digest = digest;
        this.siteId = siteId;
        this.askedBy = askedBy;
        this.endsAt = endsAt;
    }

    String siteId() {
        return siteId;
    }

    String askedBy() {
        return askedBy;
    }

    Instant endsAt() {
        return endsAt;
    }
}
