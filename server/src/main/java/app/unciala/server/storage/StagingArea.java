package app.unciala.server.storage;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Files under review, in one folder for each intake, until they are accepted or thrown away. */
@Component
public class StagingArea {
    private final Path folder;

    StagingArea(@Value("${unciala.data}") Path data) {
        folder = data.resolve("staging");
    }

    /** Keeps an upload as it came; {@code number} is its place in the drop. */
    public void putUpload(String intake, int number, InputStream bytes) {
        try {
            Path target = upload(intake, number);
            Files.createDirectories(target.getParent());
            Files.copy(bytes, target);
        } catch (IOException e) {
            throw new UncheckedIOException("cannot keep an upload", e);
        }
    }

    public Path upload(String intake, int number) {
        return folder.resolve(intake).resolve("upload-" + number);
    }

    /** Keeps one file read out of an upload, by its digest. */
    public void put(String intake, String sha256, byte[] bytes) {
        Path target = folder.resolve(intake).resolve(sha256);
        if (!Files.exists(target)) {
            FileStore.write(target, bytes);
        }
    }

    public byte[] get(String intake, String sha256) {
        try {
            return Files.readAllBytes(folder.resolve(intake).resolve(sha256));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Throws away all that an intake staged. */
    public void clear(String intake) {
        Path own = folder.resolve(intake);
        if (!Files.exists(own)) {
            return;
        }
        try (Stream<Path> files = Files.walk(own)) {
            List<Path> deepestFirst = files.sorted(Comparator.reverseOrder()).toList();
            for (Path file : deepestFirst) {
                Files.deleteIfExists(file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
