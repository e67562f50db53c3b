package app.unciala.server.storage;

import app.unciala.server.fault.Fault;
import com.google.common.hash.Hashing;
import com.google.common.hash.HashingInputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Files by the SHA-256 of their content. A file is written under a temporary name, forced to disk and renamed before
 * anything records it, so that a recorded file always exists and equal bytes are stored once.
 */
@Component
public class FileStore {
    private final Path folder;

    FileStore(@Value("${unciala.data}") Path data) {
        folder = data.resolve("store");
    }

    /** A stored file: its digest and its size in bytes. */
    public record Stored(String sha256, long bytes) {}

    /** What reading a stored file again found. */
    public enum State {
        INTACT,
        DAMAGED,
        VANISHED
    }

    public static String sha256(byte[] bytes) {
        return Hashing.sha256().hashBytes(bytes).toString();
    }

    /** Stores the bytes and returns their digest. */
    public String put(byte[] bytes) {
        return put(new ByteArrayInputStream(bytes)).sha256();
    }

    /** Stores all that a stream gives, in place of a damaged file of the same digest, without holding it in memory. */
    public Stored put(InputStream in) {
        try {
            Durable.Written written = Durable.writeTemporary(folder.resolve("incoming"), in);
            keep(written);
            return new Stored(written.sha256(), written.bytes());
        } catch (IOException e) {
            throw new UncheckedIOException("a file cannot be stored", e);
        }
    }

    private void keep(Durable.Written written) throws IOException {
        Path target = path(written.sha256());
        if (check(written.sha256()) == State.INTACT) {
            Files.delete(written.file());
            // Recorded again, so the collection of files that nothing names must see it as new.
            Files.setLastModifiedTime(target, FileTime.from(Instant.now()));
        } else {
            Durable.move(written.file(), target);
        }
    }

    public boolean has(String sha256) {
        return isDigest(sha256) && Files.exists(path(sha256));
    }

    /** The whole of a file; for files that are read as fonts, which are bounded in size. */
    public byte[] get(String sha256) {
        try {
            return Files.readAllBytes(file(sha256));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Where a file is, to be sent from there. */
    public Path file(String sha256) {
        if (!has(sha256)) {
            throw Fault.notFound("stored file", sha256);
        }
        return path(sha256);
    }

    /** Reads a file again and compares it with its digest. */
    public State check(String sha256) {
        try (InputStream in = Files.newInputStream(path(sha256))) {
            HashingInputStream hashed = new HashingInputStream(Hashing.sha256(), in);
            hashed.transferTo(OutputStream.nullOutputStream());
            return hashed.hash().toString().equals(sha256) ? State.INTACT : State.DAMAGED;
        } catch (NoSuchFileException e) {
            return State.VANISHED;
        } catch (IOException e) {
            return State.DAMAGED;
        }
    }

    /** The digests of the files that were stored, or stored again, before a time. */
    public List<String> storedBefore(Instant time) {
        if (!Files.exists(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.walk(folder, 2)) {
            return files.filter(file -> isDigest(digest(file)))
                    .filter(file -> isBefore(file, time))
                    .map(this::digest)
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    void delete(String sha256) {
        try {
            Files.deleteIfExists(path(sha256));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static boolean isBefore(Path file, Instant time) {
        try {
            return Files.getLastModifiedTime(file).toInstant().isBefore(time);
        } catch (IOException e) {
            return false;
        }
    }

    private String digest(Path file) {
        Path relative = folder.relativize(file);
        return relative.getNameCount() == 2 ? relative.getName(0).toString() + relative.getName(1) : "";
    }

    private Path path(String sha256) {
        return folder.resolve(sha256.substring(0, 2)).resolve(sha256.substring(2));
    }

    private static boolean isDigest(String text) {
        return text.matches("[0-9a-f]{64}");
    }
}
