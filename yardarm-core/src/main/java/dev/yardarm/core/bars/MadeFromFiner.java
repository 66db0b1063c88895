package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;

/**
 * Makes bars of a kind from complete finer bars of time, and takes trades live by putting those finer bars together
 * first. So the bars made live are those that come out when the same finer bars are read again later. What the finer
 * bar in progress did is shown in the forming bar and taken back when it is complete.
 */
public final class MadeFromFiner implements BarMaker {
    private final BarBuilder finer;
    private final BarMaker maker;
    private int taken;
    private long shownVersion = -1;

    /** @param grid where the finer bars lie */
    public MadeFromFiner(BarGrid grid, BarMaker maker) {
        this(grid, /* ofCloses= */ false, maker);
    }

    /**
     * @param grid where the finer bars lie
     * @param ofCloses true when open, high and low of the finer bars are their close
     */
    public MadeFromFiner(BarGrid grid, boolean ofCloses, BarMaker maker) {
        this.finer = new BarBuilder(grid, new BarSeries(64), /* gapsKept= */ false, ofCloses);
        this.maker = maker;
    }

    @Override
    public void addTick(long time, double price, double size) {
        finer.addTick(time, price, size);
        pass();
    }

    @Override
    public void addBar(
            long openTime, long closeTime, double open, double high, double low, double close, double volume) {
        finer.addBar(openTime, closeTime, open, high, low, close, volume);
        pass();
    }

    /** Hands complete finer bars on. */
    private void pass() {
        BarSeries series = finer.series();
        if (series.closed() > taken) {
            var bars = series.snapshot();
            for (; taken < bars.closed(); taken++) {
                maker.addBar(
                        bars.openTime(taken),
                        bars.closeTime(taken),
                        bars.open(taken),
                        bars.high(taken),
                        bars.low(taken),
                        bars.close(taken),
                        bars.volume(taken));
            }
            series.restart();
            taken = 0;
            if (bars.hasForming()) {
                int last = bars.closed();
                series.form(bars, last);
            }
        }
    }

    @Override
    public void advanceTo(long time) {
        finer.advanceTo(time);
        pass();
        maker.advanceTo(time);
    }

    @Override
    public double lastPrice() {
        return finer.series().hasForming() ? finer.series().formingClose() : maker.lastPrice();
    }

    @Override
    public BarSeries series() {
        BarSeries series = maker.series();
        BarSeries piece = finer.series();
        if (!piece.hasForming()) {
            return series;
        }
        long version = piece.version();
        if (version != shownVersion || !series.hasForming()) {
            shownVersion = version;
            if (maker instanceof EventBars event) {
                event.preview(
                        piece.formingOpenTime(),
                        piece.formingOpen(),
                        piece.formingHigh(),
                        piece.formingLow(),
                        piece.formingClose(),
                        piece.formingVolume());
            } else if (maker instanceof AveragedBars averaged) {
                averaged.form(
                        piece.formingOpenTime(),
                        piece.formingCloseTime(),
                        piece.formingOpen(),
                        piece.formingHigh(),
                        piece.formingLow(),
                        piece.formingClose(),
                        piece.formingVolume());
            }
        }
        return series;
    }
}
