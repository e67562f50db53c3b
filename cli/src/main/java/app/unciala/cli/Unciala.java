package app.unciala.cli;

import app.unciala.core.search.WrongLetters;
import app.unciala.font.FontException;
import java.io.IOException;
import java.nio.file.NoSuchFileException;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import picocli.AutoComplete.GenerateCompletion;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.HelpCommand;
import picocli.CommandLine.IExecutionExceptionHandler;
import picocli.CommandLine.IParameterExceptionHandler;
import picocli.CommandLine.Model.UsageMessageSpec;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.ParseResult;
import picocli.CommandLine.RunLast;
import picocli.CommandLine.ScopeType;
import picocli.CommandLine.UnmatchedArgumentException;

/** The command {@code unciala}. What goes wrong is one line on standard error, and exit code 1. */
@Command(
        name = "unciala",
        description = "Reads, converts, subsets and compares font files.",
        mixinStandardHelpOptions = true,
        scope = ScopeType.INHERIT,
        version = "unciala 0.1.0",
        subcommands = {
            InspectCommand.class,
            ConvertCommand.class,
            SubsetCommand.class,
            SplitCommand.class,
            CompareCommand.class,
            RenameCommand.class,
            InstanceCommand.class,
            CollectCommand.class,
            FallbackCommand.class,
            ProofreadCommand.class,
            CheckCommand.class,
            HelpCommand.class,
            GenerateCompletion.class
        })
public final class Unciala {
    private static final List<String> EXIT_CODES =
            List.of("0:done", "1:something failed, as the standard error says", "2:the command line is wrong");
    /** So many letters may be wrong in a name for which another is proposed. */
    private static final int MOST_WRONG = 2;

    private Unciala() {}

    public static void main(String[] args) {
        System.exit(commandLine().execute(args));
    }

    static CommandLine commandLine() {
        IExecutionExceptionHandler oneLine = (exception, command, parsed) -> {
            command.getErr().println(inOneLine(exception));
            return 1;
        };
        IParameterExceptionHandler usage = (exception, arguments) -> {
            exception.getCommandLine().getErr().println(sentence(exception));
            return 2;
        };
        CommandLine line = new CommandLine(new Unciala());
        line.getSubcommands().values().forEach(Unciala::completeHelp);
        return line.setExecutionStrategy(Unciala::run)
                .setExecutionExceptionHandler(oneLine)
                .setParameterExceptionHandler(usage);
    }

    /** Runs what was asked for; help for a command that does not exist is an error. */
    private static int run(ParseResult parsed) {
        CommandLine command = parsed.commandSpec().commandLine();
        String first = parsed.originalArgs().stream().findFirst().orElse("-");
        if (!first.startsWith("-") && !command.getSubcommands().containsKey(first)) {
            throw new ParameterException(command, noSuchCommand(command, first));
        }
        return new RunLast().execute(parsed);
    }

    /** What the help of every command says below its options. */
    private static void completeHelp(CommandLine command) {
        UsageMessageSpec help = command.getCommandSpec().usageMessage();
        if (help.footer().length > 0) {
            help.footerHeading("%nExample:%n");
        }
        help.exitCodeListHeading("%nExit codes:%n");
        if (help.exitCodeList().isEmpty()) {
            help.exitCodeList(UsageMessageSpec.keyValuesMap(EXIT_CODES.toArray(String[]::new)));
        }
    }

    /** What is wrong with a command line, with what was probably meant where that can be told. */
    private static String sentence(ParameterException exception) {
        String message = String.valueOf(exception.getMessage()).replaceAll("\\s+", " ");
        if (!(exception instanceof UnmatchedArgumentException unmatched)
                || unmatched.getUnmatched().isEmpty()) {
            return message;
        }
        CommandLine command = exception.getCommandLine();
        String first = unmatched.getUnmatched().get(0);
        if (!first.startsWith("-") && !command.getSubcommands().isEmpty()) {
            return noSuchCommand(command, first);
        }
        return message
                + nearest(first, command.getCommandSpec().optionsMap().keySet())
                        .map(name -> "; did you mean " + name + "?")
                        .orElse("");
    }

    private static String noSuchCommand(CommandLine command, String name) {
        return name + ": there is no such command"
                + nearest(name, command.getSubcommands().keySet())
                        .map(near -> "; did you mean " + near + "?")
                        .orElse("; see unciala --help");
    }

    private static Optional<String> nearest(String written, Set<String> names) {
        return names.stream()
                .filter(name -> name.length() > MOST_WRONG)
                .min(Comparator.comparingInt(name -> WrongLetters.between(written, name, MOST_WRONG)))
                .filter(name -> WrongLetters.between(written, name, MOST_WRONG) <= MOST_WRONG);
    }

    static String inOneLine(Throwable problem) {
        if (problem instanceof NoSuchFileException missing) {
            return missing.getFile() + ": there is no such file";
        }
        String text = problem instanceof FontException || problem instanceof IOException
                ? String.valueOf(problem.getMessage())
                : problem.getClass().getSimpleName() + ": " + problem.getMessage();
        return text.replaceAll("\\s+", " ");
    }
}
