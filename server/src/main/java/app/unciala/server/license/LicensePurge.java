package app.unciala.server.license;

import app.unciala.server.retention.Purge;
import java.sql.Timestamp;
import java.time.Instant;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Deleted licenses with their documents. */
@Component
@Order(3)
class LicensePurge implements Purge {
    private final JdbcClient database;

    LicensePurge(JdbcClient database) {
        this.database = database;
    }

    @Override
    public String what() {
        return "licenses";
    }

    @Override
    public void purge(Instant before) {
        database.sql("delete from license where deleted_at < :before")
                .param("before", Timestamp.from(before))
                .update();
    }
}
