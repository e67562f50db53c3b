package app.unciala.server.flag;

import app.unciala.core.flag.Cause;
import app.unciala.core.flag.Flag.Severity;
import app.unciala.core.flag.FlagGroup;
import app.unciala.core.flag.FlagKind;
import app.unciala.server.flag.FlagService.By;
import app.unciala.server.flag.FlagService.Filter;
import app.unciala.server.flag.FlagService.Gathered;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Reads flags gathered by what they share, in one query. */
final class Gathering {
    private static final String NAMES =
            " left join license l on l.id = g.license_id" + " left join family f on f.id = g.family_id";

    private final JdbcClient database;

    Gathering(JdbcClient database) {
        this.database = database;
    }

    List<Gathered> read(By by, Filter filter, int limit) {
        return by == By.CAUSE && filter.isEmpty() ? kept(filter, limit) : counted(by, filter, limit);
    }

    /** From the counts that are kept for every cause. */
    private List<Gathered> kept(Filter filter, int limit) {
        Map<String, Object> values = new LinkedHashMap<>();
        List<String> wanted = new ArrayList<>(List.of("g.open_count > 0"));
        common(filter, values, wanted);
        return database.sql(
                        "select g.cause as shared_key, g.kind, g.flag_group, g.severity, g.open_count as open_flags,"
                                + " g.accepted_count as accepted, g.families, g.sites, g.since, g.license_id, g.family_id,"
                                + " l.name as license_name, f.name as family_name, '' as name from flag_cause g" + NAMES
                                + " where " + String.join(" and ", wanted)
                                + " order by g.kind_order, g.open_count desc, g.cause fetch first " + limit
                                + " rows only")
                .params(values)
                .query((row, number) -> gathered(By.CAUSE, row))
                .list();
    }

    private List<Gathered> counted(By by, Filter filter, int limit) {
        String key =
                switch (by) {
                    case CAUSE -> "flag.cause";
                    case SITE -> "flag.site_id";
                    case FAMILY -> "flag.family_id";
                    case LICENSE -> "flag.license_id";
                    case PERSON -> "flag.assignee";
                };
        Map<String, Object> values = new LinkedHashMap<>();
        List<String> wanted = new ArrayList<>(List.of(key + " is not null"));
        common(filter, values, wanted);
        wanted.replaceAll(condition -> condition.replaceAll("\\bg\\.", "flag."));
        switch (filter.state()) {
            case CURRENT -> wanted.add("flag.gone is null");
            case OPEN -> wanted.add("flag.gone is null and flag.accepted_until is null");
            case ACCEPTED -> wanted.add("flag.gone is null and flag.accepted_until is not null");
            case GONE -> wanted.add("flag.gone is not null");
        }
        add("cause", "flag.cause = :cause", filter.cause(), values, wanted);
        add("assignee", "flag.assignee = :assignee", filter.assignee(), values, wanted);
        addAll("sites", "flag.site_id in (:sites)", filter.sites(), values, wanted);
        addAll("licenses", "flag.license_id in (:licenses)", filter.licenses(), values, wanted);
        addAll(
                "families",
                "flag.id in (select flag_id from flag_family where family_id in (:families))",
                filter.families(),
                values,
                wanted);
        String nameTable =
                switch (by) {
                    case CAUSE -> "";
                    case SITE -> " left join site n on n.id = g.shared_key";
                    case FAMILY -> " left join family n on n.id = g.shared_key";
                    case LICENSE -> " left join license n on n.id = g.shared_key";
                    case PERSON ->
                        " left join (select name as id, display_name as name from account) n on n.id = g.shared_key";
                };
        return database.sql("select g.*, l.name as license_name, f.name as family_name, "
                        + (nameTable.isEmpty() ? "''" : "n.name") + " as name from (select " + key
                        + " as shared_key, min(kind_order) as kind_order,"
                        + " min(kind) as kind,"
                        + " max(flag_group) as flag_group,"
                        + " case when count(*) filter (where severity = 'STOP') > 0 then 'STOP'"
                        + " when count(*) filter (where severity = 'ASK') > 0 then 'ASK' else 'WARN' end as severity,"
                        + " count(*) as open_flags, count(*) filter (where accepted_until is not null) as accepted,"
                        + " count(distinct family_id) as families, count(distinct site_id) as sites,"
                        + " min(since) as since,"
                        + " case when count(distinct license_id) = 1 then min(license_id) end as license_id,"
                        + " case when count(distinct family_id) = 1 then min(family_id) end as family_id"
                        + " from flag where " + String.join(" and ", wanted) + " group by " + key + ") g" + NAMES
                        + nameTable + " order by " + (by == By.CAUSE ? "g.kind_order, " : "")
                        + "g.open_flags desc, g.shared_key fetch first " + limit + " rows only")
                .params(values)
                .query((row, number) -> gathered(by, row))
                .list();
    }

    private static void common(Filter filter, Map<String, Object> values, List<String> wanted) {
        add("flagGroup", "g.flag_group = :flagGroup", filter.group(), values, wanted);
        add("severity", "g.severity = :severity", filter.severity(), values, wanted);
    }

    private static void add(
            String name, String condition, @Nullable Object value, Map<String, Object> values, List<String> wanted) {
        if (value != null) {
            values.put(name, value instanceof Enum<?> constant ? constant.name() : value);
            wanted.add(condition);
        }
    }

    private static void addAll(
            String name, String condition, List<String> value, Map<String, Object> values, List<String> wanted) {
        if (!value.isEmpty()) {
            values.put(name, value);
            wanted.add(condition);
        }
    }

    private static Gathered gathered(By by, ResultSet row) throws SQLException {
        FlagKind kind = by == By.CAUSE ? FlagKind.valueOf(row.getString("kind")) : null;
        int count = row.getInt("open_flags");
        String license = text(row, "license_id");
        String family = text(row, "family_id");
        String name = kind != null && kind.gathering() == FlagKind.Gathering.FAMILY
                ? text(row, "family_name")
                : text(row, "license_name");
        String title = kind == null ? text(row, "name") : Cause.title(kind, count, row.getInt("families"), name);
        return new Gathered(
                by,
                row.getString("shared_key"),
                title,
                FlagGroup.valueOf(row.getString("flag_group")),
                Severity.valueOf(row.getString("severity")),
                kind,
                kind == null ? null : kind.action(),
                count,
                row.getInt("accepted"),
                row.getInt("families"),
                row.getInt("sites"),
                row.getObject("since", OffsetDateTime.class).toInstant(),
                license,
                family,
                null);
    }

    private static String text(ResultSet row, String column) throws SQLException {
        return Optional.ofNullable(row.getString(column)).orElse("");
    }
}
