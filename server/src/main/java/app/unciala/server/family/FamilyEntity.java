package app.unciala.server.family;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.text.Normalizer;
import java.time.Instant;
import java.util.Locale;

/** A family; {@code nameKey} is its name without case, spaces and hyphens, so that one family has one name. */
@Entity
@Table(name = "family")
class FamilyEntity {
    @Id
    private String id = "";

    @Version
    private long version;

    private String name = "";
    private String nameKey = "";
    private Instant createdAt = Instant.EPOCH;

    protected FamilyEntity() {}

    FamilyEntity(String id, String name, Instant createdAt) {
        this.id = id;
        this.createdAt = createdAt;
        rename(name);
    }

    static String keyOf(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFKC)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[\\s_-]+", "");
    }

    final void rename(String newName) {
        name = newName;
        nameKey = keyOf(newName);
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
