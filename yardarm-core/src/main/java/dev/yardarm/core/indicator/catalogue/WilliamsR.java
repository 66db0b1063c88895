package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/** Williams %R. -100 * (highest high - close) / (highest high - lowest low); -50 without any reach. O(1) a bar. */
public final class WilliamsR extends Declared {
    public WilliamsR() {
        super(Family.MOMENTUM, "williams_r", "Williams %R");
        also("percent r", "overbought", "oversold");
        length(14);
        bounded(-100, 0, -80.0, -20.0);
        line();
        help(
                "How far the close is below the highest high of n bars, in per cent of their reach.",
                "-100 * (highest high - close) / (highest high - lowest low); -50 without any reach.",
                "Above -20 at the top of the reach, below -80 at its bottom.",
                "In a trend it stays at its end.",
                "Larry Williams, How I Made One Million Dollars (1973).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.each(
                "value",
                1,
                (in, out) -> out[0] = in[1] == in[2] ? -50 + 0 * in[0] : -100 * (in[1] - in[0]) / (in[1] - in[2]),
                r.close(),
                r.highest(r.high(), r.length()),
                r.lowest(r.low(), r.length())));
    }
}
