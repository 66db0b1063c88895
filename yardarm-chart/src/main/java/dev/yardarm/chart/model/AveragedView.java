package dev.yardarm.chart.model;

import dev.yardarm.core.bars.AveragedBars;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;

/** The averaged candles beside the bars of a chart, kept current as these grow. Cost of an update: the new bars. */
final class AveragedView {
    private AveragedBars averaged = new AveragedBars(new BarSeries(64));
    private long epoch = Long.MIN_VALUE;
    private long version = -1;
    private int taken;
    private Bars bars = Bars.EMPTY;

    Bars of(Bars original) {
        boolean older = original.closed() < taken;
        if (original.epoch() != epoch || older || original.version() < version) {
            averaged = new AveragedBars(new BarSeries(original.size() + 16));
            taken = 0;
            epoch = original.epoch();
            version = -1;
        }
        if (version != original.version()) {
            for (; taken < original.closed(); taken++) {
                averaged.addBar(
                        original.openTime(taken),
                        original.closeTime(taken),
                        original.open(taken),
                        original.high(taken),
                        original.low(taken),
                        original.close(taken),
                        original.volume(taken));
            }
            if (original.hasForming()) {
                int last = original.closed();
                averaged.form(
                        original.openTime(last),
                        original.closeTime(last),
                        original.open(last),
                        original.high(last),
                        original.low(last),
                        original.close(last),
                        original.volume(last));
            }
            version = original.version();
            bars = averaged.series().snapshot();
        }
        return bars;
    }

    void forget() {
        epoch = Long.MIN_VALUE;
        version = -1;
        taken = Integer.MAX_VALUE;
    }
}
