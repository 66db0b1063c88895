package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Money flow index. flow = typical * volume; 100 * sum of flows with a higher typical price than the bar before / sum
 * of those with a higher or lower one, over n bars; 50 without any. O(1) a bar.
 */
public final class MoneyFlow extends Declared {
    public MoneyFlow() {
        super(Family.VOLUME, "mfi", "Money flow index");
        also("volume rsi", "overbought", "oversold");
        length(14);
        bounded(0, 100, 20.0, 50.0, 80.0);
        line();
        help(
                "The share of the money traded on bars with a rising typical price: a relative strength index "
                        + "with volume.",
                "flow = typical * volume; 100 * sum of flows with a higher typical price than the bar before "
                        + "/ sum of those with a higher or lower one, over n bars; 50 without any.",
                "Above 80 the money is nearly all on one side; divergences from price warn.",
                "Opening gaps and expiry volume distort it.",
                "Gene Quong and Avrum Soudack, Volume-Weighted RSI: Money Flow (1989).");
    }

    @Override
    public void build(Recipe r) {
        Node typical = r.field(Field.TYPICAL);
        Node[] flows = r.each(
                "flows",
                2,
                (in, out) -> {
                    double flow = in[0] * in[2];
                    double known = 0 * (in[0] + in[1] + in[2]);
                    out[0] = in[0] > in[1] ? flow : known;
                    out[1] = in[0] < in[1] ? flow : known;
                },
                typical,
                r.back(typical, 1),
                r.volume());
        r.out(r.zip(
                "value",
                r.sum(flows[0], r.length()),
                r.sum(flows[1], r.length()),
                (up, down) -> up + down == 0 ? 50 : 100 * up / (up + down)));
    }
}
