package dev.yardarm.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;

/** A home with walks imported into it, and commands run on it. */
final class WalkHome {
    static final List<String> CODES = List.of("ALDER", "BRINE", "COBLE", "DULSE", "EDDY");

    private final Path folder;
    private final Path home;
    private String out = "";
    private String errors = "";

    /** @param count how many days each walk has */
    WalkHome(Path folder, String name, int count) throws IOException {
        this.folder = folder;
        this.home = folder.resolve(name);
        for (String code : CODES) {
            if (run("import", "--home", home, "--code", code, "--timeframe", "D", bars(code, count)) != 0) {
                throw new IllegalStateException(errors);
            }
        }
    }

    Path home() {
        return home;
    }

    /** What the last command wrote. */
    String out() {
        return out;
    }

    /** What the last command told. */
    String errors() {
        return errors;
    }

    /** Runs a command; its exit code. */
    int run(Object... arguments) {
        StringWriter written = new StringWriter();
        StringWriter told = new StringWriter();
        String[] words = new String[arguments.length];
        for (int at = 0; at < words.length; at++) {
            words[at] = arguments[at].toString();
        }
        int code = Main.run(words, new PrintWriter(written, true), new PrintWriter(told, true));
        out = written.toString();
        errors = told.toString();
        return code;
    }

    /** The same walk for the same code, cut after so many bars. */
    Path bars(String code, int count) throws IOException {
        SplittableRandom random = new SplittableRandom(code.hashCode());
        StringBuilder text = new StringBuilder("time,open,high,low,close,volume\n");
        LocalDate day = LocalDate.of(2024, 1, 1);
        double price = 50 + random.nextInt(50);
        for (int bar = 0; bar < count; day = day.plusDays(1)) {
            if (day.getDayOfWeek() == DayOfWeek.SATURDAY || day.getDayOfWeek() == DayOfWeek.SUNDAY) {
                continue;
            }
            double open = price;
            price = open * (1 + (random.nextDouble() - 0.5) / 20);
            text.append(String.format(
                    Locale.ROOT,
                    "%s,%.4f,%.4f,%.4f,%.4f,%d%n",
                    day,
                    open,
                    Math.max(open, price) * 1.01,
                    Math.min(open, price) * 0.99,
                    price,
                    1000 + random.nextInt(1000)));
            bar++;
        }
        return Files.writeString(folder.resolve(code + "-" + count + ".csv"), text);
    }
}
