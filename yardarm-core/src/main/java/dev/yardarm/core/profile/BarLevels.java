package dev.yardarm.core.profile;

import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
import java.util.Arrays;

/**
 * The trades of each bar by price, in ticks of the instrument: ragged columns, bar after bar, prices from low to high. A trade that a kind
 * of bar shares out among several, as bars of equal volume do, is shared out here alike, so the volumes of a bar's prices add up to the
 * bar's own.
 *
 * <p>Memory: 32 bytes a price of a bar and 4 a bar. Cost of making: that of the bars, and O(1) a trade beside.
 */
public final class BarLevels {
    private final PriceSteps steps;
    private final int[] starts;
    private final long[] ticks;
    private final double[] bid;
    private final double[] ask;
    private final double[] none;
    private final int rowTicks;
    private final int bars;

    private BarLevels(
            PriceSteps steps,
            int rowTicks,
            int bars,
            int[] starts,
            long[] ticks,
            double[] bid,
            double[] ask,
            double[] none) {
        this.steps = steps;
        this.rowTicks = rowTicks;
        this.bars = bars;
        this.starts = starts;
        this.ticks = ticks;
        this.bid = bid;
        this.ask = ask;
        this.none = none;
    }

    /**
     * Feeds trades to a maker of bars and keeps where each went.
     *
     * @param maker without any bar so far
     * @param least smaller trades are left out of the prices, not out of the bars; 0 for none
     */
    public static BarLevels of(BarMaker maker, PriceSteps steps, TickSeries trades, double least) {
        Maker levels = new Maker(steps, 1);
        BarSeries series = maker.series();
        double before = 0;
        int closed = series.closed();
        // Until a bar of time closes all trades are its own.
        boolean byTime = maker instanceof BarBuilder builder && !builder.isOfCloses() && least <= 0;
        for (int trade = 0; trade < trades.size(); trade++) {
            double size = trades.size(trade);
            double price = trades.price(trade);
            maker.addTick(trades.time(trade), price, size);
            series = maker.series();
            boolean counts = size >= least;
            for (; closed < series.closed(); closed++) {
                if (counts) {
                    levels.add(price, series.snapshot().volume(closed) - before, trades.side(trade));
                }
                levels.next();
                before = 0;
            }
            double now = series.hasForming() ? series.formingVolume() : 0;
            if (counts && now > before) {
                levels.add(price, now - before, trades.side(trade));
            }
            before = now;
            if (byTime && series.hasForming()) {
                PriceRows rows = levels.rows;
                int run = rows.addRun(
                        trades,
                        trade + 1,
                        trades.size(),
                        series.formingCloseTime(),
                        Long.MIN_VALUE,
                        Long.MAX_VALUE,
                        before);
                if (run > trade + 1) {
                    series.form(
                            series.formingOpenTime(),
                            series.formingCloseTime(),
                            series.formingOpen(),
                            Math.max(series.formingHigh(), rows.runHigh()),
                            Math.min(series.formingLow(), rows.runLow()),
                            trades.price(run - 1),
                            rows.runVolume());
                    before = series.formingVolume();
                }
                trade = run - 1;
            }
        }
        if (series.hasForming()) {
            levels.next();
        }
        return levels.made();
    }

    /** Rows of the same height without any trade. */
    PriceRows rows() {
        return new PriceRows(steps, rowTicks);
    }

    /** Number of bars, the one that was forming last included. */
    public int bars() {
        return bars;
    }

    /** Where the prices of a bar begin in the columns; those of the next bar begin where they end. */
    public int start(int bar) {
        return starts[bar];
    }

    /** The price at a place, the lowest of its row. */
    public double price(int place) {
        return steps.price(ticks[place] * rowTicks);
    }

    /** The number of the row at a place: rows that touch have numbers that follow each other. */
    public long row(int place) {
        return ticks[place];
    }

    /** Where the row at a place begins to the eye: half a tick below its lowest price, so that a row of one tick lies around its price. */
    public double bottom(int place) {
        return steps.price(ticks[place] * rowTicks - 0.5);
    }

    /** Where it ends to the eye, and the row above begins. */
    public double top(int place) {
        return steps.price((ticks[place] + 1) * rowTicks - 0.5);
    }

    /** All volume at a place. */
    public double volume(int place) {
        return bid[place] + ask[place] + none[place];
    }

    /** Volume struck at the bid at a place. */
    public double bid(int place) {
        return bid[place];
    }

    /** Volume struck at the ask at a place. */
    public double ask(int place) {
        return ask[place];
    }

    /** Volume whose side is not known at a place. */
    public double none(int place) {
        return none[place];
    }

    /** Collects the prices of one bar after the other. */
    static final class Maker {
        private final PriceSteps steps;
        private final int rowTicks;
        private final PriceRows rows;
        private int[] starts = new int[64];
        private int bars;
        private long[] ticks = new long[256];
        private double[] bid = new double[256];
        private double[] ask = new double[256];
        private double[] none = new double[256];
        private int size;

        Maker(PriceSteps steps, int rowTicks) {
            this.steps = steps;
            this.rowTicks = rowTicks;
            rows = new PriceRows(steps, rowTicks);
        }

        /** Adds trades at once. */
        void add(TickSeries ticks, int from, int end) {
            rows.add(ticks, from, end);
        }

        /** The bars so far. The columns are shared: they grow behind what is seen here. */
        BarLevels view() {
            return new BarLevels(steps, rowTicks, bars, starts, ticks, bid, ask, none);
        }

        void add(double price, double volume, byte side) {
            if (volume > 0) {
                rows.add(price, volume, side);
            }
        }

        /** The bar under way alone, as it stands; it goes on. */
        BarLevels peek() {
            Maker one = new Maker(steps, rowTicks);
            one.take(rows);
            one.end();
            return one.view();
        }

        /** The bar is complete. */
        void next() {
            take(rows);
            rows.clear();
            end();
        }

        private void take(PriceRows from) {
            for (long row = from.lowest(); row <= from.highest(); row++) {
                if (from.volume(row) > 0) {
                    append(from, row);
                }
            }
        }

        private void end() {
            if (++bars == starts.length) {
                starts = Arrays.copyOf(starts, 2 * bars);
            }
            starts[bars] = size;
        }

        private void append(PriceRows from, long row) {
            if (size == ticks.length) {
                ticks = Arrays.copyOf(ticks, 2 * size);
                bid = Arrays.copyOf(bid, 2 * size);
                ask = Arrays.copyOf(ask, 2 * size);
                none = Arrays.copyOf(none, 2 * size);
            }
            ticks[size] = row;
            bid[size] = from.bid(row);
            ask[size] = from.ask(row);
            none[size++] = from.none(row);
        }

        BarLevels made() {
            return new BarLevels(
                    steps,
                    rowTicks,
                    bars,
                    Arrays.copyOf(starts, bars + 1),
                    Arrays.copyOf(ticks, size),
                    Arrays.copyOf(bid, size),
                    Arrays.copyOf(ask, size),
                    Arrays.copyOf(none, size));
        }
    }
}
