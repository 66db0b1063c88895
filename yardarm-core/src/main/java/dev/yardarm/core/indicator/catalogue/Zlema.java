package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Zero-lag exponential moving average. lag = (n - 1) / 2, rounded down; zlema = ema(v + (v - v[lag]), n). O(1) a bar.
 */
public final class Zlema extends Declared {
    public Zlema() {
        super(Family.AVERAGES, "zlema", "Zero-lag exponential moving average");
        also("moving average", "less lag");
        length(20);
        source(Field.CLOSE);
        line();
        help(
                "An exponential average of price with its recent change added, so that the lag cancels out.",
                "lag = (n - 1) / 2, rounded down; zlema = ema(v + (v - v[lag]), n).",
                "Read like an exponential average that turns sooner.",
                "It carries the noise of the change it adds and overshoots at turns.",
                "In common use; after the idea of John F. Ehlers and Ric Way, Zero Lag (Well, Almost) (2010), whose own "
                        + "average corrects its error by a gain instead.");
    }

    @Override
    public void build(Recipe r) {
        int lag = (r.length() - 1) / 2;
        Node ahead = r.zip("ahead", r.source(), r.back(r.source(), lag), (now, before) -> 2 * now - before);
        r.out(r.ema(ahead, r.length()));
    }
}
