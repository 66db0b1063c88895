package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Arnaud Legoux moving average. The value i bars after the oldest weighs exp(-(i - m)^2 / (2 * s^2)) with m = offset *
 * (n - 1) and s = n / sigma; alma = sum of weight * v / sum of weights. O(n) a bar.
 */
public final class Alma extends Declared {
    public Alma() {
        super(Family.AVERAGES, "alma", "Arnaud Legoux moving average");
        also("moving average", "gaussian");
        length(9);
        number("offset", "Offset", 0.85, 0, 1);
        number("sigma", "Sigma", 6, 0.5, 20);
        source(Field.CLOSE);
        line();
        help(
                "An average with bell-shaped weights whose peak can be moved toward the newest value.",
                "The value i bars after the oldest weighs exp(-(i - m)^2 / (2 * s^2)) with m = offset * (n - "
                        + "1) and s = n / sigma; alma = sum of weight * v / sum of weights.",
                "Smooth with little lag; an offset nearer to 1 follows closer, a larger sigma is sharper.",
                "Two more numbers to choose, and so to fit to the past.",
                "Arnaud Legoux and Dimitris Kouzis-Loukas (2009).");
    }

    @Override
    public void build(Recipe r) {
        int length = r.length();
        double peak = r.number("offset") * (length - 1);
        double spread = length / r.number("sigma");
        double[] weights = new double[length];
        double all = 0;
        for (int place = 0; place < length; place++) {
            weights[place] = Math.exp(-(place - peak) * (place - peak) / (2 * spread * spread));
            all += weights[place];
        }
        double whole = all;
        Node average = r.windowed(
                "value",
                length,
                (values, start, count) -> {
                    double sum = 0;
                    for (int place = 0; place < count; place++) {
                        sum += weights[place] * values[0][start + place];
                    }
                    return sum / whole;
                },
                r.source());
        r.out(r.steady(average, r.source(), length));
    }
}
