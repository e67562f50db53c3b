package app.unciala.server.backup;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.util.FileSystemUtils;

/** The database as statements that make it again, without the sessions of people who are signed in. */
final class BackupScript {
    private static final String FOLDER = "script";

    private BackupScript() {}

    /** A new folder inside a data folder that only its owner can look into: the statements hold digests of passwords. */
    static Path folderIn(Path data) throws IOException {
        return Files.createTempDirectory(Files.createDirectories(data.resolve("backups")), FOLDER);
    }

    /** Deletes what backups that were killed have left in a data folder. */
    static void clearIn(Path data) {
        Path backups = data.resolve("backups");
        if (!Files.exists(backups)) {
            return;
        }
        try (Stream<Path> all = Files.list(backups)) {
            for (Path left : all.toList()) {
                String name = left.getFileName().toString();
                if (name.endsWith(".part") || (name.startsWith(FOLDER) && Files.isDirectory(left))) {
                    FileSystemUtils.deleteRecursively(left);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Writes the database while the connection holds the lock that every change takes first. */
    static void write(Connection connection, Path script) throws SQLException {
        boolean autoCommit = connection.getAutoCommit();
        connection.setAutoCommit(false);
        try (Statement statement = connection.createStatement()) {
            statement.execute("select id from change_lock where id = 1 for update");
            List<String> kept = new ArrayList<>();
            for (String table : BackupRows.tables(connection)) {
                if (!table.startsWith("SPRING_SESSION")) {
                    kept.add("public.\"" + table + "\"");
                }
            }
            statement.execute("script nosettings to '" + quoted(script) + "' table " + String.join(", ", kept));
        } finally {
            connection.rollback();
            connection.setAutoCommit(autoCommit);
        }
    }

    private static String quoted(Path file) {
        return file.toAbsolutePath().toString().replace("'", "''");
    }
}
