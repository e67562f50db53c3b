package app.unciala.testing;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Assumptions;

/** Programs that Debian packages installed, as independent readers and writers of fonts; for tests only. */
public final class Tool {
    /** Remarks about odd dates and the like would stand among what a script prints. */
    private static final String QUIET = "import logging\nlogging.disable(logging.ERROR)\n";

    private Tool() {}

    /**
     * Runs a program and returns what it printed; one that fails fails the test with what it said. Where it is not
     * installed, the test is skipped and says so; {@code bin/test} installs all of them, and counts a skip as a failure.
     */
    public static String run(Object... command) {
        List<String> words = new ArrayList<>();
        for (Object word : command) {
            words.add(word.toString());
        }
        Assumptions.assumeTrue(isThere(words.get(0)), "skipped, because " + words.get(0) + " is not installed");
        try {
            Process process =
                    new ProcessBuilder(words).redirectErrorStream(true).start();
            String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            if (process.waitFor() != 0) {
                throw new AssertionError(words.get(0) + " failed: " + said);
            }
            return said;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AssertionError(words.get(0) + " was interrupted", e);
        }
    }

    private static boolean isThere(String program) {
        return Stream.of(System.getenv("PATH").split(File.pathSeparator))
                .map(folder -> Path.of(folder).resolve(program))
                .anyMatch(Files::isExecutable);
    }

    /** Runs a script in the Python that has Debian's fontTools. */
    public static String python(String script, Object... arguments) {
        List<Object> command = new ArrayList<>(List.of("/usr/bin/python3", "-c", QUIET + script));
        command.addAll(List.of(arguments));
        return run(command.toArray());
    }

    /** What HarfBuzz sets of a text: glyph numbers with clusters, places and advances. */
    public static String shape(Path font, String variations, String text) {
        return run("hb-shape", "--no-glyph-names", "--variations=" + variations, font, text);
    }
}
