package app.unciala.server.site;

import app.unciala.server.retention.Purge;
import java.sql.Timestamp;
import java.time.Instant;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Deleted sites, with their page views, checks, plans and readings. */
@Component
@Order(2)
class SitePurge implements Purge {
    private final JdbcClient database;

    SitePurge(JdbcClient database) {
        this.database = database;
    }

    @Override
    public String what() {
        return "sites";
    }

    @Override
    public void purge(Instant before) {
        database.sql("delete from site where deleted_at < :before")
                .param("before", Timestamp.from(before))
                .update();
    }
}
