package app.unciala.server.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;

/** A link by which one person sets a password, once, until it expires; only the digest of its token is kept. */
@Entity
class Invitation {
    @Id
    private String tokenHash = "";

    private String account = "";
    private Instant expiresAt = Instant.EPOCH;

    protected Invitation() {}

    Invitation(String tokenHash, String account, Instant expiresAt) {
        this.tokenHash = tokenHash;
        this.account = account;
        this.expiresAt = expiresAt;
    }

    String account() {
        return account;
    }

    boolean holdsAt(Instant time) {
        return time.isBefore(expiresAt);
    }
}
