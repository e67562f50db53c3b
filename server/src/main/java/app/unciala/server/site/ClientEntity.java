package app.unciala.server.site;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** A client of the agency. */
@Entity
@Table(name = "client")
class ClientEntity {
    @Id
    private String id = "";

    @Version
    private long version;

    private String name = "";

    protected ClientEntity() {}

    ClientEntity(String id, String name) {
        this.id = id;
        this.name = name;
    }

    void rename(String newName) {
        name = newName;
    }

    ClientService.Client toRecord() {
        return new ClientService.Client(id, version, name);
    }

    String name() {
        return name;
    }

    long version() {
        return version;
    }
}
