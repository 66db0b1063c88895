package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Commodity channel index. cci = (v - sma(v, n)) / (0.015 * mean of |v[i] - sma(v, n)| over the n values); 0 without
 * any distance. O(n) a bar.
 */
public final class Cci extends Declared {
    public Cci() {
        super(Family.MOMENTUM, "cci", "Commodity channel index");
        also("overbought", "oversold", "mean deviation");
        length(20);
        source(Field.TYPICAL);
        fitted(-100.0, 0.0, 100.0);
        line();
        help(
                "How far the typical price is from its average, in units of its usual distance.",
                "cci = (v - sma(v, n)) / (0.015 * mean of |v[i] - sma(v, n)| over the n values); 0 without "
                        + "any distance.",
                "Beyond +-100 price has left its usual reach: a trend begins, or a range is at its end.",
                "It has no bounds, and its 100 means another thing on every instrument.",
                "Donald R. Lambert, Commodity Channel Index (1980).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.windowed(
                "value",
                r.length(),
                (values, start, count) -> {
                    double mean = 0;
                    for (int place = start; place < start + count; place++) {
                        mean += values[0][place];
                    }
                    mean /= count;
                    double distance = 0;
                    for (int place = start; place < start + count; place++) {
                        distance += Math.abs(values[0][place] - mean);
                    }
                    distance /= count;
                    double gap = values[0][start + count - 1] - mean;
                    return distance <= 1e-14 * Math.abs(mean) ? 0 : gap / (0.015 * distance);
                },
                r.source()));
    }
}
