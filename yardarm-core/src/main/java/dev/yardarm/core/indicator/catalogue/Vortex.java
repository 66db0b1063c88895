package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Vortex. plus = sum(|high - low[1]|, n) / sum(true range, n), minus = sum(|low - high[1]|, n) / sum(true range, n),
 * from the second bar on. Without any range both are 1. O(1) a bar.
 */
public final class Vortex extends Declared {
    public Vortex() {
        super(Family.TREND, "vortex", "Vortex");
        also("trend direction", "vi");
        length(14);
        fitted(1.0);
        line("plus", "Upward vortex");
        line("minus", "Downward vortex");
        cue("cross_up", "Plus crosses above minus");
        cue("cross_down", "Plus crosses below minus");
        help(
                "Compares the reach from each low to the next high with that from each high to the next low.",
                "plus = sum(|high - low[1]|, n) / sum(true range, n), minus = sum(|low - high[1]|, n) / "
                        + "sum(true range, n), from the second bar on. Without any range both are 1.",
                "The line on top names the direction; their crossing is the turn.",
                "Crosses often in a range; use it with a measure of strength.",
                "Etienne Botes and Douglas Siepman, The Vortex Indicator (2010).");
    }

    @Override
    public void build(Recipe r) {
        Node range = r.sum(r.trueRangeFromSecond(), r.length());
        Node rises =
                r.sum(r.zip("rise", r.high(), r.back(r.low(), 1), (high, low) -> Math.abs(high - low)), r.length());
        Node falls =
                r.sum(r.zip("fall", r.low(), r.back(r.high(), 1), (low, high) -> Math.abs(low - high)), r.length());
        Node plus = r.zip("plus", rises, range, (moved, all) -> all == 0 ? 1 : moved / all);
        Node minus = r.zip("minus", falls, range, (moved, all) -> all == 0 ? 1 : moved / all);
        r.out(plus, minus, r.crossesAbove(plus, minus), r.crossesBelow(plus, minus));
    }
}
