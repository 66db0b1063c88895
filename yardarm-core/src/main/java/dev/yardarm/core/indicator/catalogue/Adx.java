package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Directional movement (ADX, +DI, -DI). Upward movement: high - high[1] when it is above zero and above low[1] - low,
 * else 0; downward likewise. plus = 100 * wilder(up, n) / wilder(true range, n), minus likewise, from the second bar
 * on; strength = wilder(100 * |plus - minus| / (plus + minus), n). Without any movement it is 0. O(1) a bar.
 */
public final class Adx extends Declared {
    public Adx() {
        super(Family.TREND, "adx", "Directional movement (ADX, +DI, -DI)");
        also("average directional index", "trend strength", "dmi");
        length(14);
        bounded(0, 100, 20.0, 40.0);
        line("value", "Trend strength (ADX)");
        line("plus", "Plus directional indicator");
        line("minus", "Minus directional indicator");
        cue("cross_up", "Plus crosses above minus");
        cue("cross_down", "Plus crosses below minus");
        help(
                "How strong the trend is, whichever way it goes, and which way.",
                "Upward movement: high - high[1] when it is above zero and above low[1] - low, else 0; "
                        + "downward likewise. plus = 100 * wilder(up, n) / wilder(true range, n), minus likewise, "
                        + "from the second bar on; strength = wilder(100 * |plus - minus| / (plus + minus), n). "
                        + "Without any movement it is 0.",
                "Below 20 there is no trend worth following, above 25 and rising there is one; plus above "
                        + "minus says up.",
                "Late by more than its period: strength is often at its height when the move ends.",
                "J. Welles Wilder, New Concepts in Technical Trading Systems (1978).");
    }

    @Override
    public void build(Recipe r) {
        Node up = r.change(r.high(), 1);
        Node down = r.change(r.low(), 1);
        Node rises = r.zip("up", up, down, (high, low) -> high > -low && high > 0 ? high : 0 * (high + low));
        Node falls = r.zip("down", up, down, (high, low) -> -low > high && -low > 0 ? -low : 0 * (high + low));
        Node range = r.wilder(r.trueRangeFromSecond(), r.length());
        Node plus = r.zip("plus", r.wilder(rises, r.length()), range, (moved, all) -> all == 0 ? 0 : 100 * moved / all);
        Node minus =
                r.zip("minus", r.wilder(falls, r.length()), range, (moved, all) -> all == 0 ? 0 : 100 * moved / all);
        Node spread = r.zip(
                "spread",
                plus,
                minus,
                (one, other) -> one + other == 0 ? 0 : 100 * Math.abs(one - other) / (one + other));
        r.out(r.wilder(spread, r.length()), plus, minus, r.crossesAbove(plus, minus), r.crossesBelow(plus, minus));
    }
}
