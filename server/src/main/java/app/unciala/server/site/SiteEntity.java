package app.unciala.server.site;

import app.unciala.core.domain.DomainName;
import app.unciala.server.site.SiteService.Details;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.annotations.SQLRestriction;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A client's site; domains and roles are kept together as JSON. */
@Entity
@Table(name = "site")
@SQLRestriction("deleted_at is null")
class SiteEntity {
    @Id
    private String id = "";

    @Version
    private long version;

    private String clientId = "";
    private String name = "";

    @JdbcTypeCode(SqlTypes.JSON)
    private Details details = new Details(List.of(), List.of(), List.of(), SiteDelivery.usual(), Map.of());

    /** Follows other records, too, such as the client's name; that does not count as an edit of the site. */
    @Column
    @OptimisticLock(excluded = true)
    private String searchText = "";

    @Column
    private @Nullable Instant deletedAt;

    protected SiteEntity() {}

    SiteEntity(String id) {
        this.id = id;
    }

    void edit(String newClientId, String clientName, String newName, Details newDetails) {
        clientId = newClientId;
        name = newName;
        details = newDetails;
        findBy(clientName);
    }

    /** Lets the site be found by its name, its domains and the name of its client. */
    void findBy(String clientName) {
        searchText = Stream.concat(
                        Stream.of(name, clientName),
                        details.domains().stream()
                                .flatMap(domain -> Stream.of(domain, new DomainName(domain).display())))
                .distinct()
                .collect(Collectors.joining(" "))
                .toLowerCase(Locale.ROOT);
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

    String clientId() {
        return clientId;
    }

    String name() {
        return name;
    }

    Details details() {
        return details;
    }

    /** The families that the site's text roles are set in. */
    Set<String> familyIds() {
        Set<String> ids = new TreeSet<>();
        details.roles().stream().map(SiteRole::familyId).forEach(ids::add);
        return ids;
    }
}
