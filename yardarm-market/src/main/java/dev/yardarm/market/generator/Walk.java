package dev.yardarm.market.generator;

import dev.yardarm.market.chance.Dice;
import java.util.function.IntToDoubleFunction;

/**
 * A path of daily prices with clustered noise, pulled toward a mean that drifts slowly: open, high, low and close for
 * each session, not rounded. The path of logarithms, except for yields, whose steps are added.
 */
final class Walk {
    final double[] open;
    final double[] high;
    final double[] low;
    final double[] close;

    /**
     * How a walk goes.
     *
     * @param volatility daily standard deviation, relative; of the value itself when steps are added
     * @param reversion part of the distance from the mean that is lost in a session
     * @param gap part of a session's change that happens before it opens
     */
    record Manner(double start, double volatility, double reversion, double gap, boolean additive) {}

    Walk(Dice dice, int count, Manner manner, IntToDoubleFunction push) {
        open = new double[count];
        high = new double[count];
        low = new double[count];
        close = new double[count];
        MarketFactors.Cluster cluster = new MarketFactors.Cluster();
        double mean = manner.additive() ? manner.start() : Math.log(manner.start());
        double value = mean;
        double centre = mean;
        for (int session = 0; session < count; session++) {
            if (session % 60 == 0) {
                centre = mean + (centre - mean) * 0.97 + Math.min(0.09, manner.volatility() * 6) * dice.bell();
            }
            double step = manner.volatility() * cluster.next(dice)
                    + push.applyAsDouble(session)
                    - manner.reversion() * (value - centre);
            double opened = value + manner.gap() * step + 0.15 * manner.gap() * manner.volatility() * dice.bell();
            double closed = value + step;
            double reach = 0.7 * manner.volatility() * cluster.level();
            double top = Math.max(opened, closed) + reach * dice.exponential() * 0.7;
            double bottom = Math.min(opened, closed) - reach * dice.exponential() * 0.7;
            open[session] = manner.additive() ? opened : Math.exp(opened);
            high[session] = manner.additive() ? top : Math.exp(top);
            low[session] = manner.additive() ? bottom : Math.exp(bottom);
            close[session] = manner.additive() ? closed : Math.exp(closed);
            value = closed;
        }
    }
}
