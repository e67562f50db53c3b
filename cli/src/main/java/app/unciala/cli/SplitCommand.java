package app.unciala.cli;

import app.unciala.core.css.FontFaceRule;
import app.unciala.font.FontFormat;
import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.language.NamedRanges;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.RangeSplit;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Divides a face into several WOFF2 files by characters, with the style sheet that names them. */
@Command(
        name = "split",
        description = "Divides a font file into several WOFF2 files by characters, with their CSS.",
        footer = "  unciala split Brantle.ttf --ranges \"Basic Latin,Cyrillic\" --out-dir web")
final class SplitCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "IN")
    private Path file;

    @Option(
            names = "--ranges",
            paramLabel = "NAMES",
            required = true,
            split = ",",
            description =
                    "Unicode blocks or scripts, in order; join several into one file by +, as in Latin,Greek+Cyrillic")
    private List<String> ranges = List.of();

    @Option(names = "--out-dir", paramLabel = "DIR", required = true)
    private Path folder;

    @Override
    public Integer call() throws IOException {
        Sfnt face = FontReader.read(Files.readAllBytes(file)).faces().get(0);
        FaceIdentity identity = FaceIdentifier.identify(face);
        String base = Output.baseName(file);
        StringBuilder css = new StringBuilder();
        Files.createDirectories(folder);
        for (RangeSplit.Part part : RangeSplit.of(CmapTable.read(face).codePoints(), named())) {
            String name = base + "-" + part.name() + ".woff2";
            byte[] bytes = FontWriter.write(Subsetter.subset(face, part.codePoints()), FontFormat.WOFF2);
            Files.write(folder.resolve(name), bytes);
            css.append(FontFaceRule.of(
                            identity.family(), identity.slot(), name, FontFormat.WOFF2, Optional.of(part.codePoints()))
                    .css());
            spec.commandLine().getOut().println(name + " " + bytes.length);
        }
        Files.writeString(folder.resolve(base + ".css"), css);
        spec.commandLine().getOut().flush();
        return 0;
    }

    private Map<String, BitSet> named() {
        Map<String, BitSet> named = new LinkedHashMap<>();
        for (String range : ranges) {
            BitSet characters = new BitSet();
            try {
                for (String part : range.split("\\+")) {
                    characters.or(NamedRanges.of(part.strip()));
                }
            } catch (IllegalArgumentException e) {
                throw new ParameterException(spec.commandLine(), "--ranges: " + e.getMessage());
            }
            named.put(range.strip().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-"), characters);
        }
        return named;
    }
}
