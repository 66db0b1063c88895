package dev.yardarm.market.generator;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.market.chance.Dice;

/** A tape whose days come from somewhere else as prices; it puts them on whole ticks. */
abstract class DayTape extends Tape {
    private final int inverse;

    /** @param inverse number of ticks in a price of 1 */
    DayTape(String code, long seed, Sessions sessions, int firstIntraday, int inverse) {
        super(code, seed, sessions, firstIntraday);
        this.inverse = inverse;
    }

    /** Fills {@code open, high, low, close} of a session, not rounded. */
    abstract void day(int session, double[] prices);

    /** Volume of a session. */
    abstract double volume(int session);

    @Override
    final double price(int ticks) {
        return (double) ticks / inverse;
    }

    private int ticks(double price) {
        return (int) Math.rint(price * inverse);
    }

    private int[] day(int session) {
        double[] prices = new double[4];
        day(session, prices);
        int open = ticks(prices[0]);
        int close = ticks(prices[3]);
        return new int[] {
            open,
            Math.max(ticks(prices[1]), Math.max(open, close)),
            Math.min(ticks(prices[2]), Math.min(open, close)),
            close
        };
    }

    private long wholeVolume(int session) {
        return Math.max(sessions().minutes(session) * 20L, Math.round(volume(session)));
    }

    /** Where each minute of a session closes, as prices, when that follows something else; null where it is a walk of its own. */
    double[] course(int session) {
        return null;
    }

    @Override
    final void appendDay(int session, long open, long close, BarSeries series) {
        int[] day = day(session);
        series.append(open, close, price(day[0]), price(day[1]), price(day[2]), price(day[3]), wholeVolume(session));
    }

    private Dice minutesDice(int session) {
        return new Dice(seed(), Dice.key(code()), Dice.key("minutes"), session);
    }

    private void follow(int session, double[] course, MinutePath path) {
        double[] ends = new double[course.length];
        for (int minute = 0; minute < ends.length; minute++) {
            ends[minute] = course[minute] * inverse;
        }
        int[] day = day(session);
        path.follow(minutesDice(session), ends, day[0], day[1], day[2], day[3], wholeVolume(session));
    }

    @Override
    final void fillMinutes(int session, MinutePath path) {
        double[] course = course(session);
        if (course != null) {
            follow(session, course, path);
            return;
        }
        int[] day = day(session);
        path.fill(minutesDice(session), day[0], day[1], day[2], day[3], wholeVolume(session));
    }
}
