package dev.yardarm.core.plan;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.PriceBasis;
import java.util.Objects;
import java.util.Optional;

/**
 * The plan of one trade.
 *
 * @param madeAt when it was made, microseconds UTC; also where its bracket starts on the chart
 * @param riskPercent part of the account put at risk, in percent
 * @param endedAt when another plan took its place, microseconds UTC; 0 while it stands
 */
public record TradePlan(
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
    public TradePlan {
        Objects.requireNonNull(id);
        Objects.requireNonNull(instrument);
        Objects.requireNonNull(timeframe);
    }

    /** A plan that stands. */
    public TradePlan(
            String id,
            InstrumentId instrument,
            Timeframe timeframe,
            long madeAt,
            double entry,
            double stop,
            double target,
            double account,
            double riskPercent) {
        this(id, instrument, timeframe, madeAt, entry, stop, target, account, riskPercent, 0);
    }

    /** True while no other plan has taken its place. */
    public boolean stands() {
        return endedAt == 0;
    }

    /** The same plan, ended at a moment. */
    public TradePlan ended(long time) {
        return new TradePlan(id, instrument, timeframe, madeAt, entry, stop, target, account, riskPercent, time);
    }

    /** True when price is expected to rise: the stop lies below the entry. */
    public boolean isLong() {
        return stop < entry;
    }

    /** What is wrong with the plan, in words for the trader; empty when it can be used. */
    public Optional<String> problem() {
        if (!(entry > 0) || !(stop > 0) || !(target > 0)) {
            return Optional.of("entry, stop and target must be prices above zero");
        }
        if (entry == stop) {
            return Optional.of("the stop must differ from the entry: without a distance there is no risk to size by");
        }
        if (isLong() ? target <= entry : target >= entry) {
            return Optional.of("the target must lie " + (isLong() ? "above" : "below") + " the entry, because the stop "
                    + "lies " + (isLong() ? "below" : "above") + " it");
        }
        if (!(account > 0) || !Double.isFinite(account)) {
            return Optional.of("the account must be above zero");
        }
        if (!(riskPercent > 0 && riskPercent <= 100)) {
            return Optional.of("the risk per trade must be above 0 and at most 100 per cent of the account");
        }
        return Optional.empty();
    }

    /** Distance from entry to stop, in price: one R. */
    public double risk() {
        return Math.abs(entry - stop);
    }

    /** Distance from entry to target, in price. */
    public double reward() {
        return Math.abs(target - entry);
    }

    /** Reward in multiples of the risk. */
    public double rewardInR() {
        return reward() / risk();
    }

    public double riskInPercent() {
        return 100 * risk() / entry;
    }

    public double rewardInPercent() {
        return 100 * reward() / entry;
    }

    /** The same in prices as they are shown; a split or a roll since it was made moves it as it moves a drawing. */
    public TradePlan in(PriceBasis basis) {
        return basis.isAsTraded()
                ? this
                : withPrices(basis.shown(entry, madeAt), basis.shown(stop, madeAt), basis.shown(target, madeAt));
    }

    /** The same in prices of the day it was made, from those that are shown. */
    public TradePlan asMade(PriceBasis basis) {
        return basis.isAsTraded()
                ? this
                : withPrices(basis.traded(entry, madeAt), basis.traded(stop, madeAt), basis.traded(target, madeAt));
    }

    public TradePlan withPrices(double newEntry, double newStop, double newTarget) {
        return new TradePlan(
                id, instrument, timeframe, madeAt, newEntry, newStop, newTarget, account, riskPercent, endedAt);
    }

    public TradePlan withAccount(double newAccount, double newRiskPercent) {
        return new TradePlan(
                id, instrument, timeframe, madeAt, entry, stop, target, newAccount, newRiskPercent, endedAt);
    }
}
