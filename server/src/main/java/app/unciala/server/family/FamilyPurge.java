package app.unciala.server.family;

import app.unciala.server.retention.Purge;
import java.sql.Timestamp;
import java.time.Instant;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Deleted families, as soon as no file, site, license or pack names them. */
@Component
@Order(6)
class FamilyPurge implements Purge {
    private final JdbcClient database;

    FamilyPurge(JdbcClient database) {
        this.database = database;
    }

    @Override
    public String what() {
        return "families";
    }

    @Override
    public void purge(Instant before) {
        database.sql("delete from family where deleted_at < :before"
                        + " and not exists (select 1 from face_file where face_file.family_id = family.id)"
                        + " and not exists (select 1 from site_family where site_family.family_id = family.id)"
                        + " and not exists (select 1 from license_family where license_family.family_id = family.id)"
                        + " and not exists (select 1 from pack_family where pack_family.family_id = family.id)")
                .param("before", Timestamp.from(before))
                .update();
    }
}
