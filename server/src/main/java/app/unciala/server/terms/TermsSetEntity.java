package app.unciala.server.terms;

import app.unciala.server.license.LicenseDraft;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Objects;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.SQLRestriction;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A set of terms, kept as JSON like those of a license. */
@Entity
@Table(name = "terms_set")
@SQLRestriction("deleted_at is null")
class TermsSetEntity {
    @Id
    private String id = "";

    @Version
    private long version;

    private String name = "";

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable LicenseDraft terms;

    @Column
    private @Nullable Instant deletedAt;

    protected TermsSetEntity() {}

    TermsSetEntity(String id) {
        this.id = id;
    }

    void edit(LicenseDraft draft) {
        name = draft.name();
        terms = draft;
    }

    void delete(Instant at) {
        deletedAt = at;
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
        return Objects.requireNonNull(terms);
    }
}
