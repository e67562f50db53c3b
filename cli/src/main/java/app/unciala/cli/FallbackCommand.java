package app.unciala.cli;

import app.unciala.core.metrics.FallbackMetrics;
import app.unciala.core.metrics.SystemFace;
import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.file.FontReader;
import app.unciala.font.sfnt.Sfnt;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Writes the rule that makes a system face take the room of a web font. */
@Command(
        name = "fallback",
        description = "Writes CSS that makes a system face take the room of the font.",
        footer = "  unciala fallback Brantle-Regular.woff2 --face Arial")
final class FallbackCommand implements Callable<Integer> {
    private static final int BOLD = 600;

    @Spec
    private CommandSpec spec;

    @Parameters(arity = "1..*", paramLabel = "FILE")
    private List<Path> files = List.of();

    @Option(names = "--face", paramLabel = "FAMILY", defaultValue = "Arial", description = "such as Times New Roman")
    private String stand = "";

    @Override
    public Integer call() throws IOException {
        List<SystemFace> faces = SystemFace.named(stand);
        if (faces.isEmpty()) {
            String known =
                    SystemFace.all().stream().map(SystemFace::family).distinct().collect(Collectors.joining(", "));
            throw new ParameterException(spec.commandLine(), "--face " + stand + ": known are " + known);
        }
        for (Path file : files) {
            Sfnt face = FontReader.read(Files.readAllBytes(file)).faces().get(0);
            FaceIdentity identity = FaceIdentifier.identify(face);
            boolean bold = identity.slot().weight().min() >= BOLD;
            SystemFace system =
                    faces.stream().filter(f -> f.bold() == bold).findFirst().orElse(faces.get(0));
            String css = FallbackMetrics.of(face, system).css(identity.family() + " Fallback");
            spec.commandLine().getOut().print(css);
        }
        spec.commandLine().getOut().flush();
        return 0;
    }
}
