package app.unciala.cli;

import app.unciala.font.instance.StaticFaces;
import app.unciala.font.rename.Renamer;
import app.unciala.font.sfnt.Sfnt;
import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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

/** Makes static faces out of variable ones. */
@Command(
        name = "instance",
        description = "Makes the static face at a point of a variable font's axes.",
        footer = "  unciala instance Brantle.ttf --at wght=650 -o Brantle-650.ttf")
final class InstanceCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(arity = "1..*", paramLabel = "IN")
    private List<Path> files = List.of();

    @Option(names = "--at", paramLabel = "AXIS=VALUE,…", required = true, description = "such as wght=650,slnt=-5")
    private String at = "";

    @Option(names = "--family", paramLabel = "NAME", description = "another family name")
    private @Nullable String family;

    @Option(names = "--to", paramLabel = "FORMAT", description = "woff2, woff, ttf, eot or svg; else as it came")
    private @Nullable String format;

    @ArgGroup(multiplicity = "1")
    private Output output = new Output();

    @Override
    public Integer call() throws IOException {
        Map<String, Double> values = values();
        return output.writeAll(spec.commandLine(), files, Optional.ofNullable(format), face -> {
            Sfnt instance = StaticFaces.at(face, values);
            return family == null ? instance : Renamer.rename(instance, family);
        });
    }

    private Map<String, Double> values() {
        Map<String, Double> values = new LinkedHashMap<>();
        for (String pair : at.split(",")) {
            String[] sides = pair.strip().split("=", 2);
            if (sides.length != 2 || sides[0].length() != 4 || !sides[1].matches("-?\\d+(\\.\\d+)?")) {
                throw new ParameterException(spec.commandLine(), "--at " + pair + ": write wght=650");
            }
            values.put(sides[0], Double.parseDouble(sides[1]));
        }
        return values;
    }
}
