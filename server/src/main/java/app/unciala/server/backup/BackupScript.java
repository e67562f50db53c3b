package app.unciala.server.backup;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;

/** The database as statements that make it again. */
final class BackupScript {
    private BackupScript() {}

    /** Writes the database while the connection holds the lock that every change takes first. */
    static void write(Connection connection, Path script) throws SQLException {
        boolean autoCommit = connection.getAutoCommit();
        connection.setAutoCommit(false);
        try (Statement statement = connection.createStatement()) {
            statement.execute("select id from change_lock where id = 1 for update");
            statement.execute("script to '" + quoted(script) + "'");
        } finally {
            connection.rollback();
            connection.setAutoCommit(autoCommit);
        }
    }

    /** Makes the database again, and ends the sessions that were open when it was written. */
    static void read(Connection connection, Path script) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute("runscript from '" + quoted(script) + "'");
            statement.execute("delete from spring_session_attributes");
            statement.execute("delete from spring_session");
        }
    }

    private static String quoted(Path file) {
        return file.toAbsolutePath().toString().replace("'", "''");
    }
}
