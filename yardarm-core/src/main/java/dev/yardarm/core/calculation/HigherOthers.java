package dev.yardarm.core.calculation;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Bars;
import java.util.Optional;
import java.util.function.LongSupplier;
import java.util.function.Supplier;

/**
 * Other instruments' bars put together to a higher timeframe, as they were known at a moment: complete ones, and ones
 * whose span is over by the clock though no later bar of the other is there; beside the unfinished bar of the instrument
 * computed on also the other's unfinished one. Sessions begin as on the instrument computed on. O(1) for each new bar of the
 * other.
 */
final class HigherOthers implements Surroundings.Others {
    private final Surroundings lower;
    private final Timeframe timeframe;
    private final boolean forming;
    private final LongSupplier moment;

    /**
     * @param forming true to give unfinished bars too
     * @param moment the moment at which the others are asked
     */
    HigherOthers(Surroundings lower, Timeframe timeframe, boolean forming, LongSupplier moment) {
        this.lower = lower;
        this.timeframe = timeframe;
        this.forming = forming;
        this.moment = moment;
    }

    @Override
    public Optional<Supplier<Bars>> find(String code) {
        return lower.others().find(code).map(bars -> new Joined(bars, new HigherBars(lower.calendar(), timeframe)));
    }

    private final class Joined implements Supplier<Bars> {
        private final Supplier<Bars> lower;
        private final HigherBars higher;
        private long epoch = Long.MIN_VALUE;
        private int taken;

        Joined(Supplier<Bars> lower, HigherBars higher) {
            this.lower = lower;
            this.higher = higher;
        }

        @Override
        public Bars get() {
            Bars bars = lower.get();
            if (bars.epoch() != epoch || bars.closed() < taken) {
                epoch = bars.epoch();
                taken = 0;
                higher.restart();
            }
            long until = moment.getAsLong();
            for (; taken < bars.closed() && bars.closeTime(taken) <= until; taken++) {
                higher.closeBefore(bars, taken);
                higher.take(bars, taken);
            }
            higher.closeBy(until);
            boolean atWork = forming && bars.hasForming() && taken == bars.closed() && bars.openTime(taken) < until;
            return atWork ? higher.with(bars, taken) : higher.snapshot();
        }
    }
}
