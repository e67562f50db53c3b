package app.unciala.server.family;

import app.unciala.server.inventory.Texts;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.hibernate.annotations.SQLRestriction;
import org.jspecify.annotations.Nullable;

/** A family; {@code nameKey} is its name in the form in which names compare equal. */
@Entity
@Table(name = "family")
@SQLRestriction("deleted_at is null")
class FamilyEntity {
    private static final int LONGEST_KEY = 300;

    @Id
    private String id = "";

    @Version
    private long version;

    private String name = "";
    private String nameKey = "";
    private String foundry = "";
    private String classification = "";

    @Column
    private Instant createdAt = Instant.EPOCH;

    @Column
    private @Nullable Instant deletedAt;

    protected FamilyEntity() {}

    FamilyEntity(String id, String name, Instant createdAt) {
        this.id = id;
        this.createdAt = createdAt;
        rename(name);
    }

    final void rename(String newName) {
        name = newName;
        nameKey = Texts.familyKey(newName);
    }

    /** Records who made it and what kind of type it is; an empty text is not known. */
    final void describe(String madeBy, String kind) {
        foundry = madeBy;
        classification = kind;
    }

    String foundry() {
        return foundry;
    }

    String classification() {
        return classification;
    }

    /** Deletes it and gives its name free for another family. */
    void delete(Instant at) {
        deletedAt = at;
        nameKey = Texts.cut("\t" + id + nameKey, LONGEST_KEY);
    }

    String id() {
        return id;
    }

    long version() {
        return version;
    }

    String name() {
        return name;
    }

    String nameKey() {
        return nameKey;
    }
}
