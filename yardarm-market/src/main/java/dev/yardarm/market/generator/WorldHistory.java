package dev.yardarm.market.generator;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.LiveSource.TradeReader;
import dev.yardarm.market.world.World;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The whole history of a world, past and future, made where it is looked at.
 *
 * <p>Daily bars of a company are made on first use (a few milliseconds) and kept; minutes and trades are made anew each
 * time. Callers say up to when something is known; nothing later is handed out, and the day in progress is put
 * together from its minutes and trades so far. May be used by several threads.
 */
public final class WorldHistory {
    private final World world;
    private final long seed;
    private final TradingCalendar calendar;
    private final MarketFactors factors;
    private final int presentSession;
    private final int minutesPerSession;
    private final long[] opens;
    private final long[] closes;
    private final Map<String, DailyBars> companies = new ConcurrentHashMap<>();
    private final Map<String, IndexPath> indices = new ConcurrentHashMap<>();

    /** Sessions made beyond the present, for the market to run into. */
    private static final int SESSIONS_AHEAD = 520;

    public WorldHistory(World world, long seed) {
        this.world = world;
        this.seed = seed;
        this.calendar = world.calendar();
        LocalDate present = calendar.sessionAt(world.presentTime());
        presentSession = (int) (calendar.ordinal(present) - calendar.ordinal(calendar.sameOrNext(world.firstDate())));
        factors = new MarketFactors(world, seed, presentSession + 1 + SESSIONS_AHEAD);
        opens = new long[factors.sessionCount()];
        closes = new long[factors.sessionCount()];
        for (int session = 0; session < opens.length; session++) {
            opens[session] = calendar.open(factors.session(session));
            closes[session] = calendar.close(factors.session(session));
        }
        minutesPerSession = (int) ((calendar.close(present) - calendar.open(present)) / Times.MINUTE);
    }

    public World world() {
        return world;
    }

    public long seed() {
        return seed;
    }

    public TradingCalendar calendar() {
        return calendar;
    }

    int sessionNumber(LocalDate session) {
        return (int) (calendar.ordinal(session) - calendar.ordinal(factors.session(0)));
    }

    LocalDate session(int number) {
        return factors.session(number);
    }

    int minutesPerSession() {
        return minutesPerSession;
    }

    /** First session that has minutes. */
    int firstIntradaySession() {
        LocalDate day = Times.date(world.presentTime(), world.zone()).minusDays(world.intradayDays());
        return Math.max(0, sessionNumber(calendar.sameOrNext(day)));
    }

    DailyBars company(String code) {
        return companies.computeIfAbsent(code, missing -> {
            World.Company company = world.companies().stream().filter(each -> each.code().equals(missing)).findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("no company " + missing + " in this world"));
            return new DailyBars(world, company, factors, seed, presentSession);
        });
    }

    private IndexPath index(String code) {
        return indices.computeIfAbsent(code, missing -> {
            World.Index index = world.indices().stream().filter(each -> each.code().equals(missing)).findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("no instrument " + missing + " in this world"));
            return new IndexPath(this, index);
        });
    }

    private boolean isIndex(String code) {
        return world.indices().stream().anyMatch(index -> index.code().equals(code));
    }

    /** The minutes of a company's session, filled into a path. */
    void fillMinutes(String code, int session, MinutePath path) {
        DailyBars days = company(code);
        path.fill(new Dice(seed, Dice.key(code), Dice.key("minutes"), session), days.open[session], days.high[session],
                days.low[session], days.close[session], days.volume[session]);
    }

    /** Splits of an instrument, all of them; the caller says which are known. */
    public List<BarSource.Split> splits(String code) {
        return isIndex(code) ? List.of() : company(code).splitsIn(factors, calendar);
    }

    /** Number of a company's shares at a moment, in the shares of that moment. */
    public double sharesOutstanding(String code, long time) {
        return company(code).shares[sessionNumber(calendar.sessionAt(time))];
    }

    /** A dividend paid to whoever held the share before this moment, for one share of that day. */
    public record DividendPaid(long time, double amount) {
    }

    /** Dividends of an instrument in the order of their ex-dates, as far as known at a time. */
    public List<DividendPaid> dividends(String code, long upTo) {
        return isIndex(code) ? List.of() : company(code).dividends.stream()
                .map(paid -> new DividendPaid(opens[paid.session()], paid.amount()))
                .filter(paid -> paid.time() <= upTo).toList();
    }

    /** Daily or minute bars that opened from {@code from} on, as known at {@code upTo}; the last may be forming. */
    public BarSeries bars(String code, Timeframe timeframe, long from, long upTo) {
        if (!timeframe.equals(Timeframe.DAY) && !timeframe.equals(Timeframe.MINUTE)) {
            throw new IllegalArgumentException("the world keeps days and minutes, not " + timeframe);
        }
        boolean days = timeframe.equals(Timeframe.DAY);
        LocalDate lastSession = calendar.sessionAt(upTo);
        int last = Math.min(sessionNumber(lastSession), factors.sessionCount() - 1);
        int first = days ? 0 : firstIntradaySession();
        if (from > opens[first]) {
            LocalDate session = calendar.sessionAt(from);
            first = Math.max(first, sessionNumber(session));
        }
        BarSeries series = new BarSeries(Math.max(0, last - first + 1) * (days ? 1 : minutesPerSession));
        MinutePath path = new MinutePath(minutesPerSession);
        for (int session = first; session <= last; session++) {
            long open = opens[session];
            long close = closes[session];
            if (days && open >= from && close <= upTo) {
                appendDay(code, session, open, close, series);
            } else if (days && open >= from) {
                formDay(code, session, open, close, upTo, series);
            } else if (!days) {
                appendMinutes(code, session, open, from, upTo, path, series);
            }
        }
        return series;
    }

    private void appendDay(String code, int session, long open, long close, BarSeries series) {
        if (isIndex(code)) {
            index(code).appendDay(session, open, close, series);
            return;
        }
        DailyBars days = company(code);
        series.append(open, close, DailyBars.price(days.open[session]), DailyBars.price(days.high[session]),
                DailyBars.price(days.low[session]), DailyBars.price(days.close[session]), days.volume[session]);
    }

    /** The day in progress, from its minutes so far. */
    private void formDay(String code, int session, long open, long close, long upTo, BarSeries series) {
        BarSeries minutes = new BarSeries(minutesPerSession);
        appendMinutes(code, session, open, open, upTo, new MinutePath(minutesPerSession), minutes);
        Bars known = minutes.snapshot();
        for (int minute = 0; minute < known.size(); minute++) {
            if (minute == 0) {
                series.form(open, close, known.open(0), known.high(0), known.low(0), known.close(0), known.volume(0));
            } else {
                series.extendForming(known.high(minute), known.low(minute), known.close(minute), known.volume(minute));
            }
        }
    }

    private void appendMinutes(String code, int session, long sessionOpen, long from, long upTo, MinutePath path,
                               BarSeries series) {
        boolean isIndex = isIndex(code);
        if (isIndex) {
            index(code).fillMinutes(session, path);
        } else {
            fillMinutes(code, session, path);
        }
        for (int minute = 0; minute < minutesPerSession; minute++) {
            long open = sessionOpen + minute * Times.MINUTE;
            long close = open + Times.MINUTE;
            if (open < from) {
                continue;
            }
            if (close <= upTo) {
                series.append(open, close, DailyBars.price(path.open[minute]), DailyBars.price(path.high[minute]),
                        DailyBars.price(path.low[minute]), DailyBars.price(path.close[minute]), path.volume[minute]);
                continue;
            }
            if (open < upTo) {
                report(code, session, minute, path, open - 1, upTo, (time, price, size) -> {
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

    private void report(String code, int session, int minute, MinutePath path, long after, long upTo,
                        TradeReader reader) {
        long start = opens[session] + minute * Times.MINUTE;
        if (isIndex(code)) {
            IndexPath.report(start, path, minute, after, upTo, reader);
            return;
        }
        new MinuteTrades().report(new Dice(seed, Dice.key(code), Dice.key("trades"), session, minute), start,
                path.open[minute], path.high[minute], path.low[minute], path.close[minute], path.volume[minute],
                after, upTo, reader);
    }

    /** Reports the trades of a company, or the published values of an index, after one moment and up to another. */
    public void trades(String code, long after, long upTo, TradeReader reader) {
        MinutePath path = new MinutePath(minutesPerSession);
        LocalDate day = calendar.sessionAt(after);
        for (int session = Math.max(0, sessionNumber(day)); session < factors.sessionCount(); session++) {
            long open = opens[session];
            if (open > upTo) {
                return;
            }
            if (closes[session] <= after) {
                continue;
            }
            if (isIndex(code)) {
                index(code).fillMinutes(session, path);
            } else {
                fillMinutes(code, session, path);
            }
            int first = (int) Math.max(0, (after - open) / Times.MINUTE);
            int last = (int) Math.min(minutesPerSession - 1L, (upTo - open) / Times.MINUTE);
            for (int minute = first; minute <= last; minute++) {
                report(code, session, minute, path, after, upTo, reader);
            }
        }
    }
}
