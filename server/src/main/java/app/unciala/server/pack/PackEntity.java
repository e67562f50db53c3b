package app.unciala.server.pack;

import app.unciala.server.flag.AskedRow;
import app.unciala.server.site.SiteDelivery;
import app.unciala.server.site.SiteRole;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A pack that was made; its archive is in the store, and beside it what was asked, held and allowed then. */
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

    @JdbcTypeCode(SqlTypes.JSON)
    private List<Content> contents = List.of();

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable List<AskedRow> asked;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable List<String> domains;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable List<SiteRole> roles;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable SiteDelivery delivery;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable Map<String, String> familyNames;

    private @Nullable LocalDate placedOn;
    private @Nullable String anyway;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable List<String> ticked;

    private @Nullable Long fontBytes;

    protected PackEntity() {}

    PackEntity(String id, String siteId, Instant madeAt, String madeBy) {
        this.id = id;
        this.siteId = siteId;
        this.madeAt = madeAt;
        this.madeBy = madeBy;
    }

    /** Keeps what was made; {@code reason} says why it has what is not allowed, if it has. */
    void keep(String archive, long size, long fonts, List<Content> files, Basis basis, @Nullable String reason) {
        sha256 = archive;
        bytes = size;
        fontBytes = fonts;
        anyway = reason;
        contents = files;
        asked = basis.asked();
        domains = basis.domains();
        roles = basis.roles().orElse(null);
        delivery = basis.delivery().orElse(null);
        familyNames = basis.familyNames();
    }

    /** Says on which day it was placed on its host; nothing takes that back. */
    void place(@Nullable LocalDate day) {
        placedOn = day;
    }

    @Nullable
    LocalDate placedOn() {
        return placedOn;
    }

    @Nullable
    String anyway() {
        return anyway;
    }

    @Nullable
    Long fontBytes() {
        return fontBytes;
    }

    /** What of its checklist is done. */
    List<String> ticked() {
        return ticked == null ? List.of() : ticked;
    }

    void tick(String step, boolean done) {
        Set<String> all = new LinkedHashSet<>(ticked());
        if (done) {
            all.add(step);
        } else {
            all.remove(step);
        }
        ticked = List.copyOf(all);
    }

    /** What its host needs done by hand, as it was when it was made. */
    List<String> checklist() {
        return delivery == null ? List.of() : delivery.checklist().all();
    }

    String id() {
        return id;
    }

    String siteId() {
        return siteId;
    }

    String sha256() {
        return sha256;
    }

    Instant madeAt() {
        return madeAt;
    }

    String madeBy() {
        return madeBy;
    }

    long bytes() {
        return bytes;
    }

    List<Content> contents() {
        return contents;
    }

    /** What it was made from; unknown for packs of earlier versions. */
    Optional<Basis> basis() {
        return asked == null || domains == null
                ? Optional.empty()
                : Optional.of(new Basis(
                        domains,
                        asked,
                        Optional.ofNullable(roles),
                        Optional.ofNullable(delivery),
                        Objects.requireNonNullElse(familyNames, Map.of())));
    }
}
