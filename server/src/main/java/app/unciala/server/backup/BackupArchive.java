package app.unciala.server.backup;

import com.google.common.hash.Hashing;
import com.google.common.hash.HashingInputStream;
import com.google.common.hash.HashingOutputStream;
import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongConsumer;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * A backup as a zip archive: {@code database.sql}, the folders {@code store} and {@code staging}, and at its end
 * {@code manifest.json} with the length and SHA-256 of everything before it.
 */
final class BackupArchive {
    /** The newest database schema that this program knows. */
    static final int SCHEMA = 17;

    static final String DATABASE = "database.sql";
    private static final int FORMAT = 1;
    private static final String MANIFEST = "manifest.json";
    private static final List<String> FOLDERS = List.of("store", "staging");
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private BackupArchive() {}

    /** One file of a backup; {@code bytes} is its length. */
    record Entry(String path, long bytes, String sha256) {}

    /** What a backup says of itself: the version of its own form, and that of the database schema. */
    record Manifest(int format, int schema, String madeAt, List<Entry> entries) {}

    /** A backup cannot be used; the message says why. */
    static final class BadBackup extends IOException {
        private static final long serialVersionUID = 1;

        BadBackup(String message) {
            super(message);
        }
    }

    /**
     * Writes a backup under a temporary name, reads it again and compares every digest, and only then gives it its
     * name. {@code done} is told how many bytes are written.
     */
    static Manifest write(Path data, Path script, Instant madeAt, Path target, LongConsumer done) throws IOException {
        Path absolute = target.toAbsolutePath();
        if (Files.exists(absolute)) {
            throw new BadBackup(target + " exists already; choose another name");
        }
        Files.createDirectories(absolute.getParent());
        Path temporary = Files.createTempFile(absolute.getParent(), "backup", ".part");
        try {
            Manifest manifest;
            try (ZipOutputStream zip =
                    new ZipOutputStream(new BufferedOutputStream(Files.newOutputStream(temporary)))) {
                List<Entry> entries = new ArrayList<>();
                long[] total = {0};
                add(zip, DATABASE, script, entries);
                for (String folder : FOLDERS) {
                    for (Path file : files(data.resolve(folder))) {
                        add(zip, data.relativize(file).toString().replace('\\', '/'), file, entries);
                        total[0] += entries.get(entries.size() - 1).bytes();
                        done.accept(total[0]);
                    }
                }
                manifest = new Manifest(FORMAT, SCHEMA, madeAt.toString(), List.copyOf(entries));
                zip.putNextEntry(new ZipEntry(MANIFEST));
                zip.write(MAPPER.writeValueAsBytes(manifest));
                zip.closeEntry();
            }
            check(temporary);
            Files.move(temporary, absolute, StandardCopyOption.ATOMIC_MOVE);
            return manifest;
        } finally {
            Files.deleteIfExists(temporary);
        }
    }

    /** The bytes of all files that a backup of a data folder holds, without the database. */
    static long size(Path data) throws IOException {
        long total = 0;
        for (String folder : FOLDERS) {
            for (Path file : files(data.resolve(folder))) {
                total += Files.exists(file) ? Files.size(file) : 0;
            }
        }
        return total;
    }

    /** Reads a backup and compares it with its manifest, which it gives. */
    static Manifest check(Path archive) throws IOException {
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            Manifest manifest = manifest(zip);
            Map<String, Entry> expected = new HashMap<>();
            manifest.entries().forEach(entry -> expected.put(entry.path(), entry));
            for (Enumeration<? extends ZipEntry> all = zip.entries(); all.hasMoreElements(); ) {
                ZipEntry found = all.nextElement();
                if (found.getName().equals(MANIFEST)) {
                    continue;
                }
                Entry entry = expected.remove(found.getName());
                if (entry == null) {
                    throw new BadBackup(found.getName() + " is not in the manifest");
                }
                try (InputStream in = zip.getInputStream(found)) {
                    HashingInputStream hashed = new HashingInputStream(Hashing.sha256(), in);
                    long bytes = hashed.transferTo(OutputStream.nullOutputStream());
                    if (bytes != entry.bytes() || !hashed.hash().toString().equals(entry.sha256())) {
                        throw new BadBackup(found.getName() + " is damaged");
                    }
                }
            }
            if (!expected.isEmpty()) {
                throw new BadBackup(expected.keySet().iterator().next() + " is missing");
            }
            return manifest;
        } catch (ZipException | EOFException e) {
            throw new BadBackup("it is damaged: " + e.getMessage());
        }
    }

    /** Writes the files of a checked backup into a folder. */
    static void extract(Path archive, Path folder) throws IOException {
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            for (Entry entry : manifest(zip).entries()) {
                Path target = folder.resolve(entry.path()).normalize();
                if (!target.startsWith(folder)) {
                    throw new BadBackup(entry.path() + " climbs out of its archive");
                }
                Files.createDirectories(target.getParent());
                try (InputStream in = zip.getInputStream(zip.getEntry(entry.path()))) {
                    Files.copy(in, target);
                }
            }
        }
    }

    private static Manifest manifest(ZipFile zip) throws IOException {
        ZipEntry entry = zip.getEntry(MANIFEST);
        if (entry == null) {
            throw new BadBackup("it isn’t a backup of Unciala, or its end is missing");
        }
        Manifest manifest;
        try (InputStream in = new BufferedInputStream(zip.getInputStream(entry))) {
            manifest = MAPPER.readValue(in, Manifest.class);
        } catch (JacksonException e) {
            throw new BadBackup("its manifest cannot be read");
        }
        if (manifest.format() > FORMAT || manifest.schema() > SCHEMA) {
            throw new BadBackup("it was made by a newer version of Unciala; restore it with that version");
        }
        return manifest;
    }

    private static void add(ZipOutputStream zip, String path, Path file, List<Entry> entries) throws IOException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            zip.putNextEntry(new ZipEntry(path));
            HashingOutputStream hashed = new HashingOutputStream(Hashing.sha256(), zip);
            long bytes = in.transferTo(hashed);
            zip.closeEntry();
            entries.add(new Entry(path, bytes, hashed.hash().toString()));
        } catch (NoSuchFileException e) {
            if (path.startsWith("store/")) {
                throw e;
            }
            // A closed intake was put away meanwhile; the database of this backup may still list it.
        }
    }

    private static List<Path> files(Path folder) throws IOException {
        if (!Files.exists(folder)) {
            return List.of();
        }
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(Files::isRegularFile)
                    .filter(file -> !file.getFileName().toString().endsWith(".part"))
                    .sorted()
                    .toList();
        }
    }
}
