package app.unciala.cli;

import app.unciala.font.FontException;
import java.io.IOException;
import java.nio.file.NoSuchFileException;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.IExecutionExceptionHandler;
import picocli.CommandLine.IParameterExceptionHandler;

/** The command {@code unciala}. What goes wrong is one line on standard error, and exit code 1. */
@Command(
        name = "unciala",
        description = "Reads, converts, cuts and compares font files.",
        mixinStandardHelpOptions = true,
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
            CheckCommand.class
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
                .setExecutionExceptionHandler(oneLine)
                .setParameterExceptionHandler(usage);
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
