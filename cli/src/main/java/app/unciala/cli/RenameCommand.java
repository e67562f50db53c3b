package app.unciala.cli;

import app.unciala.font.rename.Renamer;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Gives faces another family name, in all name records that carry it. */
@Command(
        name = "rename",
        description = "Gives font files another family name.",
        footer = "  unciala rename *.ttf --family \"Client Sans\" --out-dir renamed")
final class RenameCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(arity = "1..*", paramLabel = "IN")
    private List<Path> files = List.of();

    @Option(names = "--family", paramLabel = "NAME", required = true)
    private String family = "";

    @Option(names = "--to", paramLabel = "FORMAT", description = "woff2, woff, ttf, otf, eot or svg; else as it came")
    private @Nullable String format;

    @ArgGroup(multiplicity = "1")
    private Output output = new Output();

    @Override
    public Integer call() throws IOException {
        try {
            return output.writeAll(
                    spec.commandLine(), files, Optional.ofNullable(format), face -> Renamer.rename(face, family));
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), "--family: " + e.getMessage());
        }
    }
}
