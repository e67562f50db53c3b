package app.unciala.server.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;

/** A person who may sign in. */
@Entity
class Account {
    @Id
    private String name = "";

    private String displayName = "";
    private String passwordHash = "";

    protected Account() {}

    Account(String name, String displayName, String passwordHash) {
        this.name = name;
        this.displayName = displayName;
        this.passwordHash = passwordHash;
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
}
