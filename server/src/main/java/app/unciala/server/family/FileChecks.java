package app.unciala.server.family;

import app.unciala.server.storage.StoredFiles;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads stored files again, a few each hour so that a month goes over all, or all at once; and purges what is deleted. */
@Service
class FileChecks {
    private static final int HOURS_FOR_ALL = 30 * 24;
    private static final Duration KEPT = Duration.ofDays(7);
    private static final List<String> PURGE = List.of(
            "delete from face_file where deleted_at < :before and superseded_by is null",
            "delete from pack where site_id in (select id from site where deleted_at < :before)",
            "delete from site where deleted_at < :before",
            "delete from license where deleted_at < :before",
            "delete from client where deleted_at < :before"
                    + " and not exists (select 1 from site where site.client_id = client.id)",
            "delete from family where deleted_at < :before"
                    + " and not exists (select 1 from face_file where face_file.family_id = family.id)"
                    + " and not exists (select 1 from site_family where site_family.family_id = family.id)"
                    + " and not exists (select 1 from license_family where license_family.family_id = family.id)"
                    + " and not exists (select 1 from pack_family where pack_family.family_id = family.id)");

    private final StoredFiles stored;
    private final FamilyService families;
    private final JdbcClient database;
    private final Clock clock;
    private volatile CheckProgress progress = new CheckProgress(false, 0, 0);

    FileChecks(StoredFiles stored, FamilyService families, JdbcClient database, Clock clock) {
        this.stored = stored;
        this.families = families;
        this.database = database;
        this.clock = clock;
    }

    /** How far reading all files again is. */
    record CheckProgress(boolean running, int done, int total) {}

    CheckProgress progress() {
        return progress;
    }

    void checkSome() {
        check(stored.next(stored.count() / HOURS_FOR_ALL + 1));
    }

    void checkAll() {
        int total = stored.count();
        check(stored.next(Math.max(1, total)));
    }

    private void check(List<String> files) {
        int done = 0;
        try {
            for (String sha256 : files) {
                if (stored.check(sha256)) {
                    families.bytesChecked(sha256);
                }
                progress = new CheckProgress(true, ++done, files.size());
            }
        } finally {
            progress = new CheckProgress(false, done, files.size());
        }
    }

    /** Removes for good what was deleted more than a week ago, and then the files that nothing names any more. */
    @Transactional
    public void purge() {
        Timestamp before = Timestamp.from(clock.instant().minus(KEPT));
        PURGE.forEach(sql -> database.sql(sql).param("before", before).update());
        stored.collect();
    }
}
