package dev.yardarm.cli;

import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.desk.Desk;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The commands without a window. Exit codes: 0 done, 1 failed with a message on standard error, 2 wrong usage. */
@Command(
        name = "yardarm",
        mixinStandardHelpOptions = true,
        version = Main.VERSION,
        description = "Yardarm without a window. For the application: yardarm demo, yardarm open, yardarm shots.")
public final class Main {
    /** What {@code --version} says. */
    static final String VERSION = Desk.VERSION;

    private static final Map<String, Class<?>> COMMANDS = new LinkedHashMap<>();

    static {
        COMMANDS.put("compute", ComputeCommand.class);
        COMMANDS.put("bars", BarsCommand.class);
        COMMANDS.put("profile", ProfileCommand.class);
        COMMANDS.put("trades", TradesCommand.class);
        COMMANDS.put("import", ImportCommand.class);
        COMMANDS.put("export", ExportCommand.class);
        COMMANDS.put("scan", ScanCommand.class);
        COMMANDS.put("evidence", EvidenceCommand.class);
        COMMANDS.put("watch", WatchCommand.class);
        COMMANDS.put("detect", DetectCommand.class);
        COMMANDS.put("synth", SynthCommand.class);
        COMMANDS.put("reference", ReferenceCommand.class);
        COMMANDS.put("help", CommandLine.HelpCommand.class);
    }

    private Main() {}

    public static void main(String[] arguments) {
        System.exit(run(
                arguments,
                new PrintWriter(System.out, true, StandardCharsets.UTF_8),
                new PrintWriter(System.err, true, StandardCharsets.UTF_8)));
    }

    /** Runs a command and returns its exit code. */
    static int run(String[] arguments, PrintWriter out, PrintWriter errors) {
        CommandLine line = new CommandLine(new Main());
        // A command that is named needs no other: looking at all of them takes as long as a small import.
        Class<?> named = arguments.length == 0 || arguments[0].equals("help") ? null : COMMANDS.get(arguments[0]);
        if (named == null) {
            COMMANDS.forEach(line::addSubcommand);
        } else {
            line.addSubcommand(arguments[0], named);
        }
        line.getSubcommands().values().forEach(each -> each.getCommandSpec().version(VERSION));
        line.setOut(out);
        line.setErr(errors);
        line.setExecutionExceptionHandler((failed, command, parsed) -> {
            errors.println("yardarm " + command.getCommandName() + ": " + message(failed));
            if (failed instanceof FormulaException formula) {
                errors.println(formula.marked());
            }
            return failed instanceof WrongUsageException ? 2 : 1;
        });
        if (arguments.length == 0) {
            line.usage(errors);
            return 2;
        }
        return line.execute(arguments);
    }

    private static String message(Exception failed) {
        return failed.getMessage() == null ? failed.toString() : failed.getMessage();
    }
}
