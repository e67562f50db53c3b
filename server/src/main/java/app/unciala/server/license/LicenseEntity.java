package app.unciala.server.license;

import app.unciala.server.http.Json;
import app.unciala.server.license.LicenseService.Agreement;
import app.unciala.server.license.LicenseService.LicenseDraft;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A license; its terms are kept together as JSON, the agreement's bytes in the store. */
@Entity
@Table(name = "license")
class LicenseEntity {
    @Id
    private String id = "";

    @Version
    private long version;

    private String name = "";
    private String terms = "";
    private @Nullable String agreementName;
    private @Nullable String agreementSha256;
    private @Nullable Long agreementBytes;

    protected LicenseEntity() {}

    LicenseEntity(String id) {
        this.id = id;
    }

    void edit(LicenseDraft draft) {
        name = draft.name();
        terms = Json.write(draft);
    }

    void attach(Agreement agreement) {
        agreementName = agreement.fileName();
        agreementSha256 = agreement.sha256();
        agreementBytes = agreement.bytes();
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

    LicenseDraft terms() {
        return Json.read(terms, LicenseDraft.class);
    }

    Optional<Agreement> agreement() {
        return agreementName == null || agreementSha256 == null || agreementBytes == null
                ? Optional.empty()
                : Optional.of(new Agreement(agreementName, agreementSha256, agreementBytes));
    }
}
