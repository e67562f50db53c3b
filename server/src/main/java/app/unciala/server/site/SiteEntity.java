package app.unciala.server.site;

import app.unciala.server.http.Json;
import app.unciala.server.site.SiteService.Details;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** A client's site; domains and roles are kept together as JSON. */
@Entity
@Table(name = "site")
class SiteEntity {
    @Id
    private String id = "";

    @Version
    private long version;

    private String clientId = "";
    private String name = "";
    private String details = "";

    protected SiteEntity() {}

    SiteEntity(String id) {
        this.id = id;
    }

    void edit(String newClientId, String newName, Details newDetails) {
        clientId = newClientId;
        name = newName;
        details = Json.write(newDetails);
    }

    String id() {
        return id;
    }

    long version() {
        return version;
    }

    String clientId() {
        return clientId;
    }

    String name() {
        return name;
    }

    Details details() {
        return Json.read(details, Details.class);
    }
}
