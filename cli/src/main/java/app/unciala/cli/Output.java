package app.unciala.cli;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.file.FontFile;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;

/**
 * Where results go: one file, or a folder in which each keeps its base name and one failure does not stop the rest. The
 * faces of a collection are numbered behind the base name. Neither an input nor another result is ever written over.
 */
final class Output {
    @Option(names = "-o", paramLabel = "OUT", description = "the file to write, for one input")
    private @Nullable Path file;

    @Option(names = "--out-dir", paramLabel = "DIR", description = "the folder to write into")
    private @Nullable Path folder;

    /** What this run writes, and from what. */
    private final Map<Path, Path> claimed = new ConcurrentHashMap<>();

    /**
     * Changes every input and writes it in the format asked for, or else the one that OUT promises by its extension, or else
     * the one it came in.
     *
     * @return the exit code: 1 if any input failed
     */
    int writeAll(CommandLine command, List<Path> inputs, Optional<String> format, UnaryOperator<Sfnt> change)
            throws IOException {
        Optional<FontFormat> to = format.map(key -> parse(command, key));
        if (file != null && inputs.size() > 1) {
            throw new ParameterException(command, "-o takes one input; use --out-dir for several");
        }
        if (folder != null) {
            Files.createDirectories(folder);
        }
        inputs.forEach(input -> claimed.put(place(input), input));
        // Files have nothing to do with each other, so every core takes one; of two with the same name the first keeps
        // it. Messages come in the order of the files.
        String[] problems = new String[inputs.size()];
        IntStream.range(0, inputs.size())
                .boxed()
                .collect(Collectors.groupingBy(i -> baseName(inputs.get(i))))
                .values()
                .parallelStream()
                .forEach(same -> same.forEach(i -> problems[i] = write(inputs.get(i), to, change)));
        List<String> said =
                Arrays.stream(problems).filter(problem -> !problem.isEmpty()).toList();
        said.forEach(command.getErr()::println);
        return said.isEmpty() ? 0 : 1;
    }

    /** What went wrong, or nothing. */
    private String write(Path input, Optional<FontFormat> to, UnaryOperator<Sfnt> change) {
        try {
            FontFile font = FontReader.read(Files.readAllBytes(input));
            List<Sfnt> faces = font.faces();
            if (faces.size() > 1 && file != null) {
                throw new FontException(
                        "file", -1, "is a collection of " + faces.size() + " faces; use --out-dir for a file of each");
            }
            for (int i = 0; i < faces.size(); i++) {
                Sfnt face = change.apply(faces.get(i));
                FontFormat target = to.or(this::formatOfFile)
                        .orElse(font.format() == FontFormat.COLLECTION ? face.bareFormat() : font.format());
                Files.write(claim(input, faces.size() == 1 ? -1 : i, target), FontWriter.write(face, target));
            }
            return "";
        } catch (FontException e) {
            return input + ": " + Unciala.inOneLine(e);
        } catch (IOException e) {
            return Unciala.inOneLine(e);
        }
    }

    /** The format that the name of the file to write promises. */
    private Optional<FontFormat> formatOfFile() {
        return Optional.ofNullable(file)
                .flatMap(path -> FontFormat.promisedBy(path.getFileName().toString()))
                .filter(format -> format != FontFormat.COLLECTION);
    }

    private Path claim(Path input, int face, FontFormat format) {
        Path path = path(input, face, format);
        Path other = claimed.putIfAbsent(place(path), input);
        if (other != null) {
            boolean isInput = place(other).equals(place(path));
            throw new FontException(
                    "file", -1, "would be written over " + path + (isInput ? ", an input" : ", made from " + other));
        }
        return path;
    }

    private static Path place(Path path) {
        return path.toAbsolutePath().normalize();
    }

    /** {@code face} is its place in a collection, or -1 for the only face of a file. */
    private Path path(Path input, int face, FontFormat format) {
        if (file != null) {
            return file;
        }
        String name = baseName(input) + (face < 0 ? "" : "-" + (face + 1)) + "." + format.extension();
        return folder == null ? Path.of(name) : folder.resolve(name);
    }

    /** The file's name without its extension. */
    static String baseName(Path file) {
        return file.getFileName().toString().replaceFirst("\\.[^.]*$", "");
    }

    private static FontFormat parse(CommandLine command, String key) {
        return FontFormat.fromKey(key)
                .filter(format -> format != FontFormat.COLLECTION)
                .orElseThrow(() ->
                        new ParameterException(command, "--to " + key + ": try woff2, woff, ttf, otf, eot or svg"));
    }
}
