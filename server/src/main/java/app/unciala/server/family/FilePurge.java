package app.unciala.server.family;

import app.unciala.server.retention.Purge;
import java.sql.Timestamp;
import java.time.Instant;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Deleted files; those that another took the place of stay. */
@Component
@Order(4)
class FilePurge implements Purge {
    private final JdbcClient database;

    FilePurge(JdbcClient database) {
        this.database = database;
    }

    @Override
    public String what() {
        return "files";
    }

    @Override
    public void purge(Instant before) {
        database.sql("delete from face_file where deleted_at < :before and superseded_by is null")
                .param("before", Timestamp.from(before))
                .update();
    }
}
