package app.unciala.server.family;

import app.unciala.server.storage.StoredFiles;
import java.util.List;
import org.springframework.stereotype.Service;

/** Reads stored files again, a few each hour so that a month goes over all, or all at once. */
@Service
class FileChecks {
    private static final int HOURS_FOR_ALL = 30 * 24;

    private final StoredFiles stored;
    private final FamilyService families;
    private volatile CheckProgress progress = new CheckProgress(false, 0, 0);

    FileChecks(StoredFiles stored, FamilyService families) {
        this.stored = stored;
        this.families = families;
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
}
