package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Aroon. up = 100 * (n - bars since the highest high of the last n + 1 bars) / n, down likewise with the lowest low;
 * of equal ones the newest counts. oscillator = up - down. O(n) a bar.
 */
public final class Aroon extends Declared {
    public Aroon() {
        super(Family.TREND, "aroon", "Aroon");
        also("bars since high", "trend age");
        length(25);
        bounded(0, 100, 30.0, 70.0);
        line("up", "Aroon up");
        line("down", "Aroon down");
        output("oscillator", "Up minus down", Form.NONE);
        help(
                "How long ago the highest high and the lowest low were: the age of a trend.",
                "up = 100 * (n - bars since the highest high of the last n + 1 bars) / n, down likewise with "
                        + "the lowest low; of equal ones the newest counts. oscillator = up - down.",
                "Up near 100 and down low is an advance with fresh highs; both low is a range.",
                "Says nothing of how far price went; one spike holds it for n bars.",
                "Tushar S. Chande, A Time Price Oscillator (1995).");
    }

    @Override
    public void build(Recipe r) {
        int length = r.length();
        Node up = r.windowed(
                "up",
                length + 1,
                (values, start, count) -> {
                    int best = start;
                    double sum = 0;
                    for (int place = start; place < start + count; place++) {
                        sum += values[0][place];
                        best = values[0][place] >= values[0][best] ? place : best;
                    }
                    return sum != sum ? Double.NaN : 100.0 * (best - start) / length;
                },
                r.high());
        Node down = r.windowed(
                "down",
                length + 1,
                (values, start, count) -> {
                    int best = start;
                    double sum = 0;
                    for (int place = start; place < start + count; place++) {
                        sum += values[0][place];
                        best = values[0][place] <= values[0][best] ? place : best;
                    }
                    return sum != sum ? Double.NaN : 100.0 * (best - start) / length;
                },
                r.low());
        r.out(up, down, r.minus(up, down));
    }
}
