package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Average true range. value = Wilder's average of the true range over n bars, beginning with the simple average of the
 * first n; percent = 100 * value / close. O(1) a bar.
 */
public final class Atr extends Declared {
    public Atr() {
        super(Family.VOLATILITY, "atr", "Average true range");
        also("volatility", "stop distance", "range");
        length(14);
        fitted();
        line("value", "Average true range");
        output("percent", "% of close", Form.NONE);
        help(
                "How far the instrument usually moves in a bar.",
                "value = Wilder's average of the true range over n bars, beginning with the simple average of "
                        + "the first n; percent = 100 * value / close.",
                "The unit for stops, targets and position sizes.",
                "It knows no direction, and lags when the market wakes up.",
                "J. Welles Wilder, New Concepts in Technical Trading Systems (1978).");
    }

    @Override
    public void build(Recipe r) {
        Node value = r.atr(r.length());
        r.out(
                value,
                r.zip("percent", value, r.close(), (range, close) -> close == 0 ? Double.NaN : 100 * range / close));
    }
}
