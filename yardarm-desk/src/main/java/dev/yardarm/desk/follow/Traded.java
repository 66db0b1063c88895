package dev.yardarm.desk.follow;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.desk.market.Directory;
import java.io.IOException;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;

/** What was traded of an instrument while nothing watched, in prices of now. */
public final class Traded {
    private Traded() {}

    /** Takes trades in their order. */
    @FunctionalInterface
    public interface Taker {
        /** True to go on. */
        boolean take(TickSeries trades) throws IOException;
    }

    /**
     * Hands over what was traded in a span, a session at a time, so that a continuous future gives the trades of the contract that counted
     * then, and no more than a session is in memory.
     *
     * @param after trades after this moment
     * @param basis what became of earlier prices
     */
    public static void between(
            Directory directory, Instrument instrument, long after, long upTo, PriceBasis basis, Taker taker)
            throws IOException {
        if (!(directory.source(instrument).orElse(null) instanceof LiveSource live)) {
            TickSeries path = new TickSeries(256);
            along(
                    directory,
                    instrument,
                    after,
                    upTo,
                    (time, known, price, size, moved) -> path.append(time, price, size, TickSeries.UNKNOWN));
            taker.take(shown(path, basis));
            return;
        }
        TradingCalendar calendar = directory.calendar(instrument);
        long from = after;
        while (from < upTo) {
            LocalDate next = calendar.next(calendar.sessionAt(from + 1));
            long end = Math.min(upTo, calendar.open(next) - 1);
            if (end > from) {
                TickSeries trades = new TickSeries(256);
                live.trades(instrument.id(), from, end, trades);
                if (!taker.take(shown(trades, basis))) {
                    return;
                }
            }
            from = Math.max(end, from + 1);
        }
    }

    private static TickSeries shown(TickSeries trades, PriceBasis basis) {
        if (basis.isAsTraded()) {
            return trades;
        }
        TickSeries shown = new TickSeries(trades.size());
        for (int trade = 0; trade < trades.size(); trade++) {
            long time = trades.time(trade);
            shown.append(time, basis.shown(trades.price(trade), time), trades.size(trade), trades.side(trade));
        }
        return shown;
    }

    /** True when an instrument has trades that come in; false for one that has the bars of files alone. */
    public static boolean isLive(Directory directory, Instrument instrument) {
        return directory.source(instrument).orElse(null) instanceof LiveSource;
    }

    /** Takes the prices of bars in the order in which they are taken to have been traded. */
    @FunctionalInterface
    public interface Path {
        /**
         * Takes a price.
         *
         * @param time on the way through the bar
         * @param known when it was known: the open with the bar, what came on the way when it had closed
         * @param moved true when price moved there through all prices between
         */
        void take(long time, long known, double price, double size, boolean moved);
    }

    /**
     * Goes along the finest bars there are of an instrument that has no trades: of those that opened after a moment and have closed by another, open,
     * the extreme away from the close, the other extreme, close.
     *
     * @throws IOException when they cannot be read
     */
    public static void along(Directory directory, Instrument instrument, long after, long upTo, Path path)
            throws IOException {
        BarSource source = directory.source(instrument).orElse(null);
        List<Timeframe> stored = source == null ? List.of() : source.stored(instrument.id());
        if (stored.isEmpty()) {
            return;
        }
        Timeframe finest = stored.stream().min(Comparator.naturalOrder()).orElseThrow();
        Bars bars = source.history(instrument.id(), finest, after, upTo).snapshot();
        for (int bar = 0; bar < bars.size(); bar++) {
            long open = bars.openTime(bar);
            long close = bars.closeTime(bar);
            if (open <= after || close > upTo) {
                continue;
            }
            long quarter = (close - open) / 4;
            boolean rises = bars.close(bar) >= bars.open(bar);
            double part = bars.volume(bar) / 4;
            path.take(open, open, bars.open(bar), part, false);
            path.take(open + quarter, close, rises ? bars.low(bar) : bars.high(bar), part, true);
            path.take(open + 2 * quarter, close, rises ? bars.high(bar) : bars.low(bar), part, true);
            path.take(open + 3 * quarter, close, bars.close(bar), part, true);
        }
    }

    /** Up to which moment, at most now, nothing of an instrument is missing. */
    public static long knownUpTo(Directory directory, Instrument instrument, long now) {
        return directory.source(instrument).orElse(null) instanceof LiveSource live
                ? Math.min(now, live.knownUpTo(instrument.id(), now))
                : now;
    }

    /** When the next session opens, from which on earlier prices may be others. */
    public static long nextOpen(TradingCalendar calendar, long time) {
        return calendar.open(calendar.next(calendar.sessionAt(time)));
    }
}
