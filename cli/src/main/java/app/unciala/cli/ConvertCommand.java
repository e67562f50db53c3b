package app.unciala.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Puts faces into another container. */
@Command(
        name = "convert",
        description = "Converts font files to another format.",
        footer = "  unciala convert *.otf --to woff2 --out-dir web")
final class ConvertCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(arity = "1..*", paramLabel = "IN")
    private List<Path> files = List.of();

    @Option(names = "--to", required = true, paramLabel = "FORMAT", description = "woff2, woff, ttf, otf, eot or svg")
    private String format = "";

    @ArgGroup(multiplicity = "1")
    private Output output = new Output();

    @Override
    public Integer call() throws IOException {
        return output.writeAll(spec.commandLine(), files, Optional.of(format), face -> face);
    }
}
