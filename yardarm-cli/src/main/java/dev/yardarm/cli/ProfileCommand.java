package dev.yardarm.cli;

import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.profile.Profile;
import dev.yardarm.core.profile.ProfileMaker;
import dev.yardarm.core.profile.ProfileSpan;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.BarFileException;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.csv.TickFile;
import java.io.IOException;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.function.IntToLongFunction;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Volume and time at price of a file. */
@Command(
        name = "profile",
        description =
                "Volume and time at price; CSV out: from,to,price,volume,bid,ask,blocks, the prices of each span from low to high. "
                        + "From bars it is estimated, and says so.",
        mixinStandardHelpOptions = true)
final class ProfileCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(
            names = "--csv",
            required = true,
            paramLabel = "FILE",
            description = "tick file: time,price,size,side; or bar file: time,open,high,low,close,volume")
    private Path csv;

    @Option(
            names = "--by",
            defaultValue = "session",
            paramLabel = "SPAN",
            description = "session, day, week, month, all, or FROM/TO (default session)")
    private String by;

    @Option(names = "--row", defaultValue = "1", paramLabel = "TICKS", description = "ticks a row (default 1)")
    private int row;

    @Option(
            names = "--value-area",
            defaultValue = "70%",
            paramLabel = "SHARE",
            description = "share of the volume in the value area (default 70%%)")
    private String share;

    @Mixin
    private TickOption step;

    private double tick;

    @Mixin
    private SessionOption session;

    @Option(
            names = "--blocks",
            defaultValue = "30m",
            paramLabel = "TIME",
            description = "length of the blocks of time at price (default 30m)")
    private String blocks;

    @Mixin
    private TradeReading reading;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    @Option(
            names = "--summary",
            paramLabel = "FILE",
            description = "writes a row for each span here: from,to,poc,value_low,value_high,high,low,volume,delta,"
                    + "open_block_high,open_block_low,reached_at")
    private Path summary;

    private boolean hasSides;

    @Override
    public Integer call() throws Exception {
        ReadingOptions options = reading.options();
        ZoneId zone = options.zone();
        TradingCalendar calendar = session.calendar(zone == null ? ZoneOffset.UTC : zone);
        check();
        // All of a file is one span, which is known when it has been read.
        ProfileSpan span = isAll() ? null : span(calendar.zone());
        ProfileMaker maker;
        SkippedRows skipped = reading.skipped();
        if (TickFile.holdsTicks(csv, options)) {
            TickSeries ticks =
                    reading.trades(csv, options, skipped, spec.commandLine().getErr());
            look(ticks);
            maker = maker(span != null ? span : between(ticks.size(), ticks::time), calendar);
            maker.add(ticks, 0, ticks.size());
        } else {
            BarFile.Result read = skipped.read(csv, options, spec.commandLine().getErr());
            Bars bars = read.series().snapshot();
            spec.commandLine()
                    .getErr()
                    .println(
                            "estimated from bars: their volume is spread evenly over their prices; trades say it exactly");
            maker = maker(span != null ? span : between(bars.size(), bars::openTime), calendar);
            maker.add(bars);
        }
        List<Profile> made = maker.made();
        Output.write(out, spec.commandLine().getOut(), to -> {
            to.write("from,to,price,volume,bid,ask,blocks\n");
            for (Profile each : made) {
                write(each, zone, to);
            }
        });
        if (summary != null) {
            Output.write(summary, spec.commandLine().getOut(), to -> {
                to.write(
                        "from,to,poc,value_low,value_high,high,low,volume,delta,open_block_high,open_block_low,reached_at\n");
                for (Profile each : made) {
                    to.write(line(each, zone));
                }
            });
        }
        if (maker.left() > 0) {
            spec.commandLine().getErr().println(maker.left() + " were traded in none of the spans and are left out");
        }
        skipped.finish(spec.commandLine().getErr());
        return 0;
    }

    /** What is told of trades: whether they have sizes and sides, and how many are odd. */
    private void look(TickSeries ticks) throws IOException {
        PriceSteps steps = new PriceSteps(tick);
        int off = 0;
        int nothing = 0;
        for (int at = 0; at < ticks.size(); at++) {
            if (Double.isNaN(ticks.size(at))) {
                throw new BarFileException(csv + " has no sizes; a profile is of the volume at each price");
            }
            hasSides |= ticks.side(at) != TickSeries.UNKNOWN;
            off += steps.price(steps.ticks(ticks.price(at))) == ticks.price(at) ? 0 : 1;
            nothing += ticks.size(at) == 0 ? 1 : 0;
        }
        if (off > 0) {
            spec.commandLine()
                    .getErr()
                    .println(off + " of " + ticks.size() + " prices lie between two ticks of " + Output.number(tick)
                            + " and count at the nearer one; say the step of the price with --tick");
        }
        if (nothing > 0) {
            spec.commandLine().getErr().println(nothing + " trades have the size 0 and add nothing");
        }
    }

    private void check() throws WrongUsageException {
        tick = step.tick();
        if (row < 1) {
            throw new WrongUsageException("--row is a number of ticks from 1 on, not " + row);
        }
        share();
        blockLength();
    }

    private boolean isAll() {
        return by.strip().equalsIgnoreCase("all");
    }

    private long blockLength() throws WrongUsageException {
        long length = TradesCommand.span("--blocks", blocks);
        if (length == 0) {
            throw new WrongUsageException("--blocks has a length above zero");
        }
        return length;
    }

    private static ProfileSpan between(int count, IntToLongFunction time) {
        return new ProfileSpan.Between(
                count == 0 ? 0 : time.applyAsLong(0), count == 0 ? 1 : time.applyAsLong(count - 1) + 1);
    }

    private ProfileMaker maker(ProfileSpan span, TradingCalendar calendar) throws WrongUsageException {
        return new ProfileMaker(span, calendar, new PriceSteps(tick), row, blockLength(), share());
    }

    private ProfileSpan span(ZoneId zone) throws WrongUsageException {
        return switch (by.strip().toLowerCase(Locale.ROOT)) {
            case "session" -> new ProfileSpan.Session();
            case "day" -> new ProfileSpan.Day();
            case "week" -> new ProfileSpan.Week();
            case "month" -> new ProfileSpan.Month();
            default -> between(zone);
        };
    }

    private ProfileSpan between(ZoneId zone) throws WrongUsageException {
        int slash = by.indexOf('/');
        if (slash < 0) {
            throw new WrongUsageException("--by is session, day, week, month, all or FROM/TO, not '" + by + "'");
        }
        long from = Moments.read("--by", by.substring(0, slash), zone);
        long to = Moments.read("--by", by.substring(slash + 1), zone);
        if (from >= to) {
            throw new WrongUsageException("--by: " + by + " ends before it begins");
        }
        return new ProfileSpan.Between(from, to);
    }

    private double share() throws WrongUsageException {
        String text = share.strip();
        boolean percent = text.endsWith("%");
        try {
            double value = Double.parseDouble(
                    percent ? text.substring(0, text.length() - 1).strip() : text);
            double part = percent ? value / 100 : value;
            if (part > 0 && part <= 1) {
                return part;
            }
        } catch (NumberFormatException none) {
            // told below
        }
        throw new WrongUsageException(
                "--value-area is a share as 70% or 0.7, above 0 and up to 100%, not '" + share + "'");
    }

    private void write(Profile each, ZoneId zone, java.io.Writer to) throws IOException {
        String span = time(each.from(), zone) + "," + time(each.to(), zone) + ",";
        for (long at = each.rows().lowest(); at <= each.rows().highest(); at++) {
            if (each.rows().volume(at) > 0 || each.blocks(at) > 0) {
                to.write(span + Output.number(each.rows().price(at)) + ","
                        + Output.number(each.rows().volume(at)) + ","
                        + Output.number(each.rows().bid(at)) + ","
                        + Output.number(each.rows().ask(at)) + ","
                        + each.blocks(at) + "\n");
            }
        }
    }

    private String line(Profile each, ZoneId zone) {
        return time(each.from(), zone) + "," + time(each.to(), zone) + "," + Output.number(each.control()) + ","
                + Output.number(each.rows().price(each.area().low())) + ","
                + Output.number(each.rows().price(each.area().high())) + ","
                + Output.number(each.rows().high()) + ","
                + Output.number(each.rows().low()) + ","
                + Output.number(each.rows().total()) + ","
                + (hasSides ? Output.number(each.rows().delta()) : "") + "," + number(each.openingHigh()) + ","
                + number(each.openingLow()) + ","
                + (each.reachedAt() == Long.MAX_VALUE ? "" : time(each.reachedAt(), zone)) + "\n";
    }

    private static String number(double value) {
        return Double.isNaN(value) ? "" : Output.number(value);
    }

    private static String time(long time, ZoneId zone) {
        return ComputeCommand.time(time, zone, false);
    }
}
