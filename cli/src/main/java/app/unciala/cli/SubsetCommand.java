package app.unciala.cli;

import app.unciala.font.language.Exemplars;
import app.unciala.font.language.NamedRanges;
import app.unciala.font.layout.LayoutFeatures;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.function.Function;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Cuts faces to the characters asked for. */
@Command(
        name = "subset",
        description = "Subsets font files to some characters.",
        footer = "  unciala subset Brantle-Bold.ttf --languages en,pl --to woff2 -o bold.woff2")
final class SubsetCommand implements Callable<Integer> {
    private static final String RANGE = "(?i)U\\+[0-9A-F]{1,6}(-(U\\+)?[0-9A-F]{1,6})?";

    @Spec
    private CommandSpec spec;

    @Parameters(arity = "1..*", paramLabel = "IN")
    private List<Path> files = List.of();

    @ArgGroup(exclusive = false, multiplicity = "1")
    private Characters characters = new Characters();

    @Option(
            names = "--features",
            paramLabel = "TAGS",
            description = "layout features to keep besides those applied unasked, such as smcp,onum; or all")
    private @Nullable String features;

    @Option(names = "--no-hinting", description = "drop the instructions for hinting")
    private boolean withoutHinting;

    @Option(
            names = "--to",
            paramLabel = "FORMAT",
            description = "woff2, woff, ttf, otf, eot or svg; else as OUT is named, or as it came")
    private @Nullable String format;

    @ArgGroup(multiplicity = "1")
    private Output output = new Output();

    static final class Characters {
        @Option(names = "--auxiliary", description = "with the letters that the languages use in names and loan words")
        private boolean auxiliary;

        @Option(names = "--unicodes", paramLabel = "RANGES", description = "such as U+0020-007E,U+00E9")
        private @Nullable String unicodes;

        @Option(names = "--text", paramLabel = "TEXT")
        private @Nullable String text;

        @Option(names = "--languages", paramLabel = "TAGS", description = "such as pl,de")
        private @Nullable String languages;

        @Option(names = "--ranges", paramLabel = "NAMES", description = "Unicode blocks or scripts, such as Greek")
        private @Nullable String ranges;
    }

    @Override
    public Integer call() throws IOException {
        SubsetPlan plan = plan().withFeatures(features());
        SubsetPlan hinted = withoutHinting ? plan.withoutHinting() : plan;
        return output.writeAll(
                spec.commandLine(), files, Optional.ofNullable(format), face -> Subsetter.subset(face, hinted));
    }

    private SubsetPlan plan() {
        boolean onlyText = characters.unicodes == null && characters.languages == null && characters.ranges == null;
        return onlyText && characters.text != null ? SubsetPlan.ofText(characters.text) : SubsetPlan.of(characters());
    }

    private BitSet characters() {
        BitSet kept = new BitSet();
        for (String range : split(characters.unicodes)) {
            addRange(kept, range);
        }
        if (characters.text != null) {
            kept.or(SubsetPlan.ofText(characters.text).codePoints());
        }
        for (String tag : split(characters.languages)) {
            kept.or(named("--languages", tag, Exemplars::of));
            if (characters.auxiliary) {
                kept.or(named("--languages", tag, Exemplars::auxiliary));
            }
        }
        for (String name : split(characters.ranges)) {
            kept.or(named("--ranges", name, NamedRanges::of));
        }
        return kept;
    }

    private Predicate<String> features() {
        if ("all".equals(features)) {
            return tag -> true;
        }
        Set<String> asked = Set.copyOf(split(features));
        return tag -> LayoutFeatures.isAppliedUnasked(tag) || asked.contains(tag);
    }

    private static List<String> split(@Nullable String list) {
        return list == null
                ? List.of()
                : Arrays.stream(list.split(",")).map(String::strip).distinct().toList();
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

    private BitSet named(String option, String name, Function<String, BitSet> characters) {
        try {
            return characters.apply(name);
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), option + ": " + e.getMessage());
        }
    }
}
