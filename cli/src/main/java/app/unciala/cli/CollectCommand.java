package app.unciala.cli;

import app.unciala.font.FontException;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Puts the faces of several files into one collection. */
@Command(
        name = "collect",
        description = "Puts the faces of font files into one collection.",
        footer = "  unciala collect Brantle-Regular.ttf Brantle-Bold.ttf -o Brantle.ttc")
final class CollectCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(arity = "1..*", paramLabel = "IN")
    private List<Path> files = List.of();

    @Option(names = "-o", required = true, paramLabel = "OUT", description = "the collection to write, such as all.ttc")
    private Path out;

    @Override
    public Integer call() throws IOException {
        List<Sfnt> faces = new ArrayList<>();
        for (Path file : files) {
            if (Files.exists(out) && Files.isSameFile(file, out)) {
                throw new ParameterException(spec.commandLine(), "-o " + out + " is one of the files to read");
            }
            try {
                faces.addAll(FontReader.read(Files.readAllBytes(file)).faces());
            } catch (FontException e) {
                spec.commandLine().getErr().println(file + ": " + Unciala.inOneLine(e));
                return 1;
            }
        }
        Files.write(out, FontWriter.writeCollection(faces));
        return 0;
    }
}
