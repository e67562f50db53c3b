package app.unciala.server.account;

import app.unciala.server.account.AccountService.Person;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** A person who may sign in, once a password is set, until removed. */
@Entity
class Account {
    @Id
    private String name = "";

    @Version
    private long version;

    private String displayName = "";
    private String passwordHash = "";

    @Enumerated(EnumType.STRING)
    @Column(name = "level")
    private Level level = Level.READER;

    private @Nullable Instant removedAt;

    protected Account() {}

    Account(String name, String displayName, Level level) {
        this.name = name;
        this.displayName = displayName;
        this.level = level;
    }

    void edit(String newDisplayName, Level newLevel) {
        displayName = newDisplayName;
        level = newLevel;
    }

    void setPassword(String hash) {
        passwordHash = hash;
    }

    void remove(Instant at) {
        removedAt = at;
        passwordHash = "";
    }

    void takeBack() {
        removedAt = null;
    }

    long version() {
        return version;
    }

    String name() {
        return name;
    }

    String displayName() {
        return displayName;
    }

    String passwordHash() {
        return passwordHash;
    }

    Level level() {
        return level;
    }

    boolean isRemoved() {
        return removedAt != null;
    }

    Person toRecord() {
        return new Person(name, version, displayName, level, isRemoved(), !passwordHash.isEmpty());
    }
}
