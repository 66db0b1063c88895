package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Percent rank. 100 * (number of v[1] ... v[n] below v) / n. O(n) a bar. */
public final class PercentRank extends Declared {
    public PercentRank() {
        super(Family.STATISTICS, "rank", "Percent rank");
        also("percentile", "rank", "history");
        length(100);
        source(Field.CLOSE);
        bounded(0, 100, 20.0, 80.0);
        line();
        help(
                "Which part of the n values before was below this one, in per cent.",
                "100 * (number of v[1] ... v[n] below v) / n.",
                "Makes anything comparable: volatility at rank 5 is low for this instrument.",
                "Tells nothing of distances.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        int length = r.length();
        r.out(r.windowed(
                "value",
                length + 1,
                (values, start, count) -> {
                    double last = values[0][start + count - 1];
                    int below = 0;
                    double sum = last;
                    for (int place = start; place < start + count - 1; place++) {
                        below += values[0][place] < last ? 1 : 0;
                        sum += values[0][place];
                    }
                    return sum != sum ? Double.NaN : 100.0 * below / length;
                },
                r.source()));
    }
}
