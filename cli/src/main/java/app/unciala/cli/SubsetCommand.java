package app.unciala.cli;

import app.unciala.core.font.subset.Subsetter;
import app.unciala.core.language.Exemplars;
import java.io.IOException;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
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

/** Cuts faces to the characters asked for. */
@Command(name = "subset", description = "Cuts font files to some characters.")
final class SubsetCommand implements Callable<Integer> {
    private static final String RANGE = "(?i)U\\+[0-9A-F]{1,6}(-(U\\+)?[0-9A-F]{1,6})?";

    @Spec
    private CommandSpec spec;

    @Parameters(arity = "1..*", paramLabel = "IN")
    private List<Path> files = List.of();

    @ArgGroup(multiplicity = "1")
    private Characters characters = new Characters();

    @Option(names = "--to", paramLabel = "FORMAT", description = "woff2, woff, ttf, otf, eot or svg; else as it came")
    private @Nullable String format;

    @ArgGroup(multiplicity = "1")
    private Output output = new Output();

    static final class Characters {
        @Option(names = "--unicodes", paramLabel = "RANGES", description = "such as U+0020-007E,U+00E9")
        private @Nullable String unicodes;

        @Option(names = "--text", paramLabel = "TEXT")
        private @Nullable String text;

        @Option(names = "--languages", paramLabel = "TAGS", description = "such as pl,de")
        private @Nullable String languages;
    }

    @Override
    public Integer call() throws IOException {
        BitSet kept = new BitSet();
        if (characters.unicodes != null) {
            for (String range : characters.unicodes.split(",")) {
                addRange(kept, range.strip());
            }
        } else if (characters.text != null) {
            characters.text.codePoints().forEach(kept::set);
        } else if (characters.languages != null) {
            for (String tag : characters.languages.split(",")) {
                kept.or(exemplars(tag.strip()));
            }
        }
        return output.writeAll(
                spec.commandLine(), files, Optional.ofNullable(format), face -> Subsetter.subset(face, kept));
    }

    private void addRange(BitSet kept, String range) {
        if (!range.matches(RANGE)) {
            throw new ParameterException(spec.commandLine(), "--unicodes " + range + ": write U+0020 or U+0020-007E");
        }
        String[] ends = range.toUpperCase(Locale.ROOT).replace("U+", "").split("-");
        int first = Integer.parseInt(ends[0], 16);
        int last = Integer.parseInt(ends[ends.length - 1], 16);
        if (first > last || last > Character.MAX_CODE_POINT) {
            throw new ParameterException(spec.commandLine(), "--unicodes " + range + ": ends before it begins");
        }
        kept.set(first, last + 1);
    }

    private BitSet exemplars(String tag) {
        try {
            return Exemplars.of(tag);
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), "--languages: " + e.getMessage());
        }
    }
}
