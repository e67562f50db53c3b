package app.unciala.server.backup;

import app.unciala.server.backup.BackupArchive.Manifest;
import app.unciala.server.fault.Fault;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;

/** Makes backups while the server runs. */
@Service
public class BackupService {
    private static final Logger LOG = LoggerFactory.getLogger(BackupService.class);
    private static final DateTimeFormatter NAME =
            DateTimeFormatter.ofPattern("uuuu-MM-dd-HHmmss").withZone(ZoneId.systemDefault());

    private final DataSource source;
    private final Path data;
    private final Clock clock;
    private volatile BackupProgress progress = new BackupProgress(false, 0, 0, "");

    BackupService(DataSource source, @Value("${unciala.data}") Path data, Clock clock) {
        this.source = source;
        this.data = data;
        this.clock = clock;
        BackupScript.clearIn(data);
    }

    /** A backup in the data folder. */
    public record Backup(String name, long bytes, Instant madeAt) {}

    /** How far a backup is, in bytes of files; {@code failure} says why the last one was not made. */
    public record BackupProgress(boolean running, long doneBytes, long totalBytes, String failure) {}

    /** The job that makes a backup in the data folder. */
    @Configuration
    static class Job {
        @Bean
        OneTimeTask<Void> makeBackup(BackupService backups) {
            return Tasks.oneTime("make backup").execute((instance, context) -> backups.makeInFolder());
        }
    }

    public BackupProgress progress() {
        return progress;
    }

    public List<Backup> list() {
        Path folder = folder();
        if (!Files.exists(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.getFileName().toString().endsWith(".zip"))
                    .map(BackupService::describe)
                    .sorted(Comparator.comparing(Backup::madeAt).reversed())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public Path file(String name) {
        Path file = folder().resolve(name);
        if (!name.matches("[a-z0-9-]+\\.zip") || !Files.exists(file)) {
            throw Fault.notFound("backup", name);
        }
        return file;
    }

    public void delete(String name) {
        try {
            Files.delete(file(name));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    void makeInFolder() {
        try {
            make(folder().resolve("unciala-" + NAME.format(clock.instant()) + ".zip"));
        } catch (IOException | RuntimeException e) {
            LOG.error("A backup couldn’t be made", e);
        }
    }

    /**
     * Makes a backup: first the database, while no change is under way, then the files, of which none that the
     * database names can change or go meanwhile.
     */
    synchronized Manifest make(Path target) throws IOException {
        progress = new BackupProgress(true, 0, 0, "");
        Path own = BackupScript.folderIn(data);
        Path script = own.resolve(BackupArchive.DATABASE);
        try {
            script(script);
            long total = BackupArchive.size(data);
            Manifest manifest = BackupArchive.write(
                    data,
                    script,
                    clock.instant(),
                    target,
                    done -> progress = new BackupProgress(true, done, total, ""));
            progress = new BackupProgress(false, total, total, "");
            return manifest;
        } catch (IOException | RuntimeException e) {
            progress = new BackupProgress(false, 0, 0, String.valueOf(e.getMessage()));
            throw e;
        } finally {
            FileSystemUtils.deleteRecursively(own);
        }
    }

    private void script(Path script) throws IOException {
        try (Connection connection = source.getConnection()) {
            BackupScript.write(connection, script);
        } catch (SQLException e) {
            throw new IOException("the database cannot be written out: " + e.getMessage(), e);
        }
    }

    private Path folder() {
        return data.resolve("backups");
    }

    private static Backup describe(Path file) {
        try {
            return new Backup(
                    file.getFileName().toString(),
                    Files.size(file),
                    Files.getLastModifiedTime(file).toInstant());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
