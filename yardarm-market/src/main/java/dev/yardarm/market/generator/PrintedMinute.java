package dev.yardarm.market.generator;

import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.market.chance.Dice;
import dev.yardarm.market.planted.PlantedOrder;

/**
 * Cuts a minute bar of a market whose trades are kept one by one into prints with their sides, which add up to it exactly: the first at its
 * open, the last at its close, its high and low among them. Buyers take the ask, sellers the bid a tick below; sizes are uneven. In some
 * minutes with much volume something is planted: a large order, in one print or several at once, or an end at which much is traded and
 * the price gets no further. Told by the keys of its dice, so that any minute can be made again at any time.
 */
final class PrintedMinute {
    private static final int MOST = 72;
    /** On the average so much a print. */
    private static final int PRINT = 7;

    private static final double PLANTED = 0.08;
    /** A minute with less has no room for anything large. */
    private static final long LEAST_FOR_PLANTED = 480;

    private static final int ABSORBED_PRINTS = 14;
    private static final long AT_ONCE = 20 * Times.SECOND / 1000;

    /** Takes in prints priced in whole ticks. */
    @FunctionalInterface
    interface PrintReader {
        void print(long time, int ticks, double size, byte side);
    }

    private final Dice dice;
    private final long start;
    private final int high;
    private final int low;
    private final long volume;
    private final long[] times = new long[MOST];
    private final int[] prices = new int[MOST];
    private final byte[] sides = new byte[MOST];
    private final double[] weights = new double[MOST];
    private int count;
    private String kind;
    private int firstPlanted;
    private int endPlanted;
    private long plantedSize;
    /** How much of the volume the planted prints have. */
    private final double share;

    PrintedMinute(Dice dice, long start, int open, int high, int low, int close, long volume) {
        this.dice = dice;
        this.start = start;
        this.high = high;
        this.low = low;
        this.volume = volume;
        boolean isPlanted = volume >= LEAST_FOR_PLANTED && dice.uniform() < PLANTED;
        boolean isAbsorbed = isPlanted && high > low && dice.uniform() < 0.4;
        boolean highFirst = dice.uniform() < (close < open ? 0.7 : 0.3);
        int first = highFirst ? high : low;
        int second = highFirst ? low : high;
        int extra = (int) Math.max(3, Math.min(MOST - 4 - ABSORBED_PRINTS, volume / PRINT)) - 1;
        put(open, side(0));
        leg(extra / 3, open, first);
        end(first, isAbsorbed && dice.uniform() < 0.5);
        leg(extra / 3, first, second);
        end(second, isAbsorbed && kind == null && second != close);
        leg(extra - 2 * (extra / 3), second, close);
        put(close, side(0));
        schedule();
        if (isPlanted && kind == null) {
            large();
        }
        share = kind == null ? 0 : kind.equals("large") ? 0.45 + 0.2 * dice.uniform() : 0.6;
    }

    private void put(int ticks, byte side) {
        prices[count] = ticks;
        sides[count] = side;
        weights[count++] = Math.exp(0.9 * dice.bell());
    }

    private byte side(int way) {
        return dice.uniform() < 0.5 + 0.2 * way ? TickSeries.ASK : TickSeries.BID;
    }

    private void leg(int between, int from, int to) {
        for (int step = 1; step <= between; step++) {
            double way = (step - 0.5 + 1.6 * (dice.uniform() - 0.5)) / between;
            int ask = Math.max(low, Math.min(high, (int) Math.rint(from + (to - from) * way)));
            byte side = side(Integer.signum(to - from));
            put(side == TickSeries.ASK ? ask : Math.max(low, ask - 1), side);
        }
    }

    /** The high is bought and the low is sold, with much at once where that is absorbed. */
    private void end(int ticks, boolean isAbsorbed) {
        byte side = ticks == high ? TickSeries.ASK : TickSeries.BID;
        firstPlanted = isAbsorbed ? count : firstPlanted;
        for (int print = 0; print < (isAbsorbed ? ABSORBED_PRINTS : 1); print++) {
            put(ticks, side);
        }
        if (isAbsorbed) {
            kind = "absorbed";
            endPlanted = count;
        }
    }

    private void schedule() {
        long step = Times.MINUTE / (count + 1);
        for (int print = 0; print < count; print++) {
            times[print] = start + step * print + ((long) (step * dice.uniform() / 1000)) * 1000;
        }
    }

    /** One order in one to four prints, one right after the other. */
    private void large() {
        int parts = 1 + dice.below(4);
        firstPlanted = 1 + dice.below(count - parts - 1);
        endPlanted = firstPlanted + parts;
        kind = "large";
        for (int print = firstPlanted; print < endPlanted; print++) {
            boolean isEnd = prices[print] == high || prices[print] == low;
            // The prints that show the minute's high and low stay where they are.
            prices[print] = isEnd ? prices[print] : prices[firstPlanted];
            sides[print] = sides[firstPlanted];
            times[print] = times[firstPlanted] + (print - firstPlanted) * AT_ONCE;
        }
    }

    /** The size of a print, behind so much given before; all of them are the volume. */
    private void report(PrintReader reader) {
        long planted = Math.round(share * volume);
        double rest = 0;
        double large = 0;
        for (int print = 0; print < count; print++) {
            boolean isPlanted = print >= firstPlanted && print < endPlanted;
            rest += isPlanted ? 0 : weights[print];
            large += isPlanted ? weights[print] : 0;
        }
        double reached = 0;
        long given = 0;
        long free = volume - count;
        double ofPlanted = (double) planted / volume;
        plantedSize = 0;
        for (int print = 0; print < count; print++) {
            boolean isPlanted = print >= firstPlanted && print < endPlanted;
            reached += isPlanted ? weights[print] / large * ofPlanted : weights[print] / rest * (1 - ofPlanted);
            long upTo = print == count - 1 ? free : Math.max(given, Math.min(free, Math.round(free * reached)));
            long size = 1 + upTo - given;
            given = upTo;
            plantedSize += isPlanted ? size : 0;
            reader.print(times[print], prices[print], size, sides[print]);
        }
    }

    /** Reports the prints after {@code after} and up to {@code upTo}. */
    void report(long after, long upTo, PrintReader reader) {
        report((time, ticks, size, side) -> {
            if (time > after && time <= upTo) {
                reader.print(time, ticks, size, side);
            }
        });
    }

    /** What was planted, in whole ticks; null for nothing. */
    PlantedOrder planted() {
        if (kind == null) {
            return null;
        }
        report((time, ticks, size, side) -> {});
        return new PlantedOrder(
                kind,
                times[firstPlanted],
                times[endPlanted - 1],
                prices[firstPlanted],
                plantedSize,
                sides[firstPlanted],
                endPlanted - firstPlanted);
    }
}
