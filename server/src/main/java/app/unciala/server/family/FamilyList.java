package app.unciala.server.family;

import app.unciala.server.family.FamilyService.Family;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.KeysetScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The list of families, narrowed and ordered, page by page. */
@Service
public class FamilyList {
    private static final Sort BY_NAME = Sort.by("nameKey", "id");
    private static final Sort BY_AGE = Sort.by("createdAt", "id");

    private final FamilyRepository families;
    private final FamilyRecords records;
    private final JdbcClient database;

    FamilyList(FamilyRepository families, FamilyRecords records, JdbcClient database) {
        this.families = families;
        this.records = records;
        this.database = database;
    }

    /** The families that a filter leaves, in its order. */
    @Transactional(readOnly = true)
    public Page<Family> page(FamilyFilter filter, @Nullable String cursor, int limit) {
        int most = Cursor.limit(limit).max();
        List<Key> keys = keys(filter, cursor, most + 1);
        List<String> shown = keys.stream().limit(most).map(Key::id).toList();
        Map<String, Family> byId = records.of(families.findAllById(shown)).stream()
                .collect(Collectors.toMap(Family::id, family -> family));
        List<Family> page =
                shown.stream().map(byId::get).filter(Objects::nonNull).toList();
        return new Page<>(
                page, keys.size() > most ? Cursor.after(keys.get(most - 1).values()) : null);
    }

    /** What orders a list, and the id. */
    private record Key(Map<String, Object> values) {
        String id() {
            return (String) values.get("id");
        }
    }

    private List<Key> keys(FamilyFilter filter, @Nullable String cursor, int most) {
        boolean newest = filter.order() == FamilyFilter.Order.NEWEST;
        String column = newest ? "created_at" : "name_key";
        Map<String, Object> sample = Cursor.keys(newest ? BY_AGE : BY_NAME, newest ? Instant.EPOCH : "", "");
        KeysetScrollPosition after = Cursor.read(cursor, sample);
        FamilyFilter.Conditions conditions = filter.conditions();
        List<String> wanted = new ArrayList<>(conditions.sql());
        Map<String, Object> values = new HashMap<>(conditions.values());
        if (!after.isInitial()) {
            String sign = newest ? "<" : ">";
            wanted.add("(f." + column + " " + sign + " :key or f." + column + " = :key and f.id > :id)");
            Object key = after.getKeys().get(newest ? "createdAt" : "nameKey");
            values.put("key", key instanceof Instant at ? Timestamp.from(at) : key);
            values.put("id", after.getKeys().get("id"));
        }
        return database.sql("select f." + column + ", f.id from family f where " + String.join(" and ", wanted)
                        + " order by f." + column + (newest ? " desc" : "") + ", f.id fetch first " + most
                        + " rows only")
                .params(values)
                .query((row, number) -> new Key(
                        newest
                                ? Map.of("createdAt", row.getTimestamp(1).toInstant(), "id", row.getString(2))
                                : Map.of("nameKey", row.getString(1), "id", row.getString(2))))
                .list();
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
