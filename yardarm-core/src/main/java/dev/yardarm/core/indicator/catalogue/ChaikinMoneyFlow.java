package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Chaikin money flow. sum(volume * ((close - low) - (high - close)) / (high - low), n) / sum(volume, n); missing where
 * nothing was traded. O(1) a bar.
 */
public final class ChaikinMoneyFlow extends Declared {
    public ChaikinMoneyFlow() {
        super(Family.VOLUME, "cmf", "Chaikin money flow");
        also("money flow", "accumulation");
        length(20);
        bounded(-1, 1, -0.1, 0.0, 0.1);
        line();
        help(
                "The part of the volume of n bars that closed toward the high, less that toward the low.",
                "sum(volume * ((close - low) - (high - close)) / (high - low), n) / sum(volume, n); missing "
                        + "where nothing was traded.",
                "Above 0.1 buyers, below -0.1 sellers dominate; crossing zero against price warns.",
                "Gaps do not count.",
                "Marc Chaikin (1980s).");
    }

    @Override
    public void build(Recipe r) {
        Node flow = r.each(
                        "flow",
                        1,
                        (in, out) -> out[0] = in[0] == in[1]
                                ? 0 * (in[2] + in[3])
                                : in[3] * (2 * in[2] - in[0] - in[1]) / (in[0] - in[1]),
                        r.high(),
                        r.low(),
                        r.close(),
                        r.volume())[0];
        r.out(r.over(r.sum(flow, r.length()), r.sum(r.volume(), r.length())));
    }
}
