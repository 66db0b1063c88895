package dev.yardarm.desk.card;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.EventMark;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.EventMarks;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.vantage.Vantages;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The facts of an instrument at a moment, in words: identity, the day's figures, the next events, and a short technical
 * summary.
 *
 * <p>Trend on a timeframe: up when the last close stands above the mean of the last 20 closes and that mean above the one
 * five bars earlier, down when both are below, else sideways. Place in its range: 0 % at the lowest low and 100 % at the
 * highest high of the last 250 days. Volatility: the mean true range of the last 14 days in per cent of the close.
 * Relative strength: the change over the last 60 days less that of the broad index. What lacks bars is left out.
 *
 * @param lines pairs of a word and what is said, in their order; an empty word begins a part
 */
public record InstrumentCard(Instrument instrument, List<Line> lines) {
    private static final int RANGE_DAYS = 250;
    private static final int STRENGTH_DAYS = 60;
    private static final Formula UP = condition("close > sma(close, 20) and sma(close, 20) > sma(close, 20) back 5");
    private static final Formula DOWN = condition("close < sma(close, 20) and sma(close, 20) < sma(close, 20) back 5");
    private static final Formula STRUCTURE = Formula.parse("pivots.trend", Language.builtIn());
    private static final Formula VOLATILITY = Formula.parse("100 * sma(true_range, 14) / close", Language.builtIn());

    private static Formula condition(String text) {
        return Formula.parseCondition(text, Language.builtIn());
    }

    /** @param word what it is about; empty for the title of a part */
    public record Line(String word, String text) {}

    /** Works out a card; a few milliseconds, more when its bars have to be made. */
    public static InstrumentCard of(
            Instrument instrument, Directory directory, Histories histories, Vantages.Moment then) throws IOException {
        List<Line> lines = new ArrayList<>();
        TradingCalendar calendar = directory.calendar(instrument);
        identity(instrument, calendar, lines);
        Bars days;
        try {
            days = then.bars(instrument, BarRequest.of(Timeframe.DAY));
        } catch (IOException noDays) {
            lines.add(new Line("history", noDays.getMessage()));
            return new InstrumentCard(instrument, List.copyOf(lines));
        }
        day(instrument, days, lines);
        events(instrument, histories, calendar, then.moment(), lines);
        lines.add(new Line("", "At a glance"));
        trends(instrument, then, lines);
        place(instrument, days, lines);
        volatility(days, lines);
        strength(instrument, days, directory, then, lines);
        return new InstrumentCard(instrument, List.copyOf(lines));
    }

    private static void identity(Instrument instrument, TradingCalendar calendar, List<Line> lines) {
        lines.add(new Line("", instrument.name()));
        lines.add(new Line(
                "market", instrument.market() + ", " + instrument.kind().word()));
        if (!instrument.sector().isEmpty()) {
            lines.add(new Line(
                    "sector", instrument.sector() + (instrument.tier().isEmpty() ? "" : ", " + instrument.tier())));
        }
        TradingCalendar.Hours hours = calendar.hours();
        boolean aroundTheClock = hours.open().equals(hours.close());
        lines.add(new Line(
                "session",
                aroundTheClock
                        ? "round the clock"
                        : hours.open() + "–" + hours.close()
                                + (hours.dayStart() == null ? "" : ", day from " + hours.dayStart())));
        lines.add(new Line(
                instrument.format().stepWord().equals("pips") ? "pip" : "tick",
                instrument.format().step() + ", worth "
                        + plain(instrument.format().step() * instrument.pointValue())
                        + (instrument.currency().isEmpty() ? "" : " " + instrument.currency())
                        + " for one " + instrument.pieces(1)));
        lines.add(new Line("source", instrument.id().source()));
    }

    private static String plain(double value) {
        return java.math.BigDecimal.valueOf(value)
                .round(new java.math.MathContext(6))
                .stripTrailingZeros()
                .toPlainString();
    }

    private static String percent(double part) {
        return String.format(Locale.ROOT, "%+.2f %%", 100 * part).replace('-', '−');
    }

    private static void day(Instrument instrument, Bars days, List<Line> lines) {
        int last = days.size() - 1;
        if (last < 1) {
            return;
        }
        var format = instrument.format();
        lines.add(new Line("", "The day" + (days.hasForming() ? ", forming" : "")));
        lines.add(new Line(
                "last",
                format.format(days.close(last)) + "   " + percent(days.close(last) / days.close(last - 1) - 1)));
        lines.add(new Line("open", format.format(days.open(last))));
        lines.add(new Line("high, low", format.format(days.high(last)) + "   " + format.format(days.low(last))));
        if (days.volume(last) > 0) {
            lines.add(new Line("volume", String.format(Locale.ROOT, "%,.0f", days.volume(last))));
        }
    }

    private static void events(
            Instrument instrument, Histories histories, TradingCalendar calendar, long now, List<Line> lines)
            throws IOException {
        List<EventMark> coming = EventMarks.of(histories, instrument, BarRequest.of(Timeframe.HOUR), now, now).stream()
                .filter(mark -> mark.time() > now)
                .limit(3)
                .toList();
        if (!coming.isEmpty()) {
            lines.add(new Line("", "Next events"));
            coming.forEach(mark -> lines.add(new Line(
                    Times.at(mark.time(), calendar.zone())
                            .format(java.time.format.DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ENGLISH)),
                    mark.text())));
        }
    }

    private static void trends(Instrument instrument, Vantages.Moment then, List<Line> lines) {
        List<String> words = new ArrayList<>();
        List<String> structure = new ArrayList<>();
        for (Timeframe timeframe : List.of(Timeframe.MONTH, Timeframe.WEEK, Timeframe.DAY, Timeframe.HOUR)) {
            try {
                Bars bars = then.bars(instrument, BarRequest.of(timeframe));
                String trend = trend(bars);
                if (!trend.isEmpty()) {
                    words.add(timeframe + " " + trend);
                }
                String swings = structure(bars);
                if (!swings.isEmpty()) {
                    structure.add(timeframe + " " + swings);
                }
            } catch (IOException cannotBeBuilt) {
                // a timeframe that is not there has no trend
            }
        }
        if (!words.isEmpty()) {
            lines.add(new Line("trend", String.join(", ", words)));
        }
        if (!structure.isEmpty()) {
            lines.add(new Line("structure", String.join(", ", structure)));
        }
    }

    /** What the settled swings do: rises, falls, or neither; empty before there are two highs and two lows. */
    static String structure(Bars bars) {
        double trend = bars.isEmpty() ? Double.NaN : STRUCTURE.evaluate(bars).at(bars.size() - 1);
        return Double.isNaN(trend) ? "" : trend > 0 ? "rises" : trend < 0 ? "falls" : "neither";
    }

    /** Up, down or sideways; empty with fewer than 25 bars. */
    static String trend(Bars bars) {
        int last = bars.size() - 1;
        return last < 24
                ? ""
                : UP.evaluate(bars).at(last) == 1 ? "up" : DOWN.evaluate(bars).at(last) == 1 ? "down" : "sideways";
    }

    private static void place(Instrument instrument, Bars days, List<Line> lines) {
        int size = days.size();
        if (size < 20) {
            return;
        }
        double high = Double.NEGATIVE_INFINITY;
        double low = Double.POSITIVE_INFINITY;
        for (int bar = Math.max(0, size - RANGE_DAYS); bar < size; bar++) {
            high = Math.max(high, days.high(bar));
            low = Math.min(low, days.low(bar));
        }
        lines.add(new Line(
                "place",
                String.format(
                        Locale.ROOT,
                        "%.0f %% of its range of %d days",
                        100 * (days.close(size - 1) - low) / Math.max(1e-12, high - low),
                        Math.min(size, RANGE_DAYS))));
        double lowest = Double.POSITIVE_INFINITY;
        double highest = Double.NEGATIVE_INFINITY;
        for (int bar = 0; bar < size; bar++) {
            lowest = Math.min(lowest, days.low(bar));
            highest = Math.max(highest, days.high(bar));
        }
        boolean joined = instrument.kind() == Instrument.Kind.CONTINUOUS;
        lines.add(new Line(
                "all time",
                instrument.format().format(lowest) + " to "
                        + instrument.format().format(highest)
                        + (joined
                                ? ", contracts joined "
                                        + BarRequest.of(Timeframe.DAY).joint().words()
                                : instrument.kind() == Instrument.Kind.SHARE ? ", adjusted for splits" : "")));
    }

    private static void volatility(Bars days, List<Line> lines) {
        int size = days.size();
        if (size < 16) {
            return;
        }
        double daily = VOLATILITY.evaluate(days).at(size - 1);
        lines.add(new Line("volatility", String.format(Locale.ROOT, "%.2f %% a day", daily)));
    }

    private static void strength(
            Instrument instrument, Bars days, Directory directory, Vantages.Moment then, List<Line> lines) {
        Instrument index = directory.all().stream()
                .filter(each -> each.kind() == Instrument.Kind.INDEX
                        && each.id().source().equals(instrument.id().source()))
                .findFirst()
                .orElse(null);
        int size = days.size();
        if (index == null || index.equals(instrument) || size <= STRENGTH_DAYS) {
            return;
        }
        try {
            Bars broad = then.bars(index, BarRequest.of(Timeframe.DAY));
            int from = broad.barAt(days.openTime(size - 1 - STRENGTH_DAYS));
            if (from >= 0 && !broad.isEmpty()) {
                double own = days.close(size - 1) / days.close(size - 1 - STRENGTH_DAYS) - 1;
                double other = broad.close(broad.size() - 1) / broad.close(from) - 1;
                lines.add(new Line(
                        "strength",
                        percent(own - other) + " against " + index.code() + " in " + STRENGTH_DAYS + " days"));
            }
        } catch (IOException noIndex) {
            // without the index there is nothing to compare with
        }
    }
}
