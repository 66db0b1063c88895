package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Chaikin volatility. e = ema(high - low, n); value = 100 * (e - e[change]) / e[change]; 0 while bars have no range at
 * all. O(1) a bar.
 */
public final class ChaikinVolatility extends Declared {
    public ChaikinVolatility() {
        super(Family.VOLATILITY, "chaikin_volatility", "Chaikin volatility");
        also("range growth", "volatility");
        length(10);
        length("change", "Change over bars", 10);
        fitted(0.0);
        line();
        help(
                "How much the average range has grown, in per cent.",
                "e = ema(high - low, n); value = 100 * (e - e[change]) / e[change]; 0 while bars have no "
                        + "range at all.",
                "A sharp rise comes with panics and lows, a slow fall with mature advances.",
                "Knows nothing of gaps.",
                "Marc Chaikin (1980s).");
    }

    @Override
    public void build(Recipe r) {
        Node average = r.ema(r.field(Field.RANGE), r.length());
        r.out(r.zip(
                "value",
                average,
                r.back(average, r.whole("change")),
                (now, before) -> before == 0 ? now == 0 ? 0 : Double.NaN : 100 * (now - before) / before));
    }
}
