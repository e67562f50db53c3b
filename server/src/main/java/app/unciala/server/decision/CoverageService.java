package app.unciala.server.decision;

import app.unciala.core.domain.DomainName;
import app.unciala.core.flag.CoverageTable;
import app.unciala.core.flag.CoverageTable.Cell;
import app.unciala.core.flag.Snapshot;
import app.unciala.core.license.Amendment;
import app.unciala.core.license.Amendment.Wish;
import app.unciala.core.license.Decision;
import app.unciala.core.license.Decision.Point;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.License;
import app.unciala.core.license.LicenseQuestions;
import app.unciala.core.license.Verdict;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.SnapshotLoader;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.listing.Cursor;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.core.simple.JdbcClient.StatementSpec;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Families against sites: where each may be used, and where it is. */
@Service
public class CoverageService {
    private static final String STOPS = "f.gone is null and f.flag_group = 'UNLICENSED' and f.severity = 'STOP'";

    private static final String SITES = "t.deleted_at is null and (:client is null or t.client_id = :client)";

    private static final int MOST_EXTENSIBLE = 20;
    private static final int MOST_OF_FOUNDRY = 200;

    private final SnapshotLoader snapshots;
    private final LicenseService licenses;
    private final JdbcClient database;

    CoverageService(SnapshotLoader snapshots, LicenseService licenses, JdbcClient database) {
        this.snapshots = snapshots;
        this.licenses = licenses;
        this.database = database;
    }

    /** Which families and sites to cross; what is null is not asked for. {@code used} leaves out what no site asks for. */
    public record CoverageFilter(
            @Nullable String name, @Nullable String client, boolean used) {}

    public record SiteHead(String id, String name, String clientId, String clientName) {}

    /** A family on a site; {@code asked} when a text role of the site is set in it. */
    public record Crossed(
            String siteId,
            Verdict verdict,
            boolean asked,
            @Schema(types = {"string", "null"}) @Nullable String licenseId,
            boolean partly) {
        static Crossed of(Cell cell) {
            return new Crossed(
                    cell.siteId(),
                    cell.verdict(),
                    cell.asked(),
                    cell.licenseId().orElse(null),
                    cell.partly());
        }
    }

    public record FamilyRow(String familyId, String familyName, List<Crossed> crossings) {}

    /** A part of the table: its columns and rows, those with trouble first, and where the next ones begin. */
    public record Table(
            List<SiteHead> sites,
            @Schema(types = {"string", "null"}) @Nullable String nextSites,
            List<FamilyRow> items,
            @Schema(types = {"string", "null"}) @Nullable String next) {}

    /** How many rows and columns the whole table has. */
    public record Size(long families, long sites) {}

    /** What one license says of a family on a site. */
    public record Says(
            String licenseId, String licenseName, Verdict verdict, List<Decision.Reason> reasons, boolean partly) {}

    /**
     * A license that would allow the family on the site once its vendor agreed to more; {@code family} when it does not
     * cover the whole family, {@code domains} that it does not permit.
     */
    public record Extensible(String licenseId, String licenseName, boolean family, List<String> domains) {}

    /**
     * One crossing in full: the faces that the site asks for, and what each license that covers the family says, the
     * best first. {@code lacking} are the domains of the site that the best one does not permit; {@code extensible} the
     * licenses for this family, or others of its foundry, that would allow it once they were extended.
     */
    public record Explained(
            String familyId,
            String familyName,
            String siteId,
            String siteName,
            Verdict verdict,
            List<String> faces,
            List<String> lacking,
            List<Says> licenses,
            List<Extensible> extensible) {}

    @Transactional(readOnly = true)
    public Table table(
            CoverageFilter question, @Nullable String cursor, int limit, @Nullable String siteCursor, int siteLimit) {
        int families = Cursor.limit(limit).max();
        int columns = Cursor.limit(siteLimit).max();
        int firstFamily = offset("cursor", cursor);
        int firstSite = offset("siteCursor", siteCursor);
        List<SiteHead> heads = heads(question, firstSite, columns + 1);
        List<String> familyIds = familyIds(question, firstFamily, families + 1);
        List<SiteHead> shown = heads.subList(0, Math.min(columns, heads.size()));
        List<String> rows = familyIds.subList(0, Math.min(families, familyIds.size()));
        Snapshot snapshot = snapshots.loadCrossing(
                Set.copyOf(rows), shown.stream().map(SiteHead::id).collect(Collectors.toSet()));
        List<Snapshot.Site> sites = shown.stream()
                .flatMap(head -> snapshot.site(head.id()).stream())
                .toList();
        CoverageTable table = new CoverageTable(snapshot);
        return new Table(
                shown,
                heads.size() > columns ? String.valueOf(firstSite + columns) : null,
                rows.stream()
                        .map(id -> new FamilyRow(
                                id,
                                snapshot.family(id).orElseThrow().name(),
                                table.row(id, sites).stream().map(Crossed::of).toList()))
                        .toList(),
                familyIds.size() > families ? String.valueOf(firstFamily + families) : null);
    }

    @Transactional(readOnly = true)
    public Size size(CoverageFilter question) {
        return new Size(
                database.sql("select count(*) from family t where " + conditions(question))
                        .param("name", pattern(question))
                        .param("client", question.client())
                        .query(Long.class)
                        .single(),
                database.sql("select count(*) from site t where " + SITES)
                        .param("client", question.client())
                        .query(Long.class)
                        .single());
    }

    @Transactional(readOnly = true)
    public Explained explain(String familyId, String siteId) {
        Snapshot snapshot = snapshots.loadCrossing(Set.of(familyId), Set.of(siteId));
        Snapshot.Family family = snapshot.family(familyId).orElseThrow(() -> Fault.notFound("family", familyId));
        Snapshot.Site site = snapshot.site(siteId).orElseThrow(() -> Fault.notFound("site", siteId));
        Cell cell = new CoverageTable(snapshot).row(familyId, List.of(site)).get(0);
        List<Says> says = snapshot.licensesCovering(familyId).stream()
                .map(license -> says(snapshot, license, site, familyId))
                .sorted(Comparator.comparing(Says::verdict)
                        .thenComparing(one -> !cell.licenseId().equals(Optional.of(one.licenseId()))))
                .toList();
        return new Explained(
                familyId,
                family.name(),
                siteId,
                site.name(),
                cell.verdict(),
                site.asks().stream()
                        .filter(ask -> ask.familyId().equals(familyId))
                        .map(ask -> ask.slot().label())
                        .distinct()
                        .toList(),
                cell.licenseId()
                        .flatMap(snapshot::license)
                        .map(license -> lacking(snapshot, license, site))
                        .orElse(List.of()),
                says,
                cell.verdict() == Verdict.ALLOWED ? List.of() : extensible(snapshot, site, familyId));
    }

    /** Of the licenses for the family, and for others of its foundry: no vendor extends the license of another. */
    private List<Extensible> extensible(Snapshot snapshot, Snapshot.Site site, String familyId) {
        Wish wish = new Wish(familyId, site.places(), site.clientId(), snapshot.today());
        return licenses.covering(ofSameFoundry(familyId)).stream()
                .map(Recorded::toLicense)
                .flatMap(license -> Amendment.of(license, wish).stream()
                        .map(amendment -> new Extensible(
                                license.id(),
                                license.name(),
                                amendment.family(),
                                amendment.domains().stream()
                                        .map(DomainName::ascii)
                                        .toList())))
                .sorted(Comparator.comparing((Extensible one) -> one.family())
                        .thenComparing(one -> one.domains().size())
                        .thenComparing(Extensible::licenseName))
                .limit(MOST_EXTENSIBLE)
                .toList();
    }

    private List<String> ofSameFoundry(String familyId) {
        return database.sql("select t.id from family t where t.id = :id or t.deleted_at is null and t.foundry <> ''"
                        + " and t.foundry = (select f.foundry from family f where f.id = :id)"
                        + " order by t.id limit :most")
                .param("id", familyId)
                .param("most", MOST_OF_FOUNDRY)
                .query(String.class)
                .list();
    }

    private static Says says(Snapshot snapshot, License license, Snapshot.Site site, String familyId) {
        Map<Place, Decision> decisions = decisions(snapshot, license, site);
        Set<Decision.Reason> reasons = new LinkedHashSet<>();
        decisions.values().forEach(decision -> reasons.addAll(decision.against()));
        if (reasons.isEmpty()) {
            decisions.values().forEach(decision -> reasons.addAll(decision.reasons()));
        }
        return new Says(
                license.id(),
                license.name(),
                decisions.values().stream().map(Decision::verdict).reduce(Verdict.ALLOWED, Verdict::and),
                List.copyOf(reasons),
                license.coversPartly(familyId));
    }

    private static List<String> lacking(Snapshot snapshot, License license, Snapshot.Site site) {
        return decisions(snapshot, license, site).entrySet().stream()
                .filter(decided ->
                        decided.getValue().against().stream().anyMatch(reason -> reason.point() == Point.DOMAIN))
                .map(decided -> decided.getKey().host().ascii())
                .toList();
    }

    private static Map<Place, Decision> decisions(Snapshot snapshot, License license, Snapshot.Site site) {
        return site.places().stream()
                .collect(Collectors.toMap(
                        place -> place,
                        place -> LicenseQuestions.served(license, place, site.clientId(), snapshot.today()),
                        (a, b) -> a,
                        LinkedHashMap::new));
    }

    private List<SiteHead> heads(CoverageFilter question, int offset, int limit) {
        List<String> ids = worstFirst("site", SITES, question, offset, limit);
        return database
                .sql("select t.id, t.name, t.client_id, c.name from site t join client c on c.id = t.client_id"
                        + " where t.id in (:ids)")
                .param("ids", ids)
                .query((row, number) ->
                        new SiteHead(row.getString(1), row.getString(2), row.getString(3), row.getString(4)))
                .list()
                .stream()
                .sorted(Comparator.comparingInt(head -> ids.indexOf(head.id())))
                .toList();
    }

    private List<String> familyIds(CoverageFilter question, int offset, int limit) {
        return worstFirst("family", conditions(question), question, offset, limit);
    }

    /**
     * The ids of the rows of a table that fit: those with flags that stop something, the most first, then the others by
     * name. In two queries, as counting the flags of each row by itself takes a second for 5,000 rows.
     */
    private List<String> worstFirst(String table, String conditions, CoverageFilter question, int offset, int limit) {
        List<String> troubled = ids(
                        "select t.id from flag f join " + table + " t on t.id = f." + table + "_id where " + conditions
                                + " and " + STOPS + " group by t.id, t.name order by count(*) desc, t.name, t.id",
                        question)
                .query(String.class)
                .list();
        List<String> page = new ArrayList<>(
                troubled.subList(Math.min(offset, troubled.size()), Math.min(offset + limit, troubled.size())));
        // Asked even when the page is full: a list takes the same statements whatever it holds.
        page.addAll(ids(
                        "select t.id from " + table + " t where " + conditions
                                + " and not exists (select 1 from flag f where f." + table + "_id = t.id and "
                                + STOPS + ") order by t.name, t.id limit :limit offset :offset",
                        question)
                .param("limit", limit - page.size())
                .param("offset", Math.max(0, offset - troubled.size()))
                .query(String.class)
                .list());
        return page;
    }

    private StatementSpec ids(String sql, CoverageFilter question) {
        return database.sql(sql).param("name", pattern(question)).param("client", question.client());
    }

    private static String conditions(CoverageFilter question) {
        return "t.deleted_at is null and lower(t.name) like :name"
                + (question.used()
                        ? " and exists (select 1 from site_family l join site s on s.id = l.site_id"
                                + " where l.family_id = t.id and s.deleted_at is null"
                                + " and (:client is null or s.client_id = :client))"
                        : "");
    }

    private static String pattern(CoverageFilter question) {
        String name = question.name() == null ? "" : question.name();
        return "%" + name.strip().toLowerCase(Locale.ROOT).replaceAll("[%_\\\\]", "") + "%";
    }

    private static int offset(String field, @Nullable String cursor) {
        if (cursor == null || cursor.isBlank()) {
            return 0;
        }
        if (!cursor.matches("[0-9]{1,7}")) {
            throw Fault.invalid(field, "This cursor doesn’t belong to this list.");
        }
        return Integer.parseInt(cursor);
    }
}
