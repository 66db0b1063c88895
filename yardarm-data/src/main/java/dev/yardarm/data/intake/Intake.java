package dev.yardarm.data.intake;

import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.data.csv.BadRow;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.BarFileException;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.csv.TickFile;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.history.OwnSource;
import dev.yardarm.data.history.ParquetBarStore;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Files of the user's own, looked at and taken in:
 *
 * <pre>{@code
 * Intake.Look look = Intake.look(file, ReadingOptions.NONE, store);
 * look.timeframe();      // what its bars are of, as far as their distances tell
 * look.checked(wanted);  // refuses a timeframe that the bars are not of
 * Intake.store(look, id, timeframe, store);
 * }</pre>
 */
public final class Intake {
    private static final int MOST_DECIMALS = 8;

    private Intake() {}

    /**
     * What a file holds.
     *
     * @param notes what was taken for what
     * @param bars empty for a file of trades
     * @param ticks empty for a file of bars
     * @param badRows rows that cannot be used
     * @param decimals that its prices are written with
     * @param zone of its days
     */
    public record Look(
            Path file,
            List<String> notes,
            Bars bars,
            TickSeries ticks,
            List<BadRow> badRows,
            int decimals,
            ZoneId zone) {
        public boolean holdsTrades() {
            return ticks.size() > 0;
        }

        /** How many rows can be used. */
        public int rows() {
            return holdsTrades() ? ticks.size() : bars.closed();
        }

        /** The timeframe of its bars, as far as their distances tell; a minute for trades. */
        public Optional<Timeframe> timeframe() {
            return holdsTrades()
                    ? Optional.of(Timeframe.MINUTE)
                    : Spacing.of(bars).timeframe();
        }

        /** A code made of the name of the file. */
        public String code() {
            String name = file.getFileName().toString().replaceFirst("\\.[A-Za-z]+$", "");
            String code = name.toUpperCase(Locale.ROOT)
                    .replaceAll("[^A-Z0-9.^-]+", "_")
                    .replaceFirst("^_+", "");
            return code.isEmpty() ? "OWN" : code.substring(0, Math.min(24, code.length()));
        }

        /**
         * Refuses a timeframe that the bars are not of.
         *
         * @throws IOException with the one they are of
         */
        public void check(Timeframe wanted) throws IOException {
            Spacing spacing = Spacing.of(bars);
            if (!holdsTrades() && !spacing.fits(wanted)) {
                throw new BarFileException(
                        "the rows of " + file + " are mostly " + spacing.words() + " apart, which are no bars of "
                                + wanted
                                + spacing.timeframe()
                                        .map(found -> "; they are bars of " + found)
                                        .orElse(""));
            }
        }
    }

    /** Reads a file of bars or trades, CSV or Parquet, without taking anything in. */
    public static Look look(Path file, ReadingOptions options, ParquetBarStore store) throws IOException {
        if (!isParquet(file)) {
            return looked(file, file, options);
        }
        Path csv = Files.createTempFile("yardarm", ".csv");
        try {
            store.toCsv(file, csv);
            return looked(file, csv, options);
        } finally {
            Files.deleteIfExists(csv);
        }
    }

    private static boolean isParquet(Path file) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new BarFileException("there is no file " + file + "; check the path");
        }
        try (var in = Files.newInputStream(file)) {
            return new String(in.readNBytes(4), java.nio.charset.StandardCharsets.ISO_8859_1).equals("PAR1");
        }
    }

    private static Look looked(Path named, Path file, ReadingOptions options) throws IOException {
        ZoneId zone = options.zone() == null ? ZoneOffset.UTC : options.zone();
        if (TickFile.holdsTicks(file, options)) {
            TickFile.Result read = TickFile.read(file, options, /* keepRepeated= */ true);
            return new Look(
                    named, read.notes(), Bars.EMPTY, read.ticks(), read.badRows(), decimals(read.ticks()), zone);
        }
        BarFile.Result read = BarFile.read(file, options);
        return new Look(
                named,
                read.notes(),
                read.series().snapshot(),
                TickSeries.EMPTY,
                read.badRows(),
                Math.min(MOST_DECIMALS, read.decimals()),
                zone);
    }

    private static int decimals(TickSeries ticks) {
        int most = 0;
        for (int tick = Math.max(0, ticks.size() - 1000); tick < ticks.size(); tick++) {
            most = Math.max(
                    most,
                    BigDecimal.valueOf(ticks.price(tick)).stripTrailingZeros().scale());
        }
        return Math.min(MOST_DECIMALS, most);
    }

    /**
     * Takes in what was looked at: bars of a timeframe, or trades with the bars of minutes they make.
     *
     * @return the bars that were taken in
     */
    public static Bars store(
            Look look, dev.yardarm.core.instrument.InstrumentId id, Timeframe timeframe, ParquetBarStore store)
            throws IOException {
        TradingCalendar calendar = OwnSource.calendar(look.zone().getId());
        Bars bars;
        if (look.holdsTrades()) {
            store.mergeTicks(id, look.ticks());
            BarBuilder minutes = new BarBuilder(new BarGrid(calendar, Timeframe.MINUTE), new BarSeries(1024));
            minutes.addTicks(look.ticks(), 0, look.ticks().size());
            minutes.advanceTo(Long.MAX_VALUE / 2);
            bars = minutes.series().snapshot();
            store.merge(id, Timeframe.MINUTE, bars);
        } else {
            bars = onGrid(look.bars(), new BarGrid(calendar, timeframe));
            store.merge(id, timeframe, bars);
        }
        return bars;
    }

    /** What is kept about an instrument after an import, of what was known before. */
    public static Documents.Imported registered(
            Documents.Imported before,
            String code,
            String name,
            Look look,
            long now,
            double pointValue,
            double margin) {
        return new Documents.Imported(
                code,
                name != null ? name : before != null ? before.name() : code,
                Math.max(Math.max(2, look.decimals()), before == null ? 0 : before.decimals()),
                look.zone().getId(),
                now,
                pointValue > 0 ? pointValue : before == null ? 0 : before.pointValue(),
                margin > 0 ? margin : before == null ? 0 : before.margin());
    }

    /** Gives bars the closing times of their timeframe. */
    private static Bars onGrid(Bars bars, BarGrid grid) {
        TradingCalendar calendar = grid.calendar();
        boolean intraday = grid.timeframe().isIntraday();
        long span = grid.timeframe().span();
        if (intraday && isOnGrid(bars, span)) {
            return bars;
        }
        BarSeries series = new BarSeries(bars.closed());
        for (int bar = 0; bar < bars.closed(); bar++) {
            long open = bars.openTime(bar);
            long close = intraday
                    ? open + span
                    : Math.max(
                            open + 1,
                            grid.slotAt(Math.max(open, calendar.open(calendar.sessionAt(open))))
                                    .closeTime());
            long next = bar + 1 < bars.closed() ? bars.openTime(bar + 1) : Long.MAX_VALUE;
            series.append(
                    open,
                    Math.min(close, next),
                    bars.open(bar),
                    bars.high(bar),
                    bars.low(bar),
                    bars.close(bar),
                    bars.volume(bar));
        }
        return series.snapshot();
    }

    /** True when each bar ends where its timeframe says, or where the next begins. */
    private static boolean isOnGrid(Bars bars, long span) {
        long[] opened = bars.openTimes();
        long[] closed = bars.closeTimes();
        int last = bars.closed() - 1;
        for (int bar = 0; bar < last; bar++) {
            if (closed[bar] != Math.min(opened[bar] + span, opened[bar + 1])) {
                return false;
            }
        }
        return last < 0 || closed[last] == opened[last] + span;
    }

    /** The time of a bar or a trade as files write it: a date, or a time with its offset. */
    public static String time(long micros, ZoneId zone, boolean dateOnly) {
        return dateOnly
                ? Times.date(micros, zone).toString()
                : Times.at(micros, zone)
                        .toOffsetDateTime()
                        .format(java.time.format.DateTimeFormatter.ISO_OFFSET_DATE_TIME);
    }
}
