package app.unciala.cli;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.syntax.StyleSheetBytes;
import app.unciala.core.proof.Finding;
import app.unciala.core.proof.KnownFile;
import app.unciala.core.proof.ProofReader;
import app.unciala.core.proof.ProofReader.Proof;
import app.unciala.core.proof.Reference;
import app.unciala.font.FontException;
import app.unciala.font.face.Classification;
import app.unciala.font.file.FontFile;
import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.json.JsonFactory;

/** Prints one JSON object a line for each thing that is wrong with the fonts of a style sheet. */
@Command(
        name = "proofread",
        description =
                "Says what is wrong with the fonts of a style sheet, or of the style elements of an HTML file, one JSON object a"
                        + " line; exit code 1 when anything is.",
        footer = "  unciala proofread type.css --fonts web --fix -o type-fixed.css",
        exitCodeList = {
            "0:done, and nothing is wrong",
            "1:something is wrong with the fonts, or a file could not be read",
            "2:the command line is wrong"
        })
final class ProofreadCommand implements Callable<Integer> {
    private static final JsonFactory FACTORY = new JsonFactory();

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "FILE")
    private Path file = Path.of("");

    @Option(names = "--fonts", paramLabel = "DIR", description = "the font files that are there, in any folder below")
    private @Nullable Path fonts;

    @Option(names = "--served-at", paramLabel = "URL", description = "the address of the style sheet or its page")
    private @Nullable String servedAt;

    @Option(names = "--fix", description = "write the corrected style sheet to OUT")
    private boolean fix;

    @Option(names = "-o", paramLabel = "OUT")
    private @Nullable Path out;

    @Override
    public Integer call() throws IOException {
        if (fix != (out != null)) {
            throw new ParameterException(spec.commandLine(), "--fix needs -o OUT, and -o OUT needs --fix");
        }
        String css = StyleSheetBytes.decode(Files.readAllBytes(file));
        Proof proof = ProofReader.read(css, Reference.served(address(), known()));
        PrintWriter printed = spec.commandLine().getOut();
        proof.findings().forEach(finding -> printed.println(line(finding)));
        printed.flush();
        if (out != null) {
            Files.writeString(out, proof.fixed());
        }
        return proof.findings().isEmpty() ? 0 : 1;
    }

    private Optional<URI> address() {
        if (servedAt == null) {
            return Optional.empty();
        }
        try {
            URI address = URI.create(servedAt);
            if (address.getHost() != null) {
                return Optional.of(address);
            }
        } catch (IllegalArgumentException e) {
            // Told below, like an address without a host.
        }
        throw new ParameterException(
                spec.commandLine(), "--served-at " + servedAt + ": write an address such as https://client.example/");
    }

    private Optional<List<KnownFile>> known() throws IOException {
        if (fonts == null) {
            return Optional.empty();
        }
        if (!Files.isDirectory(fonts)) {
            throw new ParameterException(spec.commandLine(), "--fonts " + fonts + ": isn’t a folder");
        }
        List<KnownFile> known = new ArrayList<>();
        try (Stream<Path> found = Files.walk(fonts)) {
            for (Path path : found.filter(Files::isRegularFile).sorted().toList()) {
                known(path).ifPresent(known::add);
            }
        }
        return Optional.of(known);
    }

    /** A file as it is compared; nothing for what is no font. */
    private static Optional<KnownFile> known(Path path) throws IOException {
        try {
            FontFile font = FontReader.read(Files.readAllBytes(path));
            Sfnt face = font.faces().get(0);
            FaceReport report = FaceReport.of(face);
            return Optional.of(new KnownFile(
                    path.getFileName().toString(),
                    report.identity().family(),
                    report.identity().slot(),
                    font.format(),
                    Classification.propose(face).map(proposal -> GenericFamily.of(proposal.classification())),
                    Optional.empty()));
        } catch (FontException e) {
            return Optional.empty();
        }
    }

    private String line(Finding finding) {
        StringWriter text = new StringWriter();
        try (JsonGenerator json = FACTORY.createGenerator(ObjectWriteContext.empty(), text)) {
            json.writeStartObject();
            json.writeStringProperty("file", file.toString());
            json.writeNumberProperty("line", finding.line());
            json.writeNumberProperty("column", finding.column());
            json.writeStringProperty("kind", finding.kind().key());
            json.writeStringProperty("message", finding.message());
            if (finding.fix().isPresent()) {
                json.writeStringProperty("fix", finding.fix().get());
            } else {
                json.writeNullProperty("fix");
            }
            json.writeEndObject();
        }
        return text.toString();
    }
}
