package app.unciala.cli;

import app.unciala.font.FontException;
import java.io.IOException;
import java.nio.file.NoSuchFileException;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.HelpCommand;
import picocli.CommandLine.IExecutionExceptionHandler;
import picocli.CommandLine.IParameterExceptionHandler;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.ParseResult;
import picocli.CommandLine.RunLast;
import picocli.CommandLine.ScopeType;

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
            HelpCommand.class
        })
public final class Unciala {
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
            String message = String.valueOf(exception.getMessage());
            exception.getCommandLine().getErr().println(message.replaceAll("\\s+", " "));
            return 2;
        };
        return new CommandLine(new Unciala())
                .setExecutionStrategy(Unciala::run)
                .setExecutionExceptionHandler(oneLine)
                .setParameterExceptionHandler(usage);
    }

    /** Runs what was asked for; help for a command that does not exist is an error. */
    private static int run(ParseResult parsed) {
        CommandLine command = parsed.commandSpec().commandLine();
        String first = parsed.originalArgs().stream().findFirst().orElse("-");
        if (!first.startsWith("-") && !command.getSubcommands().containsKey(first)) {
            throw new ParameterException(command, first + ": there is no such command; see unciala --help");
        }
        return new RunLast().execute(parsed);
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
