package dev.yardarm.market.generator;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.market.chance.Dice;
import dev.yardarm.market.planted.PlantedOrder;
import java.util.ArrayList;
import java.util.List;

/**
 * What was traded in one instrument: a day for each session, cut into minutes, cut into trades, all adding up exactly.
 * Minutes and trades are made where they are looked at. Callers say up to when something is known; nothing later is
 * handed out, and the day in progress is put together from its minutes and trades so far.
 */
abstract class Tape {
    private final String code;
    private final long seed;
    private final Sessions sessions;
    private final int firstIntraday;
    private boolean isPrinted;

    /** @param firstIntraday first session that has minutes; the number of sessions when none has */
    Tape(String code, long seed, Sessions sessions, int firstIntraday) {
        this.code = code;
        this.seed = seed;
        this.sessions = sessions;
        this.firstIntraday = firstIntraday;
    }

    /** Its trades are kept one by one, as prints with their sides: many of them, and some that stand out. Said before it is used. */
    final Tape printed() {
        isPrinted = true;
        return this;
    }

    final String code() {
        return code;
    }

    final long seed() {
        return seed;
    }

    final Sessions sessions() {
        return sessions;
    }

    final int firstIntraday() {
        return firstIntraday;
    }

    /** First session it is traded in. */
    int first() {
        return 0;
    }

    /** Last session it is traded in. */
    int last() {
        return sessions.count() - 1;
    }

    /** The price of so many ticks. */
    abstract double price(int ticks);

    abstract void appendDay(int session, long open, long close, BarSeries series);

    /** Fills the minutes of a session into a path of that length. */
    abstract void fillMinutes(int session, MinutePath path);

    /** A path for the minutes of a session, with the rhythm of its hours. */
    MinutePath path(int session) {
        return new MinutePath(sessions.minutes(session));
    }

    final MinutePath path(int session, MinutePath reusable) {
        return reusable != null && reusable.minutes() == sessions.minutes(session) ? reusable : path(session);
    }

    /** Reports the trades of one minute. */
    void report(long start, int session, int minute, MinutePath path, long after, long upTo, TradeReader reader) {
        if (isPrinted) {
            print(start, session, minute, path)
                    .report(after, upTo, (time, ticks, size, side) -> reader.trade(time, price(ticks), size, side));
            return;
        }
        new MinuteTrades()
                .report(
                        new Dice(seed, Dice.key(code), Dice.key("trades"), session, minute),
                        start,
                        path.open[minute],
                        path.high[minute],
                        path.low[minute],
                        path.close[minute],
                        path.volume[minute],
                        after,
                        upTo,
                        (time, ticks, size) -> reader.trade(time, price(ticks), size, TickSeries.UNKNOWN));
    }

    private PrintedMinute print(long start, int session, int minute, MinutePath path) {
        return new PrintedMinute(
                new Dice(seed, Dice.key(code), Dice.key("prints"), session, minute),
                start,
                path.open[minute],
                path.high[minute],
                path.low[minute],
                path.close[minute],
                path.volume[minute]);
    }

    /** What was planted among the prints of a session, in their order. */
    final List<PlantedOrder> planted(int session) {
        List<PlantedOrder> found = new ArrayList<>();
        if (isPrinted && session >= firstIntraday) {
            MinutePath path = path(session);
            fillMinutes(session, path);
            for (int minute = 0; minute < path.minutes(); minute++) {
                PlantedOrder each = print(sessions.open(session) + minute * Times.MINUTE, session, minute, path)
                        .planted();
                if (each != null) {
                    found.add(each.at(price((int) each.price())));
                }
            }
        }
        return found;
    }

    /** Daily or minute bars that opened from {@code from} on, as known at {@code upTo}; the last may be forming. */
    final BarSeries bars(Timeframe timeframe, long from, long upTo) {
        if (!timeframe.equals(Timeframe.DAY) && !timeframe.equals(Timeframe.MINUTE)) {
            throw new IllegalArgumentException("the world keeps days and minutes, not " + timeframe);
        }
        boolean days = timeframe.equals(Timeframe.DAY);
        int last = upTo < sessions.open(0) ? -1 : Math.min(last(), sessions.at(upTo));
        int first = Math.max(first(), days ? 0 : firstIntraday);
        if (first < sessions.count() && from > sessions.open(first)) {
            first = Math.max(first, sessions.at(from));
        }
        BarSeries series =
                new BarSeries(Math.max(0, last - first + 1) * (days || last < 0 ? 1 : sessions.minutes(last)));
        MinutePath path = null;
        for (int session = first; session <= last; session++) {
            long open = sessions.open(session);
            long close = sessions.close(session);
            if (days && open >= from && close <= upTo) {
                appendDay(session, open, close, series);
            } else if (days && open >= from) {
                formDay(session, open, close, upTo, series);
            } else if (!days) {
                path = path(session, path);
                appendMinutes(session, from, upTo, path, series);
            }
        }
        return series;
    }

    /** The day in progress, from its minutes so far. */
    private void formDay(int session, long open, long close, long upTo, BarSeries series) {
        BarSeries minutes = new BarSeries(sessions.minutes(session));
        appendMinutes(session, open, upTo, path(session), minutes);
        Bars known = minutes.snapshot();
        for (int minute = 0; minute < known.size(); minute++) {
            if (minute == 0) {
                series.form(open, close, known.open(0), known.high(0), known.low(0), known.close(0), known.volume(0));
            } else {
                series.extendForming(known.high(minute), known.low(minute), known.close(minute), known.volume(minute));
            }
        }
    }

    private void appendMinutes(int session, long from, long upTo, MinutePath path, BarSeries series) {
        fillMinutes(session, path);
        long sessionOpen = sessions.open(session);
        for (int minute = 0; minute < path.minutes(); minute++) {
            long open = sessionOpen + minute * Times.MINUTE;
            long close = open + Times.MINUTE;
            if (open < from) {
                continue;
            }
            if (close <= upTo) {
                series.append(
                        open,
                        close,
                        price(path.open[minute]),
                        price(path.high[minute]),
                        price(path.low[minute]),
                        price(path.close[minute]),
                        path.volume[minute]);
                continue;
            }
            if (open < upTo) {
                report(open, session, minute, path, open - 1, upTo, (time, price, size, side) -> {
                    if (series.hasForming()) {
                        series.extendForming(price, price, price, size);
                    } else {
                        series.form(open, close, price, price, price, price, size);
                    }
                });
            }
            return;
        }
    }

    /**
     * Appends the trades after one moment and up to another, each with its side: a trade above the one before was struck at the
     * ask, one below at the bid, one at the same price where the one before was; prints have theirs. The first of a minute is compared with the
     * close of the minute before, so the side of a trade follows from the tape alone, however the span is cut.
     */
    final void trades(long after, long upTo, TickSeries into) {
        MinutePath path = null;
        for (int session = Math.max(first(), after < sessions.open(0) ? 0 : sessions.at(after));
                session <= last();
                session++) {
            long open = sessions.open(session);
            if (open > upTo) {
                return;
            }
            if (sessions.close(session) <= after || session < firstIntraday) {
                continue;
            }
            path = path(session, path);
            fillMinutes(session, path);
            int first = (int) Math.max(0, (after - open) / Times.MINUTE);
            int last = (int) Math.min(path.minutes() - 1L, (upTo - open) / Times.MINUTE);
            for (int minute = first; minute <= last; minute++) {
                long start = open + minute * Times.MINUTE;
                double before = minute == 0 ? Double.NaN : price(path.close[minute - 1]);
                report(start, session, minute, path, start - 1, upTo, new Sided(before, after, into));
            }
        }
    }

    /** Gives each trade of a minute its side and keeps those behind a moment. */
    private static final class Sided implements TradeReader {
        private final long after;
        private final TickSeries into;
        private double before;
        private byte side = TickSeries.ASK;

        Sided(double before, long after, TickSeries into) {
            this.before = before;
            this.after = after;
            this.into = into;
        }

        @Override
        public void trade(long time, double price, double size, byte known) {
            side = known != TickSeries.UNKNOWN
                    ? known
                    : price > before ? TickSeries.ASK : price < before ? TickSeries.BID : side;
            before = price;
            if (time > after) {
                into.append(time, price, size, side);
            }
        }
    }

    /** The same trades in columns of their own. */
    final TickSeries ticks(long after, long upTo) {
        TickSeries ticks = new TickSeries(1024);
        trades(after, upTo, ticks);
        return ticks;
    }
}
