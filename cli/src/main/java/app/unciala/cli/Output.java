package app.unciala.cli;

import app.unciala.core.font.FontException;
import app.unciala.core.font.FontFile;
import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import app.unciala.core.font.FontWriter;
import app.unciala.core.font.sfnt.Sfnt;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;

/** Where results go: one file, or a folder in which each keeps its base name and one failure does not stop the rest. */
final class Output {
    @Option(names = "-o", paramLabel = "OUT", description = "the file to write, for one input")
    private @Nullable Path file;

    @Option(names = "--out-dir", paramLabel = "DIR", description = "the folder to write into")
    private @Nullable Path folder;

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
        boolean failed = false;
        for (Path input : inputs) {
            try {
                FontFile font = FontReader.read(Files.readAllBytes(input));
                if (font.faces().size() > 1) {
                    throw new FontException(
                            "file", -1, "is a collection of " + font.faces().size() + " faces");
                }
                Sfnt face = change.apply(font.faces().get(0));
                FontFormat target = to.or(this::formatOfFile)
                        .orElse(font.format() == FontFormat.COLLECTION ? face.bareFormat() : font.format());
                Files.write(path(input, target), FontWriter.write(face, target));
            } catch (FontException e) {
                command.getErr().println(input + ": " + Unciala.inOneLine(e));
                failed = true;
            } catch (IOException e) {
                command.getErr().println(Unciala.inOneLine(e));
                failed = true;
            }
        }
        return failed ? 1 : 0;
    }

    /** The format that the name of the file to write promises. */
    private Optional<FontFormat> formatOfFile() {
        return Optional.ofNullable(file)
                .flatMap(path -> FontFormat.promisedBy(path.getFileName().toString()))
                .filter(format -> format != FontFormat.COLLECTION);
    }

    private Path path(Path input, FontFormat format) {
        if (file != null) {
            return file;
        }
        String base = input.getFileName().toString().replaceFirst("\\.[^.]*$", "");
        return (folder == null ? Path.of("") : folder).resolve(base + "." + format.extension());
    }

    private static FontFormat parse(CommandLine command, String key) {
        return FontFormat.fromKey(key)
                .filter(format -> format != FontFormat.COLLECTION)
                .orElseThrow(() ->
                        new ParameterException(command, "--to " + key + ": try woff2, woff, ttf, otf, eot or svg"));
    }
}
