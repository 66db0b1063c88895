package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/** Chaikin oscillator. ema(ad, fast) - ema(ad, slow), with the accumulation/distribution line ad. O(1) a bar. */
public final class ChaikinOscillator extends Declared {
    public ChaikinOscillator() {
        super(Family.VOLUME, "chaikin_oscillator", "Chaikin oscillator");
        also("accumulation momentum", "money flow");
        length("fast", "Fast period", 3);
        length("slow", "Slow period", 10);
        fitted(0.0);
        line();
        help(
                "The momentum of accumulation and distribution.",
                "ema(ad, fast) - ema(ad, slow), with the accumulation/distribution line ad.",
                "Turning up above a rising average of price is an entry; divergences warn.",
                "In units of volume; very quick.",
                "Marc Chaikin (1980s).");
    }

    @Override
    public void build(Recipe r) {
        Node line = r.step(
                "line",
                0,
                1,
                (in, state, out) -> {
                    state[0] += in[0] == in[1] ? 0 : in[3] * (2 * in[2] - in[0] - in[1]) / (in[0] - in[1]);
                    out[0] = state[0];
                },
                r.high(),
                r.low(),
                r.close(),
                r.volume());
        r.out(r.minus(r.ema(line, r.whole("fast")), r.ema(line, r.whole("slow"))));
    }
}
