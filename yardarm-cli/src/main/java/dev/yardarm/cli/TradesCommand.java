package dev.yardarm.cli;

import dev.yardarm.core.profile.LargeTrades;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.data.csv.ReadingOptions;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Finds the large trades of a tick file. */
@Command(
        name = "trades",
        description = "Large trades, prints that belong together put together; CSV out: time,price,size,side,count.",
        mixinStandardHelpOptions = true)
final class TradesCommand implements Callable<Integer> {
    private static final Pattern SPAN = Pattern.compile("([0-9]+(?:\\.[0-9]+)?)\\s*(us|ms|s|m)");

    @Spec
    private CommandSpec spec;

    @Option(names = "--csv", required = true, paramLabel = "TICKS", description = "tick file: time,price,size,side")
    private Path csv;

    @Option(names = "--min-size", required = true, paramLabel = "N", description = "size from which a trade is large")
    private double least;

    @Option(
            names = "--together",
            paramLabel = "TIME",
            description =
                    "prints of one side so soon after the first belong together: 100ms, 2s; each stands alone unless given")
    private String together;

    @Mixin
    private TradeReading reading;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws Exception {
        if (!(least >= 0)) {
            throw new WrongUsageException("--min-size is a size from 0 on, not " + least);
        }
        long span = together == null ? -1 : span("--together", together);
        ReadingOptions options = reading.options();
        SkippedRows skipped = reading.skipped();
        TickSeries ticks =
                reading.trades(csv, options, skipped, spec.commandLine().getErr());
        List<LargeTrades.Large> large = LargeTrades.of(ticks, least, span);
        Output.write(out, spec.commandLine().getOut(), to -> {
            to.write("time,price,size,side,count\n");
            for (LargeTrades.Large each : large) {
                to.write(ComputeCommand.time(each.time(), options.zone(), false) + "," + Output.number(each.price())
                        + "," + Output.number(each.size()) + "," + side(each.side()) + "," + each.count() + "\n");
            }
        });
        spec.commandLine()
                .getErr()
                .println(large.size() + (large.size() == 1 ? " large trade in " : " large trades in ") + ticks.size()
                        + " prints");
        skipped.finish(spec.commandLine().getErr());
        return 0;
    }

    private static String side(byte side) {
        return side == TickSeries.BID ? "bid" : side == TickSeries.ASK ? "ask" : "";
    }

    /** A span of time as people write it, in microseconds. */
    static long span(String option, String text) throws WrongUsageException {
        Matcher span = SPAN.matcher(text.strip());
        if (!span.matches()) {
            throw new WrongUsageException(option + " is a number and us, ms, s or m, as in 100ms, not '" + text + "'");
        }
        double unit =
                switch (span.group(2)) {
                    case "us" -> 1;
                    case "ms" -> 1e3;
                    case "s" -> 1e6;
                    default -> 60e6;
                };
        double micros = Double.parseDouble(span.group(1)) * unit;
        if (micros > 1e15) {
            throw new WrongUsageException(option + ": " + text + " is too long");
        }
        return Math.round(micros);
    }
}
