package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Variable index dynamic average. k = |Chande momentum of v over the momentum period| / 100; vidya = vidya[1] + 2 / (n
 * + 1) * k * (v - vidya[1]), starting from the value before the first momentum. O(1) a bar.
 */
public final class Vidya extends Declared {
    public Vidya() {
        super(Family.AVERAGES, "vidya", "Variable index dynamic average");
        also("moving average", "adaptive", "chande");
        length(12);
        length("momentum", "Momentum period", 9);
        source(Field.CLOSE);
        line();
        help(
                "An exponential average whose speed follows the strength of the recent momentum.",
                "k = |Chande momentum of v over the momentum period| / 100; vidya = vidya[1] + 2 / (n + 1) * "
                        + "k * (v - vidya[1]), starting from the value before the first momentum.",
                "Quick in a one-sided move, nearly at rest in a range.",
                "A sharp rebound in a range counts as momentum and moves it.",
                "Tushar S. Chande, Adapting Moving Averages to Market Volatility (1992), in the form with the "
                        + "momentum oscillator (1994).");
    }

    @Override
    public void build(Recipe r) {
        Node change = r.change(r.source(), 1);
        Node rises = r.sum(r.map("rise", change, value -> Math.max(value, 0)), r.whole("momentum"));
        Node falls = r.sum(r.map("fall", change, value -> Math.max(-value, 0)), r.whole("momentum"));
        double weight = 2.0 / (r.length() + 1);
        r.out(r.step(
                "value",
                0,
                2,
                (in, state, out) -> {
                    double before = state[1] == 0 ? in[1] : state[0];
                    double all = in[2] + in[3];
                    double speed = all == 0 ? 0 : weight * Math.abs(in[2] - in[3]) / all;
                    state[0] = before + speed * (in[0] - before);
                    state[1] = 1;
                    out[0] = state[0];
                },
                r.source(),
                r.back(r.source(), 1),
                rises,
                falls));
    }
}
