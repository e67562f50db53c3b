package app.unciala.server.family;

import app.unciala.font.drawing.Sketch;
import app.unciala.font.drawing.SketchIndex;
import app.unciala.font.drawing.SketchIndex.Near;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Parts;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The drawings of all held files in short, kept in memory so that the nearest of thousands is found at once. */
@Component
public class HeldSketches {
    private final JdbcClient database;
    private final Changes changes;
    private final SketchIndex<String> index = new SketchIndex<>();
    private long version = -1;

    HeldSketches(JdbcClient database, Changes changes) {
        this.database = database;
        this.changes = changes;
    }

    /** The ids of the held files drawn most like a sketch, the nearest first; none less alike than {@code atLeast}. */
    @Transactional(readOnly = true)
    public List<Near<String>> nearest(Sketch sketch, double atLeast, int most) {
        if (sketch.isEmpty()) {
            return List.of();
        }
        catchUp();
        return index.nearest(sketch, atLeast, most);
    }

    /** Reads the sketches of files that came since it was last asked, and forgets those that went. */
    private synchronized void catchUp() {
        long now = changes.heldFilesVersion();
        if (now == version) {
            return;
        }
        // One file for each drawing is enough: its copies are found by their digest.
        Set<String> held = new HashSet<>(
                database.sql("select min(id) from face_file where deleted_at is null and sketch is not null"
                                + " group by drawing")
                        .query(String.class)
                        .list());
        index.keep(held);
        held.removeIf(index::has);
        Parts.of(held, part -> database.sql("select id, sketch from face_file where id in (:ids)")
                .param("ids", part)
                .query((row, number) -> {
                    index.put(row.getString(1), Sketch.read(row.getBytes(2)));
                    return row.getString(1);
                })
                .list());
        version = now;
    }
}
