package app.unciala.server.site;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.hibernate.annotations.SQLRestriction;
import org.jspecify.annotations.Nullable;

/** A client of the agency. */
@Entity
@Table(name = "client")
@SQLRestriction("deleted_at is null")
class ClientEntity {
    @Id
    private String id = "";

    @Version
    private long version;

    private String name = "";

    @Column
    private @Nullable Instant deletedAt;

    protected ClientEntity() {}

    ClientEntity(String id, String name) {
        this.id = id;
        this.name = name;
    }

    void rename(String newName) {
        name = newName;
    }

    void delete(Instant at) {
        deletedAt = at;
    }

    ClientService.Client toRecord() {
        return new ClientService.Client(id, version, name);
    }

    String id() {
        return id;
    }

    String name() {
        return name;
    }

    long version() {
        return version;
    }
}
