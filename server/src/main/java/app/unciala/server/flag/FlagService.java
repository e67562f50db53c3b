package app.unciala.server.flag;

import app.unciala.core.flag.Flag.Severity;
import app.unciala.core.flag.FlagGroup;
import app.unciala.core.flag.FlagKind;
import app.unciala.core.flag.NextAction;
import app.unciala.core.license.Decision.Point;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Parts;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import jakarta.persistence.criteria.Subquery;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.KeysetScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.data.jpa.domain.Specification;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The kept flags, read one by one, gathered by what they have in common, or counted. */
@Service
public class FlagService {
    private static final Sort BY_KIND = Sort.by("kindOrder", "id");
    private static final Sort OLDEST_FIRST = Sort.by("since", "id");

    private final FlagRepository flags;
    private final SiteComparisonRepository comparisons;
    private final JdbcClient database;

    FlagService(FlagRepository flags, SiteComparisonRepository comparisons, JdbcClient database) {
        this.flags = flags;
        this.comparisons = comparisons;
        this.database = database;
    }

    /** A flag as it is shown; ids and names that do not apply are empty, {@code gone} is null while it stands. */
    public record FlagView(
            String id,
            FlagGroup group,
            FlagKind kind,
            Severity severity,
            String title,
            String reason,
            List<String> evidence,
            NextAction action,
            String cause,
            String siteId,
            String siteName,
            String familyId,
            String familyName,
            String licenseId,
            String licenseName,
            String slot,

            /** The point that a license does not state, and what the vendor is asked about it. */
            String point,

            String question,
            String domain,
            List<String> fileIds,
            Instant since,

            @Schema(
                    types = {"string", "null"},
                    format = "date-time")
            @Nullable
            Instant gone,

            @Schema(
                    types = {"string", "null"},
                    format = "date")
            @Nullable
            LocalDate acceptedUntil,

            String acceptedReason,
            String acceptedBy,
            String assignee) {}

    /** Which flags stand, by what people decided. */
    public enum State {
        /** All whose cause is there. */
        CURRENT,
        /** Those that nobody accepted. */
        OPEN,
        /** Those that somebody accepted until a day. */
        ACCEPTED,
        /** Those whose cause went. */
        GONE
    }

    /** What to look for; null and empty lists ask for nothing. */
    public record Filter(
            State state,
            @Nullable FlagGroup group,
            @Nullable Severity severity,
            @Nullable String cause,
            List<String> sites,
            List<String> families,
            List<String> licenses,
            @Nullable String assignee) {
        boolean isEmpty() {
            return cause == null
                    && sites.isEmpty()
                    && families.isEmpty()
                    && licenses.isEmpty()
                    && assignee == null
                    && state == State.OPEN;
        }
    }

    /** What flags are gathered by. */
    public enum By {
        CAUSE,
        SITE,
        FAMILY,
        LICENSE,
        PERSON
    }

    /**
     * Several flags as one; {@code key} is a cause, or the id of what they share, {@code action} that of
     * the first, and {@code single} the flag itself where there is only one.
     */
    public record Gathered(
            By by,
            String key,
            String title,
            FlagGroup group,
            Severity severity,
            @Nullable FlagKind kind,
            @Nullable NextAction action,
            int count,
            int accepted,
            int families,
            int sites,
            Instant since,
            String licenseId,
            String familyId,
            @Nullable FlagView single) {
        Gathered with(FlagView flag) {
            return new Gathered(
                    by, key, title, group, severity, kind, action, count, accepted, families, sites, since, licenseId,
                    familyId, flag);
        }
    }

    /** How many flags of one group and severity stand, and for how many causes. */
    public record Count(FlagGroup group, Severity severity, int open, int accepted, int causes) {}

    @Transactional(readOnly = true)
    public Page<FlagView> list(Filter filter, boolean oldestFirst, @Nullable String cursor, int limit) {
        Sort sort = oldestFirst ? OLDEST_FIRST : BY_KIND;
        KeysetScrollPosition position =
                Cursor.read(cursor, Cursor.keys(sort, oldestFirst ? Instant.EPOCH : (Object) 0, ""));
        Window<FlagEntity> window = flags.<FlagEntity, Window<FlagEntity>>findBy(
                wanted(filter),
                query -> query.sortBy(sort).limit(Cursor.limit(limit).max()).scroll(position));
        return Page.of(window, views(window.getContent()));
    }

    @Transactional(readOnly = true)
    public FlagView get(String id) {
        return views(List.of(find(id))).get(0);
    }

    @Transactional(readOnly = true)
    public List<Count> counts() {
        return database.sql("select flag_group, severity, sum(open_count), sum(accepted_count),"
                        + " count(*) filter (where open_count > 0)"
                        + " from flag_cause group by flag_group, severity order by flag_group desc, severity")
                .query((row, number) -> new Count(
                        FlagGroup.valueOf(row.getString(1)),
                        Severity.valueOf(row.getString(2)),
                        row.getInt(3),
                        row.getInt(4),
                        row.getInt(5)))
                .list();
    }

    /** The rows of a site, one for each face that each of its roles asks for, as last compared. */
    @Transactional(readOnly = true)
    public List<AskedRow> comparison(String siteId) {
        return comparisons.findById(siteId).map(SiteComparison::rows).orElse(List.of());
    }

    /** The entity of a flag, for decisions about it. */
    FlagEntity find(String id) {
        return flags.findById(id).orElseThrow(() -> Fault.notFound("flag", id));
    }

    static Specification<FlagEntity> wanted(Filter filter) {
        return (flag, query, build) -> {
            List<Predicate> all = new ArrayList<>();
            switch (filter.state()) {
                case CURRENT -> all.add(build.isNull(flag.get("gone")));
                case OPEN -> {
                    all.add(build.isNull(flag.get("gone")));
                    all.add(build.isNull(flag.get("acceptedUntil")));
                }
                case ACCEPTED -> {
                    all.add(build.isNull(flag.get("gone")));
                    all.add(build.isNotNull(flag.get("acceptedUntil")));
                }
                case GONE -> all.add(build.isNotNull(flag.get("gone")));
            }
            if (filter.group() != null) {
                all.add(build.equal(flag.get("group"), filter.group()));
            }
            if (filter.severity() != null) {
                all.add(build.equal(flag.get("severity"), filter.severity()));
            }
            if (filter.cause() != null) {
                all.add(build.equal(flag.get("cause"), filter.cause()));
            }
            if (!filter.sites().isEmpty()) {
                all.add(flag.get("siteId").in(filter.sites()));
            }
            if (!filter.licenses().isEmpty()) {
                all.add(flag.get("licenseId").in(filter.licenses()));
            }
            if (!filter.families().isEmpty()) {
                Subquery<String> shown = query.subquery(String.class);
                Root<FlagFamily> link = shown.from(FlagFamily.class);
                shown.select(link.get("flagId")).where(link.get("familyId").in(filter.families()));
                all.add(flag.get("id").in(shown));
            }
            if (filter.assignee() != null) {
                all.add(build.equal(flag.get("assignee"), filter.assignee()));
            }
            return build.and(all.toArray(Predicate[]::new));
        };
    }

    /** With three more queries, for the names of all they speak of. */
    private List<FlagView> views(List<FlagEntity> rows) {
        Map<String, String> sites =
                names("site", rows.stream().map(FlagEntity::siteId).toList());
        Map<String, String> families =
                names("family", rows.stream().map(FlagEntity::familyId).toList());
        Map<String, String> licenses =
                names("license", rows.stream().map(FlagEntity::licenseId).toList());
        return rows.stream()
                .map(row -> new FlagView(
                        row.id(),
                        row.group(),
                        row.kind(),
                        row.kind().severity(),
                        row.title(),
                        row.reason(),
                        row.evidence(),
                        row.action(),
                        row.cause(),
                        row.siteId(),
                        sites.getOrDefault(row.siteId(), ""),
                        row.familyId(),
                        families.getOrDefault(row.familyId(), ""),
                        row.licenseId(),
                        licenses.getOrDefault(row.licenseId(), ""),
                        row.slot(),
                        row.point().map(Point::name).orElse(""),
                        row.point().map(point -> point.question(host(row))).orElse(""),
                        row.domain(),
                        row.fileIds(),
                        row.since(),
                        row.gone(),
                        row.acceptedUntil(),
                        row.acceptedReason(),
                        row.acceptedBy(),
                        row.assignee()))
                .toList();
    }

    private static Optional<String> host(FlagEntity row) {
        return Optional.of(row.domain()).filter(domain -> !domain.isEmpty());
    }

    private Map<String, String> names(String table, Collection<String> ids) {
        Map<String, String> names = new HashMap<>();
        List<String> given = ids.stream().filter(id -> !id.isEmpty()).distinct().toList();
        Parts.of(given, part -> database.sql("select id, name from " + table + " where id in (:ids)")
                .param("ids", part)
                .query((row, number) -> names.put(row.getString(1), row.getString(2)))
                .list());
        return names;
    }

    /**
     * Flags gathered by what they share, the gravest kinds first, the most at the top of their kind; without a filter
     * by cause these are the counts that are kept.
     */
    @Transactional(readOnly = true)
    public List<Gathered> gathered(By by, Filter filter, int limit) {
        List<Gathered> entries =
                new Gathering(database).read(by, filter, Cursor.limit(limit).max());
        List<String> alone = entries.stream()
                .filter(entry -> by == By.CAUSE && entry.count() == 1)
                .map(Gathered::key)
                .toList();
        Specification<FlagEntity> ofThose =
                (flag, query, build) -> flag.get("cause").in(alone);
        Map<String, FlagView> singles = new HashMap<>();
        if (!alone.isEmpty()) {
            views(flags.findAll(wanted(filter).and(ofThose))).forEach(flag -> singles.put(flag.cause(), flag));
        }
        return entries.stream()
                .map(entry -> singles.containsKey(entry.key()) ? entry.with(singles.get(entry.key())) : entry)
                .toList();
    }
}
