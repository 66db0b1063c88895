package dev.yardarm.market.generator;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.market.world.World;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * An index: the value of its members at their last prices, divided so that it started at a round number.
 *
 * <p>It is published at the opening and at the end of every minute, so a minute opens with the value published before
 * and has no extremes of its own. Days with minutes are put together from them; for days before there are minutes, high
 * and low are estimated from the members' highs and lows, drawn in because these did not come at the same moment.
 * Volume is the sum of the members' shares traded.
 */
final class IndexPath extends Tape {
    /** What is left of the members' summed reach beyond open and close: their extremes do not coincide. */
    private static final double COINCIDENCE = 0.55;
    /** Sessions whose minutes are kept: the one looked at and its neighbour. */
    private static final int KEPT = 2;

    private final WorldHistory history;
    private final List<DailyBars> members;
    private final List<String> codes;
    private final double divisor;
    private final Map<Integer, Minutes> recent = new LinkedHashMap<>() {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Integer, Minutes> eldest) {
            return size() > KEPT;
        }
    };

    private record Minutes(int[] open, int[] close, long[] volume) {}

    private record Day(double open, double high, double low, double close, long volume) {}

    IndexPath(WorldHistory history, World.Index index, Sessions sessions, int firstIntraday) {
        super(index.code(), history.seed(), sessions, firstIntraday);
        this.history = history;
        List<World.Company> held =
                history.world().companies().stream().filter(index::holds).toList();
        if (held.isEmpty()) {
            throw new IllegalArgumentException("the index " + index.code() + " has no members in the world file");
        }
        codes = held.stream().map(World.Company::code).toList();
        members = codes.stream().map(history::company).toList();
        double value = 0;
        for (DailyBars member : members) {
            value += DailyBars.price(member.open[0]) * member.shares[0];
        }
        divisor = value / index.start();
    }

    private int ticks(double value) {
        return (int) Math.rint(value / divisor * DailyBars.TICKS_PER_UNIT);
    }

    @Override
    double price(int ticks) {
        return DailyBars.price(ticks);
    }

    /** What the index opens at in a session, from its members' opens. */
    double open(int session) {
        return day(session).open / divisor;
    }

    /** What the index closes at in a session, from its members' closes. */
    double close(int session) {
        return day(session).close / divisor;
    }

    /** How high and how low an index goes in a session, estimated from its members' days. */
    double[] reach(int session) {
        Day day = day(session);
        return new double[] {day.high / divisor, day.low / divisor};
    }

    /** The value of all members in a session, its extremes estimated, before it is divided. */
    private Day day(int session) {
        double open = 0;
        double close = 0;
        double above = 0;
        double below = 0;
        long volume = 0;
        for (DailyBars member : members) {
            double shares = member.shares[session];
            int first = member.open[session];
            int last = member.close[session];
            open += DailyBars.price(first) * shares;
            close += DailyBars.price(last) * shares;
            above += DailyBars.price(member.high[session] - Math.max(first, last)) * shares;
            below += DailyBars.price(Math.min(first, last) - member.low[session]) * shares;
            volume += member.volume[session];
        }
        return new Day(
                open,
                Math.max(open, close) + COINCIDENCE * above,
                Math.min(open, close) - COINCIDENCE * below,
                close,
                volume);
    }

    @Override
    void appendDay(int session, long open, long close, BarSeries series) {
        if (session >= firstIntraday()) {
            long volume = 0;
            Minutes minutes = minutes(session);
            int high = minutes.open[0];
            int low = minutes.open[0];
            for (int minute = 0; minute < minutes.close.length; minute++) {
                high = Math.max(high, minutes.close[minute]);
                low = Math.min(low, minutes.close[minute]);
                volume += minutes.volume[minute];
            }
            series.append(
                    open,
                    close,
                    DailyBars.price(minutes.open[0]),
                    DailyBars.price(high),
                    DailyBars.price(low),
                    DailyBars.price(minutes.close[minutes.close.length - 1]),
                    volume);
            return;
        }
        Day day = day(session);
        series.append(
                open,
                close,
                DailyBars.price(ticks(day.open)),
                DailyBars.price(ticks(day.high)),
                DailyBars.price(ticks(day.low)),
                DailyBars.price(ticks(day.close)),
                day.volume);
    }

    private Minutes minutes(int session) {
        synchronized (recent) {
            return recent.computeIfAbsent(session, this::compute);
        }
    }

    private Minutes compute(int session) {
        int count = sessions().minutes(session);
        double[] values = new double[count];
        double openValue = 0;
        long[] volume = new long[count];
        MinutePath path = new MinutePath(count);
        for (int member = 0; member < members.size(); member++) {
            double shares = members.get(member).shares[session];
            history.tape(codes.get(member)).fillMinutes(session, path);
            openValue += DailyBars.price(path.open[0]) * shares;
            for (int minute = 0; minute < count; minute++) {
                values[minute] += DailyBars.price(path.close[minute]) * shares;
                volume[minute] += path.volume[minute];
            }
        }
        int[] open = new int[count];
        int[] close = new int[count];
        for (int minute = 0; minute < count; minute++) {
            open[minute] = minute == 0 ? ticks(openValue) : close[minute - 1];
            close[minute] = ticks(values[minute]);
        }
        return new Minutes(open, close, volume);
    }

    @Override
    void fillMinutes(int session, MinutePath path) {
        Minutes minutes = minutes(session);
        for (int minute = 0; minute < path.minutes(); minute++) {
            path.open[minute] = minutes.open[minute];
            path.close[minute] = minutes.close[minute];
            path.high[minute] = Math.max(minutes.open[minute], minutes.close[minute]);
            path.low[minute] = Math.min(minutes.open[minute], minutes.close[minute]);
            path.volume[minute] = minutes.volume[minute];
        }
    }

    /** The published values of a minute: the one it opens with at its start, the one it ends with at its end. */
    @Override
    void report(long start, int session, int minute, MinutePath path, long after, long upTo, TradeReader reader) {
        long end = start + Times.MINUTE - Times.SECOND / 1000;
        if (start > after && start <= upTo) {
            reader.trade(start, DailyBars.price(path.open[minute]), 0, TickSeries.UNKNOWN);
        }
        if (end > after && end <= upTo) {
            reader.trade(end, DailyBars.price(path.close[minute]), path.volume[minute], TickSeries.UNKNOWN);
        }
    }
}
