package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Balance of power. sma((close - open) / (high - low), n); a bar without range counts 0. O(1) a bar. */
public final class BalanceOfPower extends Declared {
    public BalanceOfPower() {
        super(Family.MOMENTUM, "bop", "Balance of power");
        also("buyers and sellers", "close against open");
        length(14);
        bounded(-1, 1, 0.0);
        line();
        help(
                "Where bars close against their open, in parts of their range, on average.",
                "sma((close - open) / (high - low), n); a bar without range counts 0.",
                "Above zero buyers end the bars stronger than they began.",
                "Gaps between bars do not count in it.",
                "Igor Livshin, Balance of Power (2001).");
    }

    @Override
    public void build(Recipe r) {
        Node raw = r.zip(
                "raw",
                r.minus(r.close(), r.open()),
                r.field(Field.RANGE),
                (gain, range) -> range == 0 ? 0 * gain : gain / range);
        r.out(r.mean(raw, r.length()));
    }
}
