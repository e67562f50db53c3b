package app.unciala.server.history;

import app.unciala.server.fault.Fault;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Deleted rows that come back, as long as they are not removed for good. */
@Component
public class DeletedRows {
    private final JdbcClient database;

    DeletedRows(JdbcClient database) {
        this.database = database;
    }

    /**
     * Restores a row.
     *
     * @param table its table, which has a column {@code deleted_at}
     * @param what it is, with an article, such as {@code the client}
     * @throws Fault if it was removed for good, or is not deleted any more
     */
    public void restore(String table, String id, String what) {
        int restored = database.sql(
                        "update " + table + " set deleted_at = null where id = :id and deleted_at is not null")
                .param("id", id)
                .update();
        if (restored == 0) {
            throw Fault.conflict(
                    "Couldn’t restore " + what + ": it has been deleted for good, or somebody restored it already.");
        }
    }
}
