package app.unciala.server.storage;

import app.unciala.server.fault.Fault;
import jakarta.annotation.PostConstruct;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/** Files under review, in one folder for each intake, until some time after they are accepted or thrown away. */
@Component
public class StagingArea {
    private final Path folder;
    /** Where requests put uploads down until they have come to their end; on the same disk, so that they are moved. */
    private final Path incoming;

    StagingArea(@Value("${unciala.data}") Path data) {
        folder = data.resolve("staging");
        incoming = data.resolve("uploads");
    }

    /** Removes what was coming in when the server stopped. */
    @PostConstruct
    void clearIncoming() throws IOException {
        FileSystemUtils.deleteRecursively(incoming);
        Files.createDirectories(incoming);
    }

    /** An upload that puts its bytes down where it is told, once. */
    public interface Upload {
        void moveTo(Path file) throws IOException;
    }

    /** Keeps an upload as it came, and returns its size; {@code number} is its place in the drop. */
    public long putUpload(String intake, int number, Upload upload) {
        try {
            return Durable.write(upload(intake, number), upload);
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
            try {
                Durable.write(target, bytes);
            } catch (IOException e) {
                throw new UncheckedIOException("cannot keep a file of an intake", e);
            }
        }
    }

    public boolean has(String intake, String sha256) {
        return Files.exists(folder.resolve(intake).resolve(sha256));
    }

    /** Where a kept file is. */
    public Path file(String intake, String sha256) {
        Path file = folder.resolve(intake).resolve(sha256);
        if (!Files.exists(file)) {
            throw Fault.notFound("kept file", sha256);
        }
        return file;
    }

    public byte[] get(String intake, String sha256) {
        try {
            return Files.readAllBytes(file(intake, sha256));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The intakes that have files here. */
    public List<String> intakes() {
        if (!Files.exists(folder)) {
            return List.of();
        }
        try (Stream<Path> own = Files.list(folder)) {
            return own.map(path -> path.getFileName().toString()).sorted().toList();
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
