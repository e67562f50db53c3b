package app.unciala.server.storage;

import app.unciala.server.storage.StagingArea.Upload;
import com.google.common.hash.Hashing;
import com.google.common.hash.HashingInputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Objects;

/** Writes files so that they survive a loss of power: the bytes are forced to disk, then the name, then the folder. */
final class Durable {
    private Durable() {}

    /** A file as written. */
    record Written(Path file, String sha256, long bytes) {}

    /** Writes all of a stream under a temporary name in a folder, forced to disk; the caller moves or deletes it. */
    static Written writeTemporary(Path folder, InputStream in) throws IOException {
        HashingInputStream hashed = new HashingInputStream(Hashing.sha256(), in);
        Path written = temporary(folder, hashed);
        return new Written(written, hashed.hash().toString(), Files.size(written));
    }

    /** Keeps an upload under a name by which it is found, and returns its size. */
    static long write(Path target, Upload upload) throws IOException {
        Path folder = parent(target);
        Files.createDirectories(folder);
        Path temporary = Files.createTempFile(folder, "writing", ".part");
        try {
            upload.moveTo(temporary);
            sync(temporary, StandardOpenOption.WRITE);
            move(temporary, target);
            return Files.size(target);
        } finally {
            Files.deleteIfExists(temporary);
        }
    }

    /** Writes a file under a name by which it is found, of bytes whose digest is known. */
    static void write(Path target, byte[] bytes) throws IOException {
        move(temporary(parent(target), new ByteArrayInputStream(bytes)), target);
    }

    private static Path temporary(Path folder, InputStream in) throws IOException {
        Files.createDirectories(folder);
        Path temporary = Files.createTempFile(folder, "writing", ".part");
        try {
            try (OutputStream out = Files.newOutputStream(temporary)) {
                in.transferTo(out);
            }
            sync(temporary, StandardOpenOption.WRITE);
            return temporary;
        } catch (IOException | RuntimeException e) {
            // The stream broke off or the disk is full; half a file is of no use.
            Files.deleteIfExists(temporary);
            throw e;
        }
    }

    /** Gives a file its name, in place of any other, and forces the folder to disk. */
    static void move(Path temporary, Path target) throws IOException {
        Path folder = parent(target);
        boolean newFolder = !Files.exists(folder);
        Files.createDirectories(folder);
        Files.move(temporary, target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        sync(folder, StandardOpenOption.READ);
        if (newFolder) {
            sync(parent(folder), StandardOpenOption.READ);
        }
    }

    private static Path parent(Path file) {
        return Objects.requireNonNull(file.toAbsolutePath().getParent(), "files are kept in folders");
    }

    private static void sync(Path file, StandardOpenOption how) throws IOException {
        try (FileChannel channel = FileChannel.open(file, how)) {
            channel.force(true);
        }
    }
}
