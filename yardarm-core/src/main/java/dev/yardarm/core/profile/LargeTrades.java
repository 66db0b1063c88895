package dev.yardarm.core.profile;

import dev.yardarm.core.series.TickSeries;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Large trades: prints that belong together put together, and what is at least so large. Prints belong together when they were struck on the
 * same side and no more than so long after the first of them; what was struck on the other side between them parts them not. A print
 * whose side is not known stands alone.
 *
 * <p>Goes on live: trades come one by one, and each large one is told as soon as it is large enough, again while it grows. O(1) a trade.
 */
public final class LargeTrades {
    private final double least;
    private final long together;
    private final Open[] open = new Open[2];

    /**
     * One of them.
     *
     * @param time of its first print
     * @param price mean of its prints by their size
     * @param size of all of them
     * @param side of {@link TickSeries}
     * @param count of prints
     */
    public record Large(long time, double price, double size, byte side, int count) {}

    /** Prints that still may get more. */
    private static final class Open {
        private final long time;
        private final byte side;
        private double size;
        private double value;
        private double low;
        private double high;
        private int count;

        Open(long time, byte side, double price) {
            this.time = time;
            this.side = side;
            low = price;
            high = price;
        }

        Large large() {
            // Prints at one price have that price, to the last digit.
            double price = low == high ? low : value / size;
            return new Large(time, price, size, side, count);
        }
    }

    /**
     * @param least size from which one is large
     * @param together for so many microseconds prints of one side belong together; 0 for prints of the same moment, below 0 for none
     */
    public LargeTrades(double least, long together) {
        this.least = least;
        this.together = together;
    }

    /** Takes in a trade; the large one it makes or makes larger, null for none. */
    public Large add(long time, double price, double size, byte side) {
        if (side == TickSeries.UNKNOWN || together < 0) {
            return size >= least ? new Large(time, price, size, side, 1) : null;
        }
        int place = side == TickSeries.BID ? 0 : 1;
        if (open[place] == null || time - open[place].time > together) {
            open[place] = new Open(time, side, price);
        }
        Open now = open[place];
        now.size += size;
        now.value += price * size;
        now.low = Math.min(now.low, price);
        now.high = Math.max(now.high, price);
        now.count++;
        return now.size >= least ? now.large() : null;
    }

    /** All of a series, each as it was when nothing more came to it, in the order of their first prints. */
    public static List<Large> of(TickSeries ticks, double least, long together) {
        Collected collected = new Collected(least, together);
        for (int tick = 0; tick < ticks.size(); tick++) {
            collected.add(ticks.time(tick), ticks.price(tick), ticks.size(tick), ticks.side(tick));
        }
        return collected.inOrder();
    }

    /** Collects the large trades of trades that come one by one. */
    static final class Collected {
        private final LargeTrades taking;
        private final List<Large> all = new ArrayList<>();
        /** Which print each began with: of one moment the order is that of the trades. */
        private final List<Integer> firsts = new ArrayList<>();

        private final int[] begun = new int[2];
        private int prints;
        /** The newest of each side may still be the one a print adds to. */
        private final int[] newest = {-1, -1};

        Collected(double least, long together) {
            taking = new LargeTrades(least, together);
        }

        void add(long time, double price, double size, byte side) {
            Large large = taking.add(time, price, size, side);
            int place = side == TickSeries.BID ? 0 : 1;
            int number = prints++;
            boolean alone = side == TickSeries.UNKNOWN || taking.open[place] == null;
            if (!alone && taking.open[place].count == 1) {
                begun[place] = number;
            }
            if (large == null) {
                return;
            }
            int first = alone ? number : begun[place];
            int at = newest[place];
            boolean grown = large.count() > 1 && at >= 0 && all.get(at).time() == large.time();
            if (grown && side != TickSeries.UNKNOWN) {
                all.set(at, large);
                return;
            }
            if (side != TickSeries.UNKNOWN) {
                newest[place] = all.size();
            }
            all.add(large);
            firsts.add(first);
        }

        /** Those so far, in the order of their first prints; a list of its own. */
        List<Large> inOrder() {
            return IntStream.range(0, all.size())
                    .boxed()
                    .sorted(Comparator.comparing(firsts::get))
                    .map(all::get)
                    .toList();
        }
    }
}
