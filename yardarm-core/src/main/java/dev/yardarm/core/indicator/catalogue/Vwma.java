package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Volume-weighted moving average. vwma = sum(v * volume, n) / sum(volume, n). Missing where nothing was traded in n
 * bars. O(1) a bar.
 */
public final class Vwma extends Declared {
    public Vwma() {
        super(Family.AVERAGES, "vwma", "Volume-weighted moving average");
        also("moving average", "volume");
        length(20);
        source(Field.CLOSE);
        line();
        help(
                "The average price of the last n bars, each weighing as much as was traded in it.",
                "vwma = sum(v * volume, n) / sum(volume, n). Missing where nothing was traded in n bars.",
                "Away from the simple average it leans to where the trade was: above it, the trade was in the "
                        + "higher bars.",
                "One bar of extreme volume, such as an expiry, holds it for n bars.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        Node average = r.over(r.sum(r.times(r.source(), r.volume()), r.length()), r.sum(r.volume(), r.length()));
        r.out(r.steady(average, r.source(), r.length()));
    }
}
