package dev.yardarm.core.calculation;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * Other instruments' bars put together to a higher timeframe, as far as they are complete. Sessions begin as on the
 * instrument computed on. O(1) for each new bar of the other.
 */
final class HigherOthers implements Surroundings.Others {
    private final Surroundings lower;
    private final Timeframe timeframe;

    HigherOthers(Surroundings lower, Timeframe timeframe) {
        this.lower = lower;
        this.timeframe = timeframe;
    }

    @Override
    public Optional<Supplier<Bars>> find(String code) {
        return lower.others().find(code).map(bars -> new Joined(bars, lower.calendar(), timeframe));
    }

    private static final class Joined implements Supplier<Bars> {
        private final Supplier<Bars> lower;
        private final HigherBars higher;
        private long epoch = Long.MIN_VALUE;
        private int taken;

        Joined(Supplier<Bars> lower, TradingCalendar calendar, Timeframe timeframe) {
            this.lower = lower;
            higher = new HigherBars(calendar, timeframe);
        }

        @Override
        public Bars get() {
            Bars bars = lower.get();
            if (bars.epoch() != epoch || bars.closed() < taken) {
                epoch = bars.epoch();
                taken = 0;
                higher.restart();
            }
            for (; taken < bars.closed(); taken++) {
                higher.closeBefore(bars, taken);
                higher.take(bars, taken);
            }
            return higher.snapshot();
        }
    }
}
