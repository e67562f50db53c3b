package app.unciala.cli;

import app.unciala.font.FontException;
import app.unciala.font.file.FontFile;
import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Prints one JSON object a line for each face of each file; a file that is no font says so in its own line. */
@Command(
        name = "inspect",
        description = "Says what each font file is, one JSON object a line.",
        footer = "  unciala inspect Brantle-Bold.ttf --languages pl,de")
final class InspectCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(arity = "1..*", paramLabel = "FILE")
    private List<Path> files = List.of();

    @Option(names = "--details", description = "also what the face says beyond its identity")
    private boolean details;

    @Option(
            names = "--languages",
            paramLabel = "TAGS",
            split = ",",
            description = "also the characters lacking for these, such as pl,de")
    private List<String> languages = List.of();

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        boolean failed = false;
        for (Path file : files) {
            try {
                byte[] bytes = Files.readAllBytes(file);
                FontFile font = FontReader.read(bytes);
                StringBuilder lines = new StringBuilder();
                for (Sfnt face : font.faces()) {
                    FaceReport report = FaceReport.of(face);
                    lines.append(new FaceJson(details, languages).line(file, font.format(), bytes, report))
                            .append('\n');
                }
                out.print(lines);
            } catch (FontException | IOException e) {
                out.println(FaceJson.error(file, Unciala.inOneLine(e)));
                failed = true;
            }
        }
        out.flush();
        return failed ? 1 : 0;
    }
}
