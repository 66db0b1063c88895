package dev.yardarm.desk.follow;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.desk.market.Directory;
import java.io.IOException;
import java.time.LocalDate;

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
