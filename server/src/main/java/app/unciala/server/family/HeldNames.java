package app.unciala.server.family;

import app.unciala.core.search.NameIndex;
import app.unciala.core.search.NameIndex.Family;
import app.unciala.core.search.NameIndex.Style;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.server.inventory.Changes;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The names of all families and of their faces, kept in memory as they are searched; made anew when they change. */
@Component
public class HeldNames {
    private final JdbcClient database;
    private final Changes changes;
    private NameIndex index = new NameIndex(List.of());
    private long version = -1;

    HeldNames(JdbcClient database, Changes changes) {
        this.database = database;
        this.changes = changes;
    }

    @Transactional(readOnly = true)
    public synchronized NameIndex current() {
        long now = changes.heldFilesVersion();
        if (now != version) {
            index = read();
            version = now;
        }
        return index;
    }

    private NameIndex read() {
        Map<String, List<Style>> styles = new LinkedHashMap<>();
        database.sql("select family_id, weight_min, weight_max, width_min, width_max, slope, subfamily from face_file"
                        + " where deleted_at is null")
                .query((row, number) -> {
                    Slot slot = new Slot(
                            new Range(row.getDouble(2), row.getDouble(3)),
                            new Range(row.getDouble(4), row.getDouble(5)),
                            Slope.valueOf(row.getString(6)));
                    return styles.computeIfAbsent(row.getString(1), id -> new ArrayList<>())
                            .add(new Style(slot, row.getString(7)));
                })
                .list();
        return new NameIndex(database.sql("select id, name from family where deleted_at is null")
                .query((row, number) -> new Family(
                        row.getString(1), row.getString(2), styles.getOrDefault(row.getString(1), List.of())))
                .list());
    }
}
