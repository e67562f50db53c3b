package app.unciala.cli;

import app.unciala.core.font.FontException;
import app.unciala.core.font.FontFile;
import app.unciala.core.font.FontFormat;
import app.unciala.core.font.FontReader;
import app.unciala.core.font.FontWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Puts faces into another container. With a folder, one that fails does not stop the rest. */
@Command(name = "convert", description = "Converts font files to another format.")
final class ConvertCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(arity = "1..*", paramLabel = "IN")
    private List<Path> files = List.of();

    @Option(names = "--to", required = true, paramLabel = "FORMAT", description = "woff2, woff, ttf or otf")
    private String format = "";

    @ArgGroup(multiplicity = "1")
    private Target target = new Target();

    static final class Target {
        @Option(names = "-o", paramLabel = "OUT", description = "the file to write, for one input")
        private Path file;

        @Option(names = "--out-dir", paramLabel = "DIR", description = "the folder to write into")
        private Path folder;
    }

    @Override
    public Integer call() throws IOException {
        FontFormat to = FontFormat.fromKey(format)
                .orElseThrow(() ->
                        new ParameterException(spec.commandLine(), "--to " + format + ": try woff2, woff, ttf or otf"));
        if (target.file != null) {
            if (files.size() > 1) {
                throw new ParameterException(spec.commandLine(), "-o takes one input; use --out-dir for several");
            }
            return convert(files.get(0), to, target.file) ? 0 : 1;
        }
        Files.createDirectories(target.folder);
        boolean failed = false;
        for (Path file : files) {
            String name = file.getFileName().toString().replaceFirst("\\.[^.]*$", "");
            failed |= !convert(file, to, target.folder.resolve(name + "." + to.extension()));
        }
        return failed ? 1 : 0;
    }

    private boolean convert(Path in, FontFormat to, Path out) {
        try {
            FontFile font = FontReader.read(Files.readAllBytes(in));
            if (font.faces().size() > 1) {
                throw new FontException(
                        "file", -1, "is a collection of " + font.faces().size() + " faces");
            }
            Files.write(out, FontWriter.write(font.faces().get(0), to));
            return true;
        } catch (FontException e) {
            spec.commandLine().getErr().println(in + ": " + Unciala.inOneLine(e));
        } catch (IOException e) {
            spec.commandLine().getErr().println(Unciala.inOneLine(e));
        }
        return false;
    }
}
