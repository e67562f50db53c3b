package app.unciala.server.storage;

import app.unciala.server.http.Problem;
import com.google.common.hash.Hashing;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
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

    public static String sha256(byte[] bytes) {
        return Hashing.sha256().hashBytes(bytes).toString();
    }

    /** Stores the bytes and returns their digest. */
    public String put(byte[] bytes) {
        String sha256 = sha256(bytes);
        Path target = path(sha256);
        if (!Files.exists(target)) {
            write(target, bytes);
        }
        return sha256;
    }

    public boolean has(String sha256) {
        return isDigest(sha256) && Files.exists(path(sha256));
    }

    public byte[] get(String sha256) {
        if (!has(sha256)) {
            throw Problem.notFound("stored file", sha256);
        }
        try {
            return Files.readAllBytes(path(sha256));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static void write(Path target, byte[] bytes) {
        try {
            Files.createDirectories(target.getParent());
            Path temporary = Files.createTempFile(target.getParent(), "writing", ".part");
            try (FileChannel channel = FileChannel.open(temporary, StandardOpenOption.WRITE)) {
                ByteBuffer buffer = ByteBuffer.wrap(bytes);
                while (buffer.hasRemaining()) {
                    channel.write(buffer);
                }
                channel.force(true);
            }
            Files.move(temporary, target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new UncheckedIOException("cannot write " + target, e);
        }
    }

    private Path path(String sha256) {
        return folder.resolve(sha256.substring(0, 2)).resolve(sha256.substring(2));
    }

    private static boolean isDigest(String text) {
        return text.matches("[0-9a-f]{64}");
    }
}
