package app.unciala.server.storage;

import app.unciala.server.storage.FileStore.State;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Watches over the stored files: reads them again, and removes those that no record names any more. */
@Component
public class StoredFiles {
    private static final Logger LOG = LoggerFactory.getLogger(StoredFiles.class);
    private static final Duration UNNAMED_FOR = Duration.ofDays(7);
    private static final String NAMED = "select sha256 from face_file union select sha256 from agreement"
            + " union select sha256 from pack union select sha256 from shown_font union select sha256 from page_reading union select i.sha256 from intake_item i join intake n on n.id = i.intake_id"
            + " where n.state = 'ACCEPTED' and i.kind in ('LICENSE_TEXT', 'README')";

    private final FileStore store;
    private final DerivedFiles derived;
    private final JdbcClient database;
    private final Clock clock;

    StoredFiles(FileStore store, DerivedFiles derived, JdbcClient database, Clock clock) {
        this.store = store;
        this.derived = derived;
        this.database = database;
        this.clock = clock;
    }

    /** Reads one file again and keeps what was found; says whether that is something new. */
    @Transactional
    public boolean check(String sha256) {
        State found = store.check(sha256);
        String before = database.sql("select state from stored_file where sha256 = :sha256")
                .param("sha256", sha256)
                .query(String.class)
                .optional()
                .orElse(State.INTACT.name());
        database.sql("merge into stored_file (sha256, state, checked_at) key (sha256) values (:sha256, :state, :at)")
                .param("sha256", sha256)
                .param("state", found.name())
                .param("at", java.sql.Timestamp.from(clock.instant()))
                .update();
        return !before.equals(found.name());
    }

    /** The files to read next: those never read, then those read longest ago. */
    @Transactional(readOnly = true)
    public List<String> next(int most) {
        return database.sql("select n.sha256 from (" + NAMED + ") n left join stored_file s on s.sha256 = n.sha256"
                        + " order by s.checked_at nulls first, n.sha256 fetch first " + most + " rows only")
                .query(String.class)
                .list();
    }

    @Transactional(readOnly = true)
    public int count() {
        return database.sql("select count(*) from (" + NAMED + ")")
                .query(Integer.class)
                .single();
    }

    /** The digests of all files known to be damaged or gone. */
    @Transactional(readOnly = true)
    public Set<String> notIntact() {
        return new HashSet<>(database.sql("select sha256 from stored_file where state <> 'INTACT'")
                .query(String.class)
                .list());
    }

    /** Whether a file is known to be damaged or gone. */
    @Transactional(readOnly = true)
    public boolean isBroken(String sha256) {
        return database.sql("select count(*) from stored_file where sha256 = :sha256 and state <> 'INTACT'")
                        .param("sha256", sha256)
                        .query(Integer.class)
                        .single()
                > 0;
    }

    /** Removes the files that no record has named for a week, and returns how many. */
    @Transactional
    public int collect() {
        Instant before = clock.instant().minus(UNNAMED_FOR);
        Set<String> named =
                new HashSet<>(database.sql(NAMED).query(String.class).list());
        List<String> unnamed = new ArrayList<>(store.storedBefore(before));
        unnamed.removeIf(named::contains);
        unnamed.forEach(store::delete);
        derived.collect(named, before);
        if (!unnamed.isEmpty()) {
            LOG.info("Removed {} stored files that nothing names any more", unnamed.size());
        }
        return unnamed.size();
    }
}
