package app.unciala.server.backup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.server.backup.BackupArchive.BadBackup;
import app.unciala.server.storage.FileStore;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import app.unciala.server.testing.StartedServer;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** A backup of a running server, and the inventory that is made of it. */
class BackupTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @TempDir
    Path folder;

    @Test
    void restoringGivesTheSameInventoryByteForByte() throws Exception {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Wendlow-Regular.ttf");
        caller.site("Site", "site.example", family, 400);
        caller.takeIn(Map.of("waiting.ttf", Samples.font("Osier-Regular.ttf")));
        int held = files(SERVER.data().resolve("store")).size();
        Path archive = folder.resolve("backup.zip");
        BackupArchive.Manifest manifest = new BackupCommand(SERVER.data()).backup(archive);
        assertThat(manifest.entries()).extracting(BackupArchive.Entry::path).contains("database.sql");
        caller.hold("Gannet-Bold.ttf");

        Path restored = folder.resolve("restored");
        new BackupCommand(restored).restore(archive);
        Map<String, byte[]> files = files(restored.resolve("store"));
        assertThat(files).hasSize(held);
        files.forEach((path, bytes) -> assertThat(bytes)
                .isEqualTo(caller.get("/api/files/" + path.replace("/", "")).bytes()));
        assertThat(files(restored.resolve("staging"))).isNotEmpty();
        try (Connection database =
                        DriverManager.getConnection("jdbc:h2:file:" + restored.resolve("unciala"), "unciala", "");
                Statement statement = database.createStatement()) {
            assertThat(count(statement, "select count(*) from face_file")).isEqualTo(held);
            assertThat(count(statement, "select count(*) from flag where gone is null"))
                    .isPositive();
            assertThat(count(statement, "select max(cast(\"version\" as integer)) from \"flyway_schema_history\""))
                    .as("BackupArchive.SCHEMA is the newest migration")
                    .isEqualTo(BackupArchive.SCHEMA);
        }
        assertThatThrownBy(() -> new BackupCommand(restored).restore(archive))
                .isInstanceOf(BadBackup.class)
                .hasMessageContaining("not empty");
        try (StartedServer again = StartedServer.over(restored)) {
            Caller after = again.signIn();
            int deeds = after.get("/api/history").json().get("items").size();
            after.hold("Hollin-Regular.ttf");
            assertThat(after.get("/api/history").json().get("items").size())
                    .as("new entries follow the restored ones")
                    .isGreaterThan(deeds);
            assertThat(after.send("POST", "/api/flags/comparison", Map.of())
                            .json()
                            .get("mended")
                            .asInt())
                    .isZero();
        }
    }

    @Test
    void aDamagedOrNewerArchiveIsRefusedWithItsReason() throws Exception {
        SERVER.signIn().hold("TilletMono-Regular.ttf");
        Path archive = folder.resolve("good.zip");
        new BackupCommand(SERVER.data()).backup(archive);
        assertThatThrownBy(() -> new BackupCommand(SERVER.data()).backup(archive))
                .hasMessageContaining("exists already");

        byte[] bytes = Files.readAllBytes(archive);
        Path cut = Files.write(folder.resolve("cut.zip"), Arrays.copyOf(bytes, bytes.length / 2));
        assertRefused(cut, "damaged");
        Path text = Files.writeString(folder.resolve("text.zip"), "not an archive");
        assertRefused(text, "damaged");
        assertRefused(folder.resolve("none.zip"), "no such file");

        Path changed = Files.copy(archive, folder.resolve("changed.zip"));
        edit(changed, "database.sql", "drop all objects;");
        assertRefused(changed, "database.sql is damaged");
        Path newer = Files.copy(archive, folder.resolve("newer.zip"));
        try (FileSystem zip = FileSystems.newFileSystem(newer)) {
            Path manifest = zip.getPath("manifest.json");
            Files.writeString(
                    manifest,
                    Files.readString(manifest).replace("\"schema\":" + BackupArchive.SCHEMA, "\"schema\":99"));
        }
        assertRefused(newer, "newer version");
        Path missing = Files.copy(archive, folder.resolve("missing.zip"));
        try (FileSystem zip = FileSystems.newFileSystem(missing)) {
            Files.delete(zip.getPath("database.sql"));
        }
        assertRefused(missing, "database.sql is missing");
    }

    @Test
    void ofAnArchiveNothingButRowsOfValuesIsEverRun() throws Exception {
        SERVER.signIn().hold("Ostrel-Bold.ttf");
        Path archive = folder.resolve("plain.zip");
        new BackupCommand(SERVER.data()).backup(archive);
        Path written = folder.resolve("written-by-a-statement");
        String write = "FILE_WRITE('x', '" + written + "')";

        Path statements = folder.resolve("statements.zip");
        Files.copy(archive, statements);
        forge(
                statements,
                sql -> sql + "CREATE ALIAS F FOR \"java.lang.System.lineSeparator\";\nCALL " + write + ";\n"
                        + "CREATE TABLE X(A BIGINT DEFAULT " + write + ");\nINSERT INTO X VALUES (DEFAULT);\n"
                        + "INSERT INTO \"PUBLIC\".\"NOWHERE\" VALUES (" + write + ");\n");
        Path restored = folder.resolve("without-statements");
        new BackupCommand(restored).restore(statements);
        assertThat(written).doesNotExist();
        assertThat(restored.resolve("unciala.mv.db")).exists();

        for (String value : List.of(
                write,
                "(SELECT " + write + ")",
                "'a' || " + write,
                "\"FILE_WRITE\"('x', '" + written + "')",
                "JSON " + write)) {
            Path forged = folder.resolve("forged.zip");
            Files.copy(archive, forged, StandardCopyOption.REPLACE_EXISTING);
            forge(forged, sql -> sql + "INSERT INTO \"PUBLIC\".\"CLIENT\" VALUES ('c', 0, 'C', " + value + ");\n");
            assertRefused(forged, "is no row of plain values");
            assertThat(written).as(value).doesNotExist();
        }
        Path columns = folder.resolve("columns.zip");
        Files.copy(archive, columns);
        forge(columns, sql -> sql + "INSERT INTO \"PUBLIC\".\"CLIENT\"(\"ID\") VALUES ('c');\n");
        assertRefused(columns, "is no row of plain values");
        Path ended = folder.resolve("ended.zip");
        Files.copy(archive, ended);
        forge(
                ended,
                sql -> sql + "INSERT INTO \"PUBLIC\".\"CLIENT\" VALUES ('c', 0, 'C', 1); CALL " + write + "; --);\n");
        assertRefused(ended, "its rows do not fit");
        assertThat(written).doesNotExist();
    }

    @Test
    void noSessionGoesAlongAndNobodyElseReadsWhatIsWritten() throws Exception {
        SERVER.signIn();
        Path archive = folder.resolve("quiet.zip");
        new BackupCommand(SERVER.data()).backup(archive);
        try (FileSystem zip = FileSystems.newFileSystem(archive)) {
            assertThat(Files.readString(zip.getPath(BackupArchive.DATABASE)))
                    .contains("INSERT INTO \"PUBLIC\".\"ACCOUNT\"")
                    .doesNotContain("SPRING_SESSION");
        }
        Path scripts = BackupScript.folderIn(SERVER.data());
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(scripts)))
                .isEqualTo("rwx------");
        assertThat(scripts).startsWith(SERVER.data());
        Files.delete(scripts);
    }

    @Test
    void anAdministratorMakesOneWithProgress() {
        Caller caller = SERVER.signIn();
        assertThat(caller.send("POST", "/api/backups", Map.of()).status()).isEqualTo(202);
        JsonNode backups = caller.get("/api/backups").json();
        for (int i = 0; i < 300 && backups.get("items").isEmpty(); i++) {
            Caller.pause();
            backups = caller.get("/api/backups").json();
        }
        assertThat(backups.get("progress").get("failure").asString()).isEmpty();
        String name = backups.get("items").get(0).get("name").asString();
        assertThat(caller.get("/api/backups/" + name).bytes()).startsWith('P', 'K');
        assertThat(caller.get("/api/backups/..%2funciala.mv.db").status()).isIn(400, 404);
        assertThat(caller.delete("/api/backups/" + name).status()).isEqualTo(204);
        assertThat(SERVER.stranger()
                        .sendRaw(
                                "POST",
                                "/api/backups/local",
                                "{\"file\":\"/tmp/x.zip\"}",
                                Map.of("Content-Type", "application/json"))
                        .status())
                .as("without the token of the data folder")
                .isEqualTo(401);
    }

    @Test
    void aDamagedFileBecomesAFlagAndTheSameFileMendsIt() throws Exception {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Lanthorn-Regular.ttf");
        String sha256 = caller.get("/api/families/" + family)
                .json()
                .get("files")
                .get(0)
                .get("sha256")
                .asString();
        Path stored =
                SERVER.data().resolve("store").resolve(sha256.substring(0, 2)).resolve(sha256.substring(2));
        byte[] bytes = Files.readAllBytes(stored);
        bytes[100] ^= 1;
        Files.write(stored, bytes);
        checkAll(caller);
        assertThat(caller.kinds("?family=" + family)).contains("STORED_FILE_DAMAGED");
        caller.takeIn(Map.of("again.ttf", Samples.font("Lanthorn-Regular.ttf")));
        assertThat(caller.kinds("?family=" + family)).doesNotContain("STORED_FILE_DAMAGED");
        assertThat(caller.get("/api/files/" + sha256).bytes()).isEqualTo(Samples.font("Lanthorn-Regular.ttf"));
        Files.delete(stored);
        checkAll(caller);
        assertThat(caller.kinds("?family=" + family)).contains("STORED_FILE_DAMAGED");
    }

    private static void checkAll(Caller caller) {
        caller.send("POST", "/api/storage/check", Map.of());
        int seen = 0;
        for (int i = 0; i < 200 && seen < 3; i++) {
            Caller.pause();
            seen = caller.get("/api/storage/check").json().get("running").asBoolean() ? 0 : seen + 1;
        }
    }

    private void assertRefused(Path archive, String reason) {
        Path target = folder.resolve("target-of-" + archive.getFileName());
        assertThatThrownBy(() -> new BackupCommand(target).restore(archive))
                .isInstanceOf(BadBackup.class)
                .hasMessageContaining(reason);
        assertThat(target).doesNotExist();
    }

    private static void edit(Path archive, String entry, String content) throws Exception {
        try (FileSystem zip = FileSystems.newFileSystem(archive)) {
            Files.write(zip.getPath(entry), content.getBytes(StandardCharsets.UTF_8));
        }
    }

    /** Changes the database of an archive, and its digest in the manifest with it. */
    private static void forge(Path archive, UnaryOperator<String> change) throws Exception {
        try (FileSystem zip = FileSystems.newFileSystem(archive)) {
            Path database = zip.getPath(BackupArchive.DATABASE);
            byte[] before = Files.readAllBytes(database);
            byte[] after =
                    change.apply(new String(before, StandardCharsets.UTF_8)).getBytes(StandardCharsets.UTF_8);
            Files.write(database, after);
            Path manifest = zip.getPath("manifest.json");
            Files.writeString(
                    manifest,
                    Files.readString(manifest)
                            .replace("\"bytes\":" + before.length + ",", "\"bytes\":" + after.length + ",")
                            .replace(FileStore.sha256(before), FileStore.sha256(after)));
        }
    }

    private static int count(Statement statement, String query) throws Exception {
        try (ResultSet rows = statement.executeQuery(query)) {
            rows.next();
            return rows.getInt(1);
        }
    }

    private static Map<String, byte[]> files(Path root) throws Exception {
        Map<String, byte[]> files = new TreeMap<>();
        try (Stream<Path> all = Files.walk(root)) {
            for (Path file : all.filter(Files::isRegularFile).toList()) {
                files.put(root.relativize(file).toString(), Files.readAllBytes(file));
            }
        }
        return files;
    }
}
