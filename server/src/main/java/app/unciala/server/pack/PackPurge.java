package app.unciala.server.pack;

import app.unciala.server.retention.Purge;
import java.sql.Timestamp;
import java.time.Instant;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Packs go with their site. */
@Component
@Order(1)
class PackPurge implements Purge {
    private final JdbcClient database;

    PackPurge(JdbcClient database) {
        this.database = database;
    }

    @Override
    public String what() {
        return "packs of deleted sites";
    }

    @Override
    public void purge(Instant before) {
        database.sql("delete from pack where site_id in (select id from site where deleted_at < :before)")
                .param("before", Timestamp.from(before))
                .update();
    }
}
