package app.unciala.server.license;

import app.unciala.core.license.Basis;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.SQLRestriction;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A license; its terms are kept together as JSON, what they are looked up by stands beside them. */
@Entity
@Table(name = "license")
@SQLRestriction("deleted_at is null")
class LicenseEntity {
    private static final LocalDate NEVER = LocalDate.of(9999, 12, 31);

    @Id
    private String id = "";

    @Version
    private long version;

    private String name = "";

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable LicenseDraft terms;

    @Enumerated(EnumType.STRING)
    @Column
    private Basis basis = Basis.CUSTOM;

    @Column
    private @Nullable LocalDate begins;

    private @Nullable LocalDate ends;

    @Column
    private @Nullable LocalDate noticeFrom;

    @Column
    private LocalDate endsOrNever = NEVER;

    @Column
    private String searchText = "";

    @Column
    private @Nullable String holderId;

    @Column
    private @Nullable Long pageViewLimit;

    @Column
    private @Nullable LocalDate nextPayment;

    @Column
    private @Nullable Instant deletedAt;

    @Column
    private int agreements;

    protected LicenseEntity() {}

    LicenseEntity(String id) {
        this.id = id;
    }

    void edit(LicenseDraft draft) {
        name = draft.name();
        terms = draft;
        basis = draft.basis();
        begins = draft.begins();
        ends = draft.ends();
        endsOrNever = ends == null ? NEVER : ends;
        noticeFrom = ends == null ? null : ends.minusDays(draft.notice());
        holderId = draft.holderId();
        pageViewLimit = draft.pageViewLimit();
        nextPayment = draft.nextPayment();
        searchText = String.join(" ", draft.name(), draft.vendor(), String.join(" ", draft.domains()))
                .toLowerCase(Locale.ROOT);
    }

    /** Counts one more agreement, so that the version goes up. */
    void attach() {
        agreements++;
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

    Set<String> familyIds() {
        Set<String> ids = new TreeSet<>();
        terms().covers().stream().map(Covered::familyId).forEach(ids::add);
        return ids;
    }
}
