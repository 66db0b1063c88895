package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradeTape;
import dev.yardarm.core.calculation.TradedSides;
import dev.yardarm.core.series.TickSeries;
import java.util.Arrays;

/**
 * Those trades of a tape that somebody took, in their order: all but a few runs, such as the evenings that a chart leaves out. Asked for a
 * span it answers with those taken.
 *
 * <p>Memory: 8 bytes a run left out; on a tape of its own 25 a trade. A trade costs a look at the tape, a question the runs left out of its
 * span.
 */
final class TakenTrades implements Surroundings.Sides {
    private final long from;
    private TradedSides tape;
    private boolean isShared;
    /** Behind the trade taken last. */
    private int next;
    /** First (included) and end (excluded) of each run left out, in their order. */
    private int[] left = new int[16];

    private int runs;

    /** Takes from a run of trades on the tape; hands it the place of its first and of the one behind its last. */
    @FunctionalInterface
    interface Run {
        void take(int first, int end);
    }

    /** On a tape of its own, on which it writes what it takes. */
    TakenTrades() {
        from = Long.MIN_VALUE;
        tape = new TradedSides(from, Long.MAX_VALUE);
    }

    /**
     * On a tape that others read, too.
     *
     * @param from the first trade to be taken is not before this moment
     * @param moment up to which the tape is known
     */
    TakenTrades(TradeTape shared, long from, long moment) {
        this.from = from;
        tape = new TradedSides(shared, from, moment);
        isShared = true;
        next = tape.before(from);
    }

    /** Takes note of what was traded up to a moment, of which some will be taken. */
    void hear(TickSeries trades, long moment) {
        if (isShared) {
            tape.take(trades, moment);
        }
    }

    /**
     * Takes a trade. One that the shared tape does not have, such as one told twice, is written on a tape of its own, as are all after it.
     *
     * @return its place on the tape
     */
    int take(long time, double price, double size, byte side) {
        if (!isShared) {
            return write(time, price, size, side);
        }
        TickSeries trades = tape.seen();
        int at = next;
        while (at < trades.size()
                && !(trades.time(at) == time
                        && trades.price(at) == price
                        && trades.size(at) == size
                        && trades.side(at) == side)) {
            at++;
        }
        if (at == trades.size()) {
            // All places stay as they are.
            tape = new TradedSides(from, Long.MAX_VALUE);
            tape.take(trades, 0, next);
            isShared = false;
            return write(time, price, size, side);
        }
        if (at > next) {
            leave(next, at);
        }
        next = at + 1;
        return at;
    }

    private int write(long time, double price, double size, byte side) {
        tape.take(time, price, size, side);
        return next++;
    }

    private void leave(int first, int end) {
        if (2 * runs == left.length) {
            left = Arrays.copyOf(left, 2 * left.length);
        }
        left[2 * runs] = first;
        left[2 * runs++ + 1] = end;
    }

    /** All trades of the tape, by their places; for reading only. */
    TickSeries trades() {
        return tape.seen();
    }

    /** True when none of the trades {@code first} (included) to {@code end} (excluded) was left out. */
    boolean isWhole(int first, int end) {
        int run = runBehind(first);
        return run == runs || left[2 * run] >= end;
    }

    /** Goes through the trades taken of {@code first} (included) to {@code end} (excluded), run by run. */
    void runs(int first, int end, Run taker) {
        int last = Math.min(end, next);
        int at = first;
        for (int run = runBehind(first); run < runs && left[2 * run] < last; run++) {
            if (left[2 * run] > at) {
                taker.take(at, left[2 * run]);
            }
            at = left[2 * run + 1];
        }
        if (at < last) {
            taker.take(at, last);
        }
    }

    /** The first of the runs left out that ends behind a place. */
    private int runBehind(int place) {
        int low = 0;
        int high = runs;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (left[2 * middle + 1] <= place) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** The delta of those taken of {@code first} (included) to {@code end} (excluded); missing when one of them has no side. */
    double deltaOf(int first, int end) {
        double[] sum = {0};
        runs(first, end, (from, until) -> sum[0] += tape.deltaOf(from, until));
        return sum[0];
    }

    /** Hands over those taken of {@code first} (included) to {@code end} (excluded). */
    void hand(int first, int end, Surroundings.Taker taker) {
        runs(first, end, (from, until) -> tape.hand(from, until, taker));
    }

    @Override
    public double delta(long from, long until) {
        return tape.knows(from, until) ? deltaOf(tape.before(from), tape.before(until)) : Double.NaN;
    }

    @Override
    public boolean trades(long from, long until, Surroundings.Taker taker) {
        boolean known = tape.knows(from, until);
        if (known) {
            hand(tape.before(from), tape.before(until), taker);
        }
        return known;
    }
}
