package app.unciala.server.storage;

import app.unciala.font.file.FontWriter;
import com.google.common.hash.Hashing;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.JarURLConnection;
import java.net.URL;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.jar.JarFile;
import java.util.stream.Stream;

/** Which font engine this is, by its classes: files that another one made are not taken for those this one makes. */
final class EngineVersion {
    private static final int SHOWN = 12;

    private EngineVersion() {}

    /** Letters and digits that are the same as long as the classes of the engine are. */
    static String current() {
        URL engine = FontWriter.class.getProtectionDomain().getCodeSource().getLocation();
        try {
            return Hashing.sha256()
                    .hashString(String.join("\n", classes(engine)), StandardCharsets.UTF_8)
                    .toString()
                    .substring(0, SHOWN);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The names of its classes, each with what tells its bytes apart. */
    private static List<String> classes(URL engine) throws IOException {
        if (engine.openConnection() instanceof JarURLConnection nested) {
            // A jar within a jar, as java -jar has it; the connection is not to be closed, others read classes by it.
            return entries(nested.getJarFile());
        }
        File place = new File(engine.getPath());
        if (place.isFile()) {
            try (JarFile jar = new JarFile(place)) {
                return entries(jar);
            }
        }
        Path folder = place.toPath();
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(Files::isRegularFile)
                    .sorted()
                    .map(file -> folder.relativize(file) + " " + digest(file))
                    .toList();
        }
    }

    private static List<String> entries(JarFile jar) {
        return jar.stream()
                .filter(entry -> entry.getName().endsWith(".class"))
                .map(entry -> entry.getName() + " " + entry.getCrc())
                .sorted()
                .toList();
    }

    private static String digest(Path file) {
        try {
            return Hashing.crc32().hashBytes(Files.readAllBytes(file)).toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
