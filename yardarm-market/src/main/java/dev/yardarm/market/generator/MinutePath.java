package dev.yardarm.market.generator;

import dev.yardarm.market.chance.Dice;

/**
 * Cuts the bar of a day into minute bars that add up to it exactly: the first opens at the day's open, the last closes
 * at its close, some minute makes its high and some its low, and the volumes add up.
 *
 * <p>The minutes follow a random bridge from open to close, wilder near the opening and the close; what it does beyond
 * open and close is stretched to the day's high and low, so its shape is kept. Everything is whole ticks. One object
 * serves many days; cost: about ten simple operations a minute, no allocation.
 */
final class MinutePath {
    private final int minutes;
    private final boolean levelled;
    private final double[] rhythm;
    private final double[] weights;
    private final double[] path;
    final int[] open;
    final int[] high;
    final int[] low;
    final int[] close;
    final long[] volume;

    /** Smallest volume of a minute, enough for every trade in it to have a size. */
    static final int LEAST_MINUTE_VOLUME = 16;

    /** The minutes of a day session: busy at its opening and toward its close. */
    MinutePath(int minutes) {
        this(dayRhythm(minutes), true);
    }

    /**
     * The minutes of a long session.
     *
     * @param rhythm how wild each minute is, 1 for a usual one
     */
    MinutePath(double[] rhythm) {
        this(rhythm, false);
    }

    private MinutePath(double[] rhythm, boolean levelled) {
        this.levelled = levelled;
        this.minutes = rhythm.length;
        this.rhythm = rhythm;
        weights = new double[minutes];
        path = new double[minutes + 1];
        open = new int[minutes];
        high = new int[minutes];
        low = new int[minutes];
        close = new int[minutes];
        volume = new long[minutes];
    }

    static double[] dayRhythm(int minutes) {
        double[] rhythm = new double[minutes];
        for (int minute = 0; minute < minutes; minute++) {
            double place = 2.0 * minute / (minutes - 1) - 1;
            rhythm[minute] = 0.7 + 0.9 * place * place * (place < 0 ? 1.15 : 0.85);
        }
        return rhythm;
    }

    int minutes() {
        return minutes;
    }

    void fill(Dice dice, int dayOpen, int dayHigh, int dayLow, int dayClose, long dayVolume) {
        bridge(dice);
        if (levelled) {
            stretch(dayOpen, dayHigh, dayLow, dayClose);
        } else {
            widen(dayOpen, dayHigh, dayLow, dayClose);
        }
        bars(dice, dayOpen, dayHigh, dayLow, dayClose);
        shareOut(dice, dayVolume);
    }

    /**
     * Fills the minutes along given ends. What would go beyond the day's high or low is drawn in, and the farthest bar reaches them; the volume is
     * shared out by the rhythm.
     *
     * @param ends where each minute closes, in ticks, not rounded; the last is the day's close
     */
    void follow(Dice dice, double[] ends, int dayOpen, int dayHigh, int dayLow, int dayClose, long dayVolume) {
        path[0] = dayOpen;
        System.arraycopy(ends, 0, path, 1, minutes);
        drawIn(dayOpen, dayHigh, dayLow, dayClose);
        bars(dice, dayOpen, dayHigh, dayLow, dayClose);
        shareOut(dice, dayVolume);
    }

    private void drawIn(int dayOpen, int dayHigh, int dayLow, int dayClose) {
        int top = Math.max(dayOpen, dayClose);
        int bottom = Math.min(dayOpen, dayClose);
        double highest = top;
        double lowest = bottom;
        for (double value : path) {
            highest = Math.max(highest, value);
            lowest = Math.min(lowest, value);
        }
        double upward = highest > dayHigh ? (dayHigh - top) / (highest - top) : 1;
        double downward = lowest < dayLow ? (bottom - dayLow) / (bottom - lowest) : 1;
        for (int minute = 0; minute <= minutes; minute++) {
            double value = path[minute];
            path[minute] = value > top
                    ? top + (value - top) * upward
                    : value < bottom ? bottom - (bottom - value) * downward : value;
        }
    }

    /** A random walk pulled straight so that it starts and ends at 0. */
    private void bridge(Dice dice) {
        path[0] = 0;
        for (int minute = 0; minute < minutes; minute++) {
            path[minute + 1] = path[minute] + rhythm[minute] * dice.bell();
        }
        double end = path[minutes];
        for (int minute = 0; minute <= minutes; minute++) {
            path[minute] -= end * minute / minutes;
        }
    }

    /**
     * Lays the bridge over the straight line from open to close, nearly as high as the day's range, and folds back inside
     * what would go beyond the day's high or low; nothing is flattened, which long sessions would show.
     */
    private void widen(int dayOpen, int dayHigh, int dayLow, int dayClose) {
        double highest = 0;
        double lowest = 0;
        for (double value : path) {
            highest = Math.max(highest, value);
            lowest = Math.min(lowest, value);
        }
        double range = dayHigh - dayLow;
        double scale = highest > lowest ? 0.8 * range / (highest - lowest) : 0;
        for (int minute = 0; minute <= minutes; minute++) {
            double value = dayOpen + (dayClose - dayOpen) * (double) minute / minutes + scale * path[minute];
            for (int fold = 0; fold < 4 && range > 0 && (value > dayHigh || value < dayLow); fold++) {
                value = value > dayHigh ? 2.0 * dayHigh - value : 2.0 * dayLow - value;
            }
            path[minute] = Math.max(dayLow, Math.min(dayHigh, value));
        }
        reach(dayOpen, dayHigh, dayLow, dayClose);
    }

    private void stretch(int dayOpen, int dayHigh, int dayLow, int dayClose) {
        double range = dayHigh - dayLow;
        double highest = 0;
        double lowest = 0;
        for (double value : path) {
            highest = Math.max(highest, value);
            lowest = Math.min(lowest, value);
        }
        double scale = highest > lowest ? range / (highest - lowest) : 0;
        for (int minute = 0; minute <= minutes; minute++) {
            path[minute] = dayOpen + (dayClose - dayOpen) * (double) minute / minutes + scale * path[minute];
        }
        reach(dayOpen, dayHigh, dayLow, dayClose);
    }

    /** Stretches what lies beyond open and close so that it just reaches the day's high and low. */
    private void reach(int dayOpen, int dayHigh, int dayLow, int dayClose) {
        int top = Math.max(dayOpen, dayClose);
        int bottom = Math.min(dayOpen, dayClose);
        double reachedTop = top;
        double reachedBottom = bottom;
        for (double value : path) {
            reachedTop = Math.max(reachedTop, value);
            reachedBottom = Math.min(reachedBottom, value);
        }
        double upward = reachedTop > top ? (dayHigh - top) / (reachedTop - top) : 0;
        double downward = reachedBottom < bottom ? (bottom - dayLow) / (bottom - reachedBottom) : 0;
        for (int minute = 0; minute <= minutes; minute++) {
            if (path[minute] > top) {
                path[minute] = top + (path[minute] - top) * upward;
            } else if (path[minute] < bottom) {
                path[minute] = bottom - (bottom - path[minute]) * downward;
            }
        }
    }

    private void bars(Dice dice, int dayOpen, int dayHigh, int dayLow, int dayClose) {
        double wick = Math.max(0.6, (dayHigh - dayLow) * 0.02);
        int highest = 0;
        int lowest = 0;
        int previous = dayOpen;
        for (int minute = 0; minute < minutes; minute++) {
            int end = minute == minutes - 1 ? dayClose : within((int) Math.rint(path[minute + 1]), dayLow, dayHigh);
            long bits = dice.bits();
            double up = wick * rhythm[minute] * (bits & 0xFFFF) / 65536;
            double down = wick * rhythm[minute] * (bits >>> 16 & 0xFFFF) / 65536;
            open[minute] = previous;
            close[minute] = end;
            high[minute] = within((int) (Math.max(previous, end) + up), dayLow, dayHigh);
            low[minute] = within((int) Math.ceil(Math.min(previous, end) - down), dayLow, dayHigh);
            if (Math.max(previous, end) > Math.max(open[highest], close[highest])) {
                highest = minute;
            }
            if (Math.min(previous, end) < Math.min(open[lowest], close[lowest])) {
                lowest = minute;
            }
            previous = end;
        }
        high[highest] = dayHigh;
        low[lowest] = dayLow;
    }

    private static int within(int value, int least, int most) {
        return Math.max(least, Math.min(most, value));
    }

    private void shareOut(Dice dice, long dayVolume) {
        double sum = 0;
        for (int minute = 0; minute < minutes; minute++) {
            double burst = 0.3 + dice.uniform();
            weights[minute] = rhythm[minute] * rhythm[minute] * burst * burst;
            sum += weights[minute];
        }
        long free = dayVolume - (long) minutes * LEAST_MINUTE_VOLUME;
        double reached = 0;
        long given = 0;
        for (int minute = 0; minute < minutes; minute++) {
            reached += weights[minute];
            long upTo = minute == minutes - 1 ? free : (long) (free * (reached / sum));
            volume[minute] = LEAST_MINUTE_VOLUME + upTo - given;
            given = upTo;
        }
    }
}
