package app.unciala.cli;

import app.unciala.core.face.FaceReport;
import app.unciala.core.font.FontException;
import app.unciala.core.font.FontReader;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Says in what two faces differ; the exit code is 0 when they share a drawing. */
@Command(name = "compare", description = "Says in what two font files differ.")
final class CompareCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "A")
    private Path one;

    @Parameters(index = "1", paramLabel = "B")
    private Path other;

    @Override
    public Integer call() throws IOException {
        FaceReport a = read(one);
        FaceReport b = read(other);
        PrintWriter out = spec.commandLine().getOut();
        boolean same = a.drawing().equals(b.drawing());
        out.println(same ? "same drawing" : "different drawings");
        row(out, "family", a.identity().family(), b.identity().family());
        row(out, "slot", a.identity().slot().label(), b.identity().slot().label());
        row(out, "version", a.version(), b.version());
        row(out, "glyphs", String.valueOf(a.glyphs()), String.valueOf(b.glyphs()));
        row(out, "embedding", a.embedding().words(), b.embedding().words());
        characters(out, "characters lost", a.codePoints(), b.codePoints());
        characters(out, "characters added", b.codePoints(), a.codePoints());
        out.flush();
        return same ? 0 : 1;
    }

    private static FaceReport read(Path file) throws IOException {
        try {
            return FaceReport.of(
                    FontReader.read(Files.readAllBytes(file)).faces().get(0));
        } catch (FontException e) {
            throw new IOException(file + ": " + e.getMessage(), e);
        }
    }

    private static void row(PrintWriter out, String what, String a, String b) {
        if (!a.equals(b)) {
            out.println(what + ": " + a + " | " + b);
        }
    }

    private static void characters(PrintWriter out, String what, int[] in, int[] notIn) {
        int[] found = IntStream.of(in)
                .filter(codePoint -> Arrays.binarySearch(notIn, codePoint) < 0)
                .toArray();
        if (found.length > 0) {
            StringBuilder list = new StringBuilder();
            IntStream.of(found).limit(40).forEach(codePoint -> list.append(String.format(" U+%04X", codePoint)));
            out.println(what + ": " + found.length + " (" + list.toString().strip() + (found.length > 40 ? " …" : "")
                    + ")");
        }
    }
}
