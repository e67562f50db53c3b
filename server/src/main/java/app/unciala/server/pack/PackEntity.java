package app.unciala.server.pack;

import app.unciala.server.http.Json;
import app.unciala.server.pack.PackService.Content;
import app.unciala.server.pack.PackService.PackView;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;

/** A pack that was made; its archive is in the store. */
@Entity
@Table(name = "pack")
class PackEntity {
    @Id
    private String id = "";

    private String siteId = "";
    private Instant madeAt = Instant.EPOCH;
    private String madeBy = "";
    private String sha256 = "";
    private long bytes;
    private String contents = "";

    protected PackEntity() {}

    PackEntity(String id, String siteId, Instant madeAt, String madeBy) {
        this.id = id;
        this.siteId = siteId;
        this.madeAt = madeAt;
        this.madeBy = madeBy;
    }

    void keep(String archive, long size, List<Content> files) {
        sha256 = archive;
        bytes = size;
        contents = Json.write(files);
    }

    String sha256() {
        return sha256;
    }

    PackView toRecord() {
        return new PackView(id, siteId, madeAt, madeBy, sha256, bytes, List.of(Json.read(contents, Content[].class)));
    }
}
