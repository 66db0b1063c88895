package dev.yardarm.cli;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.market.planted.Planted;
import dev.yardarm.market.planted.TruthLines;
import dev.yardarm.market.synthetic.PlantedBars;
import dev.yardarm.market.synthetic.SyntheticBars;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Makes simulated daily bars, or ticks. */
@Command(
        name = "synth",
        description =
                "Makes simulated daily bars (a random walk or trends), with structure planted in them if wanted, or ticks.",
        mixinStandardHelpOptions = true)
final class SynthCommand implements Callable<Integer> {
    /** As many as fit into the memory of the command. */
    private static final int MOST = 20_000_000;

    @Spec
    private CommandSpec spec;

    @Option(names = "--seed", required = true, paramLabel = "N", description = "the same seed makes the same bars")
    private long seed;

    @Option(names = "--bars", required = true, paramLabel = "N", description = "number of bars, or of ticks")
    private int bars;

    @Option(names = "--kind", defaultValue = "walk", paramLabel = "KIND", description = "walk, trend or ticks")
    private String kind;

    @Option(
            names = "--plant",
            paramLabel = "KIND",
            description = "plants structures of this kind, such as double_top; may be repeated, then in turn")
    private List<String> plant;

    @Option(
            names = "--clarity",
            defaultValue = "1",
            paramLabel = "PART",
            description = "how clear planted structures are, from 0.1 to 1")
    private double clarity;

    @Option(
            names = "--truth",
            paramLabel = "FILE",
            description = "writes what was planted: JSON lines with kind, from, to, knowable and points")
    private Path truth;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws Exception {
        if (bars > MOST) {
            throw new WrongUsageException("--bars may be " + MOST + " at most, not " + bars);
        }
        if (truth != null && plant == null) {
            throw new WrongUsageException("--truth is of what was planted; say what with --plant, such as one of "
                    + String.join(", ", PlantedBars.kinds()));
        }
        if (kind.equals("ticks")) {
            if (plant != null) {
                throw new WrongUsageException("--plant is for bars, not for ticks");
            }
            ticks();
            return 0;
        }
        Bars made;
        List<Planted> planted = List.of();
        try {
            if (plant == null) {
                made = SyntheticBars.make(seed, bars, SyntheticBars.Kind.named(kind))
                        .snapshot();
            } else {
                PlantedBars.Made both = PlantedBars.make(seed, bars, SyntheticBars.Kind.named(kind), plant, clarity);
                made = both.series().snapshot();
                planted = both.truth();
            }
        } catch (IllegalArgumentException wrong) {
            throw new WrongUsageException(wrong.getMessage());
        }
        Output.write(out, spec.commandLine().getOut(), to -> {
            to.write("time,open,high,low,close,volume\n");
            for (int bar = 0; bar < made.closed(); bar++) {
                to.write(ComputeCommand.time(made.openTime(bar), null, true) + ","
                        + Output.number(made.open(bar)) + "," + Output.number(made.high(bar)) + ","
                        + Output.number(made.low(bar)) + "," + Output.number(made.close(bar)) + ","
                        + Output.number(made.volume(bar)) + "\n");
            }
        });
        if (truth != null) {
            List<String> lines = new ArrayList<>();
            for (Planted each : planted) {
                lines.add(TruthLines.of(null, each, bar -> date(made, bar)));
            }
            Output.write(truth, spec.commandLine().getOut(), to -> {
                for (String line : lines) {
                    to.write(line + "\n");
                }
            });
        }
        return 0;
    }

    private static String date(Bars bars, int bar) {
        return ComputeCommand.time(bars.openTime(bar), null, true);
    }

    private void ticks() throws Exception {
        TickSeries made;
        try {
            made = SyntheticBars.ticks(seed, bars);
        } catch (IllegalArgumentException wrong) {
            throw new WrongUsageException(wrong.getMessage());
        }
        Output.write(out, spec.commandLine().getOut(), to -> {
            to.write("time,price,size,side\n");
            for (int tick = 0; tick < made.size(); tick++) {
                to.write(ComputeCommand.time(made.time(tick), null, false) + "," + Output.number(made.price(tick)) + ","
                        + Output.number(made.size(tick)) + "," + (made.side(tick) == TickSeries.ASK ? "ask" : "bid")
                        + "\n");
            }
        });
    }
}
