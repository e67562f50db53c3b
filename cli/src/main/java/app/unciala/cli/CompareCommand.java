package app.unciala.cli;

import app.unciala.font.FontException;
import app.unciala.font.drawing.Likeness;
import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceDifference;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Says in what two faces differ, a line for each thing; the exit code is 0 when they share a drawing. */
@Command(
        name = "compare",
        description = "Says in what two font files differ.",
        footer = "  unciala compare Brantle-Bold.ttf Brantle-Bold.woff2",
        exitCodeList = {
            "0:done, and nothing is wrong",
            "1:the outlines differ, or a file could not be read",
            "2:the command line is wrong"
        })
final class CompareCommand implements Callable<Integer> {
    private static final int LISTED = 40;
    private static final int LONGEST = 100;

    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "A")
    private Path one;

    @Parameters(index = "1", paramLabel = "B")
    private Path other;

    @Override
    public Integer call() throws IOException {
        Sfnt a = read(one);
        Sfnt b = read(other);
        FaceDifference difference = FaceDifference.of(a, FaceReport.of(a), b, FaceReport.of(b));
        PrintWriter out = spec.commandLine().getOut();
        out.println(difference.sameDrawing() ? "same drawing" : "different drawings");
        out.println(String.format(Locale.ROOT, "likeness: %.3f", difference.likeness()));
        difference
                .facts()
                .forEach((what, said) -> out.println(what + ": " + brief(said.one()) + " | " + brief(said.other())));
        list(out, "characters lost", characters(difference.lost()));
        list(out, "characters added", characters(difference.added()));
        list(
                out,
                "glyphs changed",
                difference.changed().stream().map(CompareCommand::changed).toList());
        list(
                out,
                "kerning changed",
                difference.kerning().stream()
                        .map(pair -> pair.letters() + " " + pair.one() + "→" + pair.other())
                        .toList());
        list(out, "features lost", List.copyOf(difference.featuresLost()));
        list(out, "features added", List.copyOf(difference.featuresAdded()));
        out.flush();
        return difference.sameDrawing() ? 0 : 1;
    }

    private static Sfnt read(Path file) throws IOException {
        try {
            return FontReader.read(Files.readAllBytes(file)).faces().get(0);
        } catch (FontException e) {
            throw new IOException(file + ": " + e.getMessage(), e);
        }
    }

    private static List<String> characters(int[] codePoints) {
        return IntStream.of(codePoints).mapToObj(CompareCommand::character).toList();
    }

    private static String character(int codePoint) {
        return String.format("U+%04X", codePoint);
    }

    private static String changed(Likeness.Changed changed) {
        return character(changed.codePoint()) + String.format(Locale.ROOT, " %.2f", changed.alike());
    }

    private static String brief(String text) {
        String line = text.replaceAll("\\s+", " ");
        return line.length() > LONGEST ? line.substring(0, LONGEST) + "…" : line;
    }

    private static void list(PrintWriter out, String what, List<String> items) {
        if (!items.isEmpty()) {
            Stream<String> shown = items.stream().limit(LISTED);
            Stream<String> more = items.size() > LISTED ? Stream.of("…") : Stream.empty();
            out.println(what + ": " + items.size() + " ("
                    + Stream.concat(shown, more).collect(Collectors.joining(", ")) + ")");
        }
    }
}
