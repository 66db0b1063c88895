package dev.yardarm.data.document;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.series.Times;

/** A trade plan as it is written in a file. */
public record PlanEntry(
        String id,
        InstrumentId instrument,
        Timeframe timeframe,
        long madeAt,
        double entry,
        double stop,
        double target,
        double account,
        double riskPercent,
        long endedAt) {
    public static PlanEntry of(TradePlan plan) {
        return new PlanEntry(
                plan.id(),
                plan.instrument(),
                plan.timeframe(),
                plan.madeAt(),
                plan.entry(),
                plan.stop(),
                plan.target(),
                plan.account(),
                plan.riskPercent(),
                plan.endedAt());
    }

    /** @throws RuntimeException when something is missing */
    public TradePlan plan() {
        Times.checked("its 'madeAt'", madeAt);
        Times.checked("its 'endedAt'", endedAt);
        if (!Double.isFinite(entry + stop + target + account + riskPercent)) {
            throw new IllegalArgumentException("its prices, account and risk must be numbers");
        }
        return new TradePlan(id, instrument, timeframe, madeAt, entry, stop, target, account, riskPercent, endedAt);
    }
}
