package app.unciala.server.family;

import app.unciala.server.family.FamilyFilter.Group;
import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The list of families, narrowed, gathered and ordered, page by page. */
@Service
public class FamilyList {
    private static final String OF_CLIENTS = " left join (select distinct l.family_id, c.id, c.name from site_family l"
            + " join site s on s.id = l.site_id and s.deleted_at is null join client c on c.id = s.client_id) g"
            + " on g.family_id = f.id";

    private final FamilyRepository families;
    private final FamilyRecords records;
    private final JdbcClient database;

    FamilyList(FamilyRepository families, FamilyRecords records, JdbcClient database) {
        this.families = families;
        this.records = records;
        this.database = database;
    }

    /**
     * A family where a list has it. In a list by client, a family that several clients use stands under each of them.
     *
     * @param under its heading; none in a list that is not gathered
     */
    public record Listed(@JsonUnwrapped Family family, List<Heading> under) {}

    /** A foundry, whose id is its name, or a client; both texts are empty over the families of none, which come last. */
    public record Heading(String id, String name) {}

    /** The families that a filter leaves, in its order. */
    @Transactional(readOnly = true)
    public Page<Listed> page(FamilyFilter filter, @Nullable String cursor, int limit) {
        int most = Cursor.limit(limit).max();
        List<Place> places = places(filter, cursor, most + 1);
        List<Place> shown = places.stream().limit(most).toList();
        Map<String, Family> byId =
                records
                        .of(families.findAllById(
                                shown.stream().map(Place::id).distinct().toList()))
                        .stream()
                        .collect(Collectors.toMap(Family::id, family -> family));
        List<Listed> page = shown.stream()
                .flatMap(place ->
                        Stream.ofNullable(byId.get(place.id())).map(family -> new Listed(family, place.under())))
                .toList();
        return new Page<>(
                page, places.size() > most ? Cursor.after(places.get(most - 1).keys()) : null);
    }

    /** A place in the list: what orders it, by column. */
    private record Place(Map<String, Object> keys) {
        String id() {
            return text("id");
        }

        private String text(String column) {
            return (String) Objects.requireNonNull(keys.get(column), column);
        }

        List<Heading> under() {
            return keys.containsKey("heading")
                    ? List.of(new Heading(text("heading"), text("heading_name")))
                    : List.of();
        }
    }

    /** A column by which the list is ordered; {@code sample} is a value of its type. */
    private record Column(String name, String sql, Object sample, boolean descending) {}

    private static List<Column> columns(FamilyFilter filter) {
        List<Column> columns = new ArrayList<>();
        if (filter.group() != null) {
            boolean clients = filter.group() == Group.CLIENT;
            String name = clients ? "coalesce(g.name, '')" : "f.foundry";
            columns.add(new Column("none", "case when " + name + " = '' then 1 else 0 end", 0, false));
            columns.add(new Column("heading_key", "lower(" + name + ")", "", false));
            columns.add(new Column("heading", clients ? "coalesce(g.id, '')" : name, "", false));
            columns.add(new Column("heading_name", name, "", false));
        }
        columns.add(
                filter.order() == FamilyFilter.Order.NEWEST
                        ? new Column("created_at", "f.created_at", Instant.EPOCH, true)
                        : new Column("name_key", "f.name_key", "", false));
        columns.add(new Column("id", "f.id", "", false));
        return columns;
    }

    /** The condition of SQL that a row comes after the one whose keys are the values of these names. */
    private static String after(List<Column> columns) {
        Column first = columns.get(0);
        String beyond = first.sql() + (first.descending() ? " < :" : " > :") + first.name();
        return columns.size() == 1
                ? beyond
                : "(" + beyond + " or " + first.sql() + " = :" + first.name() + " and "
                        + after(columns.subList(1, columns.size())) + ")";
    }

    private List<Place> places(FamilyFilter filter, @Nullable String cursor, int most) {
        List<Column> columns = columns(filter);
        FamilyFilter.Conditions conditions = filter.conditions();
        List<String> wanted = new ArrayList<>(conditions.sql());
        Map<String, Object> values = new LinkedHashMap<>(conditions.values());
        Map<String, Object> sample = new LinkedHashMap<>();
        columns.forEach(column -> sample.put(column.name(), column.sample()));
        Map<String, Object> last = Cursor.read(cursor, sample).getKeys();
        if (!last.isEmpty()) {
            wanted.add(after(columns));
            last.forEach((name, key) -> values.put(name, key instanceof Instant at ? Timestamp.from(at) : key));
        }
        String selected = columns.stream().map(Column::sql).collect(Collectors.joining(", "));
        String ordered = columns.stream()
                .map(column -> column.sql() + (column.descending() ? " desc" : ""))
                .collect(Collectors.joining(", "));
        return database.sql("select " + selected + " from family f"
                        + (filter.group() == Group.CLIENT ? OF_CLIENTS : "")
                        + " where " + String.join(" and ", wanted) + " order by " + ordered + " fetch first " + most
                        + " rows only")
                .params(values)
                .query((row, number) -> place(columns, row))
                .list();
    }

    private static Place place(List<Column> columns, ResultSet row) throws SQLException {
        Map<String, Object> keys = new LinkedHashMap<>();
        for (int i = 0; i < columns.size(); i++) {
            Object sample = columns.get(i).sample();
            keys.put(
                    columns.get(i).name(),
                    sample instanceof Instant
                            ? row.getTimestamp(i + 1).toInstant()
                            : sample instanceof Integer ? row.getInt(i + 1) : row.getString(i + 1));
        }
        return new Place(keys);
    }

    /** The foundries of the families held, by name. */
    @Transactional(readOnly = true)
    public List<String> foundries() {
        return database.sql("select distinct foundry from family where deleted_at is null and foundry <> ''"
                        + " order by foundry fetch first 500 rows only")
                .query(String.class)
                .list();
    }
}
