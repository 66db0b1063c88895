package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.session.TradingCalendar;

/**
 * Bars that follow every trade and end with their session: ticks, volume, range, reversal. Where there are only finer
 * bars, each is read as four trades of a quarter of its volume: open, then the extreme away from its close, the other
 * extreme, and the close. Cost: O(1) a trade.
 */
abstract class TradedBars extends EventBars {
    TradedBars(BarSeries series, TradingCalendar calendar) {
        super(series, calendar);
    }

    @Override
    public final void addTick(long time, double price, double size) {
        trade(time, time, price, size);
    }

    private void trade(long time, long known, double price, double size) {
        if (begun && time > sessionEnd) {
            finish(sessionEnd);
            sessionEnded();
        }
        knownAt = known;
        take(time, price, size);
    }

    /** Takes in a trade of the same session. */
    abstract void take(long time, double price, double size);

    @Override
    public void addBar(
            long barOpen,
            long barClose,
            double barOpenPrice,
            double barHigh,
            double barLow,
            double barClosePrice,
            double barVolume) {
        boolean rising = barClosePrice >= barOpenPrice;
        long quarter = (barClose - barOpen) / 4;
        double part = barVolume / 4;
        trade(barOpen, barClose, barOpenPrice, part);
        trade(barOpen + quarter, barClose, rising ? barLow : barHigh, part);
        trade(barOpen + 2 * quarter, barClose, rising ? barHigh : barLow, part);
        trade(barOpen + 3 * quarter, barClose, barClosePrice, part);
    }

    /** Bars of a number of trades. */
    static final class OfTicks extends TradedBars {
        private final int count;
        private int taken;

        OfTicks(BarSeries series, TradingCalendar calendar, int count) {
            super(series, calendar);
            this.count = count;
        }

        @Override
        void take(long time, double price, double size) {
            if (begun) {
                extend(price, size);
            } else {
                begin(time, price, size);
                taken = 0;
            }
            if (++taken == count) {
                finish(knownAt);
            }
        }

        @Override
        public void addBar(
                long barOpen,
                long barClose,
                double barOpenPrice,
                double barHigh,
                double barLow,
                double barClosePrice,
                double barVolume) {
            throw new IllegalArgumentException("bars of " + count + " ticks can only be made from ticks; there are "
                    + "only bars here. Select bars of volume or range, or a timeframe.");
        }
    }

    /** Bars that close with the trade that brings them to a volume; a trade is never cut in two. */
    static final class OfVolume extends TradedBars {
        private final double amount;

        OfVolume(BarSeries series, TradingCalendar calendar, double amount) {
            super(series, calendar);
            this.amount = amount;
        }

        @Override
        void take(long time, double price, double size) {
            if (Double.isNaN(size)) {
                throw new IllegalArgumentException(
                        "bars of volume need the volume of every trade or bar; some have " + "none here");
            }
            if (begun) {
                extend(price, size);
            } else {
                begin(time, price, size);
            }
            if (volume >= amount) {
                finish(knownAt);
            }
        }
    }

    /**
     * Range bars (V. Nicolellis, 1995): no bar is higher than the range, and each opens outside the range of the one
     * before. A bar stays open until a trade comes that does not fit into it any more; that trade opens the next. After
     * a gap the next bar opens at the price really traded: no bar is invented on the way, so the bar before the gap may
     * be lower than the range.
     */
    static final class OfRange extends TradedBars {
        private final double range;
        private double most;
        private double least;

        OfRange(BarSeries series, TradingCalendar calendar, double range, double tick) {
            super(series, calendar);
            this.range = range + tick * 1e-6;
        }

        @Override
        void take(long time, double price, double size) {
            if (begun && price <= most && price >= least) {
                extend(price, size);
            } else {
                if (begun) {
                    finish(knownAt);
                }
                begin(time, price, size);
            }
            most = low + range;
            least = high - range;
        }

        @Override
        public void addTicks(dev.yardarm.core.series.TickSeries ticks, int from, int end) {
            long[] times = ticks.times();
            double[] prices = ticks.prices();
            double[] sizes = ticks.sizes();
            int tick = from;
            while (tick < end) {
                addTick(times[tick], prices[tick], sizes[tick]);
                tick = run(times, prices, sizes, tick + 1, end);
            }
        }

        /** Takes in the trades that fit into the bar under construction; returns the first that does not. */
        private int run(long[] times, double[] prices, double[] sizes, int from, int end) {
            double highest = high;
            double lowest = low;
            double upper = most;
            double lower = least;
            double sum = volume;
            long last = sessionEnd;
            int tick = from;
            for (; tick < end; tick++) {
                double price = prices[tick];
                if (price > upper || price < lower || times[tick] > last) {
                    break;
                }
                sum += sizes[tick];
                if (price > highest) {
                    highest = price;
                    lower = price - range;
                } else if (price < lowest) {
                    lowest = price;
                    upper = price + range;
                }
            }
            if (tick > from) {
                high = highest;
                low = lowest;
                most = upper;
                least = lower;
                volume = sum;
                close = prices[tick - 1];
                knownAt = times[tick - 1];
                changed();
            }
            return tick;
        }
    }

    /**
     * Reversal bars: a bar runs its way until a trade stands so far from its extreme; with that trade it closes, and
     * the next bar runs the other way. The first bar of a session takes the way of its first change of price.
     */
    static final class OfReversal extends TradedBars {
        private final double reversal;
        private int way;

        OfReversal(BarSeries series, TradingCalendar calendar, double reversal, double tick) {
            super(series, calendar);
            this.reversal = reversal - tick * 1e-6;
        }

        @Override
        void take(long time, double price, double size) {
            if (begun) {
                extend(price, size);
            } else {
                begin(time, price, size);
            }
            if (way == 0) {
                way = Double.compare(price, open);
            }
            boolean turned = way > 0 && high - price >= reversal || way < 0 && price - low >= reversal;
            if (turned) {
                way = -way;
                finish(knownAt);
            }
        }

        @Override
        void sessionEnded() {
            way = 0;
        }
    }
}
