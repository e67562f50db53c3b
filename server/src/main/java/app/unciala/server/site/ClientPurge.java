package app.unciala.server.site;

import app.unciala.server.retention.Purge;
import java.sql.Timestamp;
import java.time.Instant;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Deleted clients, as soon as none of their sites is left. */
@Component
@Order(5)
class ClientPurge implements Purge {
    private final JdbcClient database;

    ClientPurge(JdbcClient database) {
        this.database = database;
    }

    @Override
    public String what() {
        return "clients";
    }

    @Override
    public void purge(Instant before) {
        database.sql("delete from client where deleted_at < :before"
                        + " and not exists (select 1 from site where site.client_id = client.id)")
                .param("before", Timestamp.from(before))
                .update();
    }
}
