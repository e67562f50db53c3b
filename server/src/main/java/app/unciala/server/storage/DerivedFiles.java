package app.unciala.server.storage;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/**
 * What was made of fonts in the store, such as cuts of them: kept under the digest of the font and a name that says how it
 * was made. All of it can be made again at any time.
 */
@Component
public class DerivedFiles {
    private final Path all;
    private final Path folder;

    @Autowired
    public DerivedFiles(@Value("${unciala.data}") Path data) {
        this(data, EngineVersion.current());
    }

    /** What one font engine made is not taken for what another, with another {@code engine}, would make. */
    DerivedFiles(Path data, String engine) {
        all = data.resolve("cuts");
        folder = all.resolve(engine);
    }

    /**
     * What was made of a font, made when it is not there.
     *
     * @param sha256 the digest of the font
     * @param name says how it is made, and is different for whatever is made in another way
     */
    public Path kept(String sha256, String name, Supplier<byte[]> make) {
        Path file = file(sha256, name);
        try {
            // Not forced to disk, so after a power failure a file may be there without its bytes.
            return Files.exists(file) && Files.size(file) > 0 ? file : write(make.get(), file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * The same for what anybody may ask for in any number of ways: of those of a font whose names end alike, the {@code most}
     * that were used last are kept.
     */
    public Path keptAmong(int most, String sha256, String name, Supplier<byte[]> make) {
        Optional<Path> known = find(sha256, name);
        Path file = kept(sha256, name, make);
        try {
            if (known.isPresent()) {
                Files.setLastModifiedTime(file, FileTime.from(Instant.now()));
            } else {
                forgetBut(most, folder(sha256), name.substring(name.indexOf('.')));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return file;
    }

    private static void forgetBut(int most, Path folder, String ending) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            List<Path> latestFirst = files.filter(
                            file -> file.getFileName().toString().endsWith(ending))
                    .sorted(Comparator.comparingLong(
                                    (Path file) -> file.toFile().lastModified())
                            .reversed())
                    .toList();
            for (Path old : latestFirst.subList(Math.min(most, latestFirst.size()), latestFirst.size())) {
                Files.deleteIfExists(old);
            }
        }
    }

    /** What was made of a font under a name, if it is there. */
    public Optional<Path> find(String sha256, String name) {
        return Optional.of(file(sha256, name)).filter(Files::exists);
    }

    private Path file(String sha256, String name) {
        return folder(sha256).resolve(name);
    }

    private Path folder(String sha256) {
        return folder.resolve(sha256.substring(0, 2)).resolve(sha256);
    }

    private static Path write(byte[] bytes, Path file) throws IOException {
        Files.createDirectories(file.getParent());
        Path written = Files.createTempFile(file.getParent(), "made", ".part");
        try {
            Files.write(written, bytes);
            Files.move(written, file, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(written);
        }
        return file;
    }

    /** Removes what was made of fonts that nothing names, and what other engines made, before a time. */
    void collect(Set<String> named, Instant before) {
        remove(all, 1, made -> !made.equals(folder), before);
        remove(folder, 2, made -> !named.contains(made.getFileName().toString()), before);
    }

    private static void remove(Path within, int depth, Predicate<Path> which, Instant before) {
        if (!Files.exists(within)) {
            return;
        }
        try (Stream<Path> files = Files.walk(within, depth)) {
            for (Path made : files.filter(file ->
                            !file.equals(within) && within.relativize(file).getNameCount() == depth)
                    .filter(which)
                    .toList()) {
                if (Files.getLastModifiedTime(made).toInstant().isBefore(before)) {
                    FileSystemUtils.deleteRecursively(made);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
