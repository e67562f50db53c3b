package app.unciala.server.license;

import app.unciala.server.license.LicenseService.Agreement;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** An agreement that was attached to a license; its bytes are in the store, and it stays when a later one comes. */
@Entity
@Table(name = "agreement")
class AgreementEntity {
    @Id
    private String id = "";

    private String licenseId = "";
    private String fileName = "";
    private String sha256 = "";
    private long bytes;

    @Enumerated(EnumType.STRING)
    private DocumentKind kind = DocumentKind.AGREEMENT;

    private Instant addedAt = Instant.EPOCH;
    private String addedBy = "";

    protected AgreementEntity() {}

    AgreementEntity(String licenseId, Agreement agreement) {
        this.licenseId = licenseId;
        id = agreement.id();
        fileName = agreement.fileName();
        sha256 = agreement.sha256();
        bytes = agreement.bytes();
        kind = agreement.kind();
        addedAt = agreement.addedAt();
        addedBy = agreement.addedBy();
    }

    String licenseId() {
        return licenseId;
    }

    Agreement toRecord() {
        return new Agreement(id, kind, fileName, sha256, bytes, addedAt, addedBy);
    }
}
