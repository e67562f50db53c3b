package app.unciala.server.storage;

import app.unciala.core.font.FontException;
import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import app.unciala.core.font.FontWriter;
import app.unciala.core.font.sfnt.Sfnt;
import app.unciala.core.font.subset.SubsetPlan;
import app.unciala.core.font.subset.Subsetter;
import app.unciala.server.fault.Fault;
import com.google.common.hash.Hashing;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.Character.UnicodeScript;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/**
 * Fonts cut to the few letters that a list shows of them, as WOFF 2 of a few kilobytes. A cut is made once and kept under
 * the digest of its font and of its letters; it can always be made again.
 */
@Component
public class LetterCuts {
    private static final Logger LOG = LoggerFactory.getLogger(LetterCuts.class);
    private static final int MOST_LETTERS = 300;

    private final Path folder;

    public LetterCuts(@Value("${unciala.data}") Path data) {
        folder = data.resolve("cuts");
    }

    /**
     * The cut of a font to the letters of a text, in any order; a font that cannot be cut stands as it is.
     *
     * @param font where its bytes are; its first face is cut
     */
    public Path cut(String sha256, Path font, String text) {
        String letters = text.codePoints()
                .distinct()
                .sorted()
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
        if (letters.isEmpty() || letters.length() > MOST_LETTERS) {
            throw Fault.invalid("text", "Ask for 1 to " + MOST_LETTERS + " different letters.");
        }
        Path cut = folder.resolve(sha256.substring(0, 2)).resolve(sha256).resolve(name(letters) + ".woff2");
        try {
            // Not forced to disk, so after a power failure a file may be there without its bytes.
            return Files.exists(cut) && Files.size(cut) > 0 ? cut : make(font, letters, cut);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * What was made of a font, under a name that says how it was made; made when it is not there.
     *
     * @param sha256 the digest of the font
     */
    public Path kept(String sha256, String name, Supplier<byte[]> make) {
        Path file = folder.resolve(sha256.substring(0, 2)).resolve(sha256).resolve(name);
        try {
            return Files.exists(file) && Files.size(file) > 0 ? file : write(make.get(), file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Path make(Path font, String letters, Path cut) throws IOException {
        byte[] bytes;
        try {
            Sfnt face = FontReader.read(Files.readAllBytes(font)).faces().get(0);
            SubsetPlan plan = SubsetPlan.ofText(letters).withoutHinting();
            if (letters.codePoints().allMatch(LetterCuts::standsAlone)) {
                plan = plan.withFeatures("kern"::equals);
            }
            bytes = FontWriter.write(Subsetter.subset(face, plan), FontFormat.WOFF2);
        } catch (FontException e) {
            LOG.debug("{} cannot be cut to letters: {}", font, e.getMessage());
            return font;
        }
        return write(bytes, cut);
    }

    private static Path write(byte[] bytes, Path cut) throws IOException {
        Files.createDirectories(cut.getParent());
        Path written = Files.createTempFile(cut.getParent(), "cut", ".part");
        try {
            Files.write(written, bytes);
            Files.move(written, cut, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(written);
        }
        return cut;
    }

    /** Latin letters and signs, which are set one after another; others may need all of the layout of their script. */
    private static boolean standsAlone(int codePoint) {
        UnicodeScript script = UnicodeScript.of(codePoint);
        return script == UnicodeScript.LATIN || script == UnicodeScript.COMMON;
    }

    /** Removes the cuts of fonts that nothing names, made before a time. */
    void collect(Set<String> named, Instant before) {
        if (!Files.exists(folder)) {
            return;
        }
        try (Stream<Path> files = Files.walk(folder, 2)) {
            for (Path cuts : files.filter(file -> folder.relativize(file).getNameCount() == 2)
                    .filter(file -> !named.contains(file.getFileName().toString()))
                    .toList()) {
                if (Files.getLastModifiedTime(cuts).toInstant().isBefore(before)) {
                    FileSystemUtils.deleteRecursively(cuts);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String name(String letters) {
        return Hashing.sha256()
                .hashString(letters, StandardCharsets.UTF_8)
                .toString()
                .substring(0, 16);
    }
}
