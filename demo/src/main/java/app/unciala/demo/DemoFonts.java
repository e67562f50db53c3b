package app.unciala.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/** Draws the demonstration's fonts into a folder of classes when the project is built, and reads them again. */
public final class DemoFonts {
    private DemoFonts() {}

    /** Draws what is not drawn yet, or was drawn by an older pen; {@code args[0]} is the folder of classes. */
    public static void main(String[] args) throws IOException {
        Path classes = Path.of(args[0]);
        Path folder = classes.resolve(DemoFonts.class.getPackageName().replace('.', '/'));
        long pen = newestPen(folder);
        List<DemoFont> stale = DemoFont.all().stream()
                .filter(font -> !isNewer(folder.resolve(font.resource()), pen))
                .toList();
        Files.createDirectories(folder.resolve("fonts"));
        stale.parallelStream().forEach(font -> write(folder.resolve(font.resource()), font.draw()));
    }

    static byte[] read(DemoFont font) {
        try (InputStream in = DemoFonts.class.getResourceAsStream(font.resource())) {
            if (in == null) {
                throw new IllegalStateException(font.fileName() + " was not drawn when the project was built");
            }
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static long newestPen(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(file -> file.toString().matches(".*(\\.class|\\.txt)"))
                    .mapToLong(file -> file.toFile().lastModified())
                    .max()
                    .orElse(0);
        }
    }

    private static boolean isNewer(Path file, long time) {
        return Files.exists(file) && file.toFile().lastModified() >= time;
    }

    private static void write(Path file, byte[] bytes) {
        try {
            Files.write(file, bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
