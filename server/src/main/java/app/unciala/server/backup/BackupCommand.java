package app.unciala.server.backup;

import app.unciala.server.backup.BackupArchive.BadBackup;
import app.unciala.server.backup.BackupArchive.Manifest;
import app.unciala.server.inventory.Migrations;
import java.io.IOException;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.boot.logging.LogLevel;
import org.springframework.boot.logging.LoggingSystem;
import org.springframework.util.FileSystemUtils;
import tools.jackson.databind.json.JsonMapper;

/** {@code --backup FILE} and {@code --restore FILE}: without the interface, whether the server runs or not. */
public final class BackupCommand {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private final Path data;

    public BackupCommand(Path data) {
        this.data = data.toAbsolutePath();
    }

    /** Does what the arguments ask for; gives the exit code, or nothing when they ask for no such thing. */
    public static Optional<Integer> run(List<String> args, Path data) {
        for (String command : List.of("--backup", "--restore")) {
            int at = args.indexOf(command);
            if (at >= 0) {
                if (at + 1 >= args.size()) {
                    System.err.println(command + " needs a file");
                    return Optional.of(2);
                }
                return Optional.of(new BackupCommand(data).run(command, Path.of(args.get(at + 1))));
            }
        }
        return Optional.empty();
    }

    private int run(String command, Path file) {
        try {
            if (command.equals("--backup")) {
                Manifest manifest = backup(file.toAbsolutePath());
                System.out.println("Wrote " + file + ": the database and "
                        + (manifest.entries().size() - 1) + " files, checked by digest");
            } else {
                restore(file);
                System.out.println("Restored " + file + " into " + data);
            }
            return 0;
        } catch (IOException | SQLException e) {
            System.err.println(file + ": " + e.getMessage());
            return 1;
        }
    }

    Manifest backup(Path target) throws IOException, SQLException {
        Optional<Manifest> made = byServer(target);
        if (made.isPresent()) {
            return made.get();
        }
        if (!Files.exists(data.resolve("unciala.mv.db"))) {
            throw new BadBackup("there is no inventory in " + data);
        }
        Path own = BackupScript.folderIn(data);
        Path script = own.resolve(BackupArchive.DATABASE);
        try (Connection connection = DriverManager.getConnection(url(data), "unciala", "")) {
            BackupScript.write(connection, script);
            return BackupArchive.write(data, script, Instant.now(), target, done -> {});
        } finally {
            FileSystemUtils.deleteRecursively(own);
        }
    }

    /** Has the running server make it; nothing when none runs on this data folder. */
    private Optional<Manifest> byServer(Path target) throws IOException {
        Path run = data.resolve(LocalToken.FILE);
        if (!Files.exists(run)) {
            return Optional.empty();
        }
        List<String> lines = Files.readAllLines(run);
        HttpRequest request = HttpRequest.newBuilder(
                        URI.create("http://127.0.0.1:" + lines.get(0) + "/api/backups/local"))
                .header("Content-Type", "application/json")
                .header(LocalToken.HEADER, lines.get(1))
                .POST(HttpRequest.BodyPublishers.ofString(MAPPER.writeValueAsString(Map.of("file", target.toString()))))
                .build();
        try {
            HttpResponse<byte[]> response =
                    HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofByteArray());
            if (response.statusCode() == 200) {
                return Optional.of(MAPPER.readValue(response.body(), Manifest.class));
            }
            throw new BadBackup(MAPPER.readTree(response.body())
                    .path("detail")
                    .asString("the server answered " + response.statusCode()));
        } catch (ConnectException e) {
            // A server that was killed leaves its file behind.
            return Optional.empty();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        }
    }

    /** Restores into a folder that is empty or does not exist; it is there as a whole, or not at all. */
    void restore(Path archive) throws IOException, SQLException {
        if (!Files.exists(archive)) {
            throw new BadBackup("there is no such file");
        }
        if (Files.exists(data)) {
            try (Stream<Path> inside = Files.list(data)) {
                if (inside.findAny().isPresent()) {
                    throw new BadBackup(data + " is not empty; restore into an empty folder");
                }
            }
        }
        Manifest manifest = BackupArchive.check(archive);
        Files.createDirectories(data.getParent());
        Path unfinished = Files.createTempDirectory(data.getParent(), "restoring");
        try {
            BackupArchive.extract(archive, unfinished);
            Path script = unfinished.resolve(BackupArchive.DATABASE);
            // As in the running server, which is told so by its settings.
            LoggingSystem.get(BackupCommand.class.getClassLoader()).setLogLevel("org.flywaydb", LogLevel.ERROR);
            Migrations.of(url(unfinished), manifest.schema()).migrate();
            try (Connection connection = DriverManager.getConnection(url(unfinished), "unciala", "")) {
                BackupRows.read(connection, script);
            } catch (SQLException e) {
                throw new BadBackup("its rows do not fit the tables of its version: " + e.getMessage());
            }
            Files.delete(script);
            Files.deleteIfExists(data);
            Files.move(unfinished, data);
        } finally {
            FileSystemUtils.deleteRecursively(unfinished);
        }
    }

    private static String url(Path folder) {
        return "jdbc:h2:file:" + folder.resolve("unciala") + ";WRITE_DELAY=0";
    }
}
