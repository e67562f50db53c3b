package app.unciala.server.flag;

import app.unciala.core.flag.Cause;
import app.unciala.core.flag.Flag;
import app.unciala.core.flag.Flag.Severity;
import app.unciala.core.flag.FlagGroup;
import app.unciala.core.flag.FlagKind;
import app.unciala.core.flag.NextAction;
import app.unciala.core.license.Decision.Point;
import app.unciala.core.sentence.Sentences;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/**
 * A flag as it is kept: what the comparison found, since when, until when, and what people decided about it. One row
 * stays one flag by its identity, however often its cause comes and goes.
 */
@Entity
@Table(name = "flag")
class FlagEntity {
    private static final int LONGEST_TITLE = 2000;
    private static final int LONGEST_REASON = 4000;

    @Id
    private String id = "";

    @Version
    private long version;

    @Column
    private String identity = "";

    @Enumerated(EnumType.STRING)
    private FlagKind kind = FlagKind.NO_LICENSE;

    @Enumerated(EnumType.STRING)
    @Column(name = "flag_group")
    private FlagGroup group = FlagGroup.UNLICENSED;

    @Enumerated(EnumType.STRING)
    @Column
    private Severity severity = Severity.STOP;

    private int kindOrder;
    private String owner = "";
    private String cause = "";
    private String title = "";
    private String reason = "";

    @JdbcTypeCode(SqlTypes.JSON)
    private List<String> evidence = List.of();

    @Enumerated(EnumType.STRING)
    private NextAction action = NextAction.RECORD_LICENSE;

    private @Nullable String siteId;
    private @Nullable String familyId;
    private @Nullable String licenseId;
    private @Nullable String slot;
    private @Nullable String domain;
    private @Nullable String point;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<String> fileIds = List.of();

    private Instant since = Instant.EPOCH;
    private @Nullable Instant gone;
    private @Nullable LocalDate acceptedUntil;
    private @Nullable String acceptedReason;
    private @Nullable String acceptedBy;

    @Column
    private @Nullable Instant acceptedAt;

    private @Nullable String assignee;

    @Column
    private @Nullable String assignedBy;

    @Column
    private @Nullable Instant assignedAt;

    protected FlagEntity() {}

    FlagEntity(Flag flag, Instant now) {
        id = flag.id();
        identity = flag.identity();
        kind = flag.kind();
        group = kind.group();
        severity = kind.severity();
        kindOrder = kind.ordinal();
        since = now;
        describe(flag);
    }

    /** Takes over how the comparison describes the flag now; says whether anything differs. */
    final boolean describe(Flag flag) {
        String titled = Sentences.shortened(flag.title(), LONGEST_TITLE);
        String reasoned = Sentences.shortened(flag.reason(), LONGEST_REASON);
        boolean same = owner.equals(flag.owner().key())
                && title.equals(titled)
                && reason.equals(reasoned)
                && evidence.equals(flag.evidence())
                && action == flag.action()
                && fileIds.equals(flag.fileIds())
                && Optional.ofNullable(familyId)
                        .equals(flag.familyIds().stream().findFirst())
                && kindOrder == flag.kind().ordinal();
        if (!same) {
            owner = flag.owner().key();
            cause = Cause.of(flag).key();
            title = titled;
            reason = reasoned;
            evidence = flag.evidence();
            action = flag.action();
            fileIds = flag.fileIds();
            familyId = flag.familyIds().stream().findFirst().orElse(null);
            siteId = flag.subject().siteId().orElse(null);
            licenseId = flag.subject().licenseId().orElse(null);
            slot = flag.subject().slot().orElse(null);
            domain = flag.subject().domain().orElse(null);
            point = flag.subject().point().map(Enum::name).orElse(null);
            kindOrder = flag.kind().ordinal();
        }
        return !same;
    }

    void comeBack(Instant now) {
        since = now;
        gone = null;
    }

    void go(Instant now) {
        gone = now;
    }

    void accept(LocalDate until, String why, String by, Instant at) {
        acceptedUntil = until;
        acceptedReason = why;
        acceptedBy = by;
        acceptedAt = at;
    }

    void endAcceptance() {
        acceptedUntil = null;
        acceptedReason = null;
        acceptedBy = null;
        acceptedAt = null;
    }

    void assign(@Nullable String to, String by, Instant at) {
        assignee = to;
        assignedBy = by;
        assignedAt = at;
    }

    String id() {
        return id;
    }

    FlagKind kind() {
        return kind;
    }

    FlagGroup group() {
        return group;
    }

    String cause() {
        return cause;
    }

    String owner() {
        return owner;
    }

    String title() {
        return title;
    }

    String reason() {
        return reason;
    }

    List<String> evidence() {
        return evidence;
    }

    NextAction action() {
        return action;
    }

    String siteId() {
        return siteId == null ? "" : siteId;
    }

    String familyId() {
        return familyId == null ? "" : familyId;
    }

    String licenseId() {
        return licenseId == null ? "" : licenseId;
    }

    String slot() {
        return slot == null ? "" : slot;
    }

    /** The point that a license does not state. */
    Optional<Point> point() {
        return Optional.ofNullable(point).map(Point::valueOf);
    }

    String domain() {
        return domain == null ? "" : domain;
    }

    List<String> fileIds() {
        return fileIds;
    }

    Instant since() {
        return since;
    }

    @Nullable
    Instant gone() {
        return gone;
    }

    @Nullable
    LocalDate acceptedUntil() {
        return acceptedUntil;
    }

    String acceptedReason() {
        return acceptedReason == null ? "" : acceptedReason;
    }

    String acceptedBy() {
        return acceptedBy == null ? "" : acceptedBy;
    }

    String assignee() {
        return assignee == null ? "" : assignee;
    }
}
