package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Ultimate oscillator. low' = min(low, close[1]); pressure = close - low'; range = max(high, close[1]) - low'; part(n)
 * = sum(pressure, n) / sum(range, n), 0.5 without any range; value = 100 * (4 * part(short) + 2 * part(medium) +
 * part(long)) / 7. O(1) a bar.
 */
public final class Ultimate extends Declared {
    public Ultimate() {
        super(Family.MOMENTUM, "ultimate", "Ultimate oscillator");
        also("overbought", "oversold", "three periods");
        length("short", "Short period", 7);
        length("medium", "Medium period", 14);
        length("long", "Long period", 28);
        bounded(0, 100, 30.0, 50.0, 70.0);
        line();
        help(
                "Buying pressure over three periods in one figure, so that no single period dominates.",
                "low' = min(low, close[1]); pressure = close - low'; range = max(high, close[1]) - low'; "
                        + "part(n) = sum(pressure, n) / sum(range, n), 0.5 without any range; value = 100 * (4 * "
                        + "part(short) + 2 * part(medium) + part(long)) / 7.",
                "A new price low without a new low here, from below 30, and then a rise above its high in "
                        + "between is the purchase its author means.",
                "Rarely complete signals; the levels alone say little.",
                "Larry Williams, The Ultimate Oscillator (1985).");
    }

    @Override
    public void build(Recipe r) {
        Node before = r.back(r.close(), 1);
        Node bottom = r.zip("bottom", r.low(), before, Math::min);
        Node pressure = r.minus(r.close(), bottom);
        Node range = r.minus(r.zip("top", r.high(), before, Math::max), bottom);
        Node[] parts = new Node[3];
        String[] periods = {"short", "medium", "long"};
        for (int part = 0; part < 3; part++) {
            parts[part] = r.zip(
                    "part",
                    r.sum(pressure, r.whole(periods[part])),
                    r.sum(range, r.whole(periods[part])),
                    (bought, all) -> all == 0 ? 0.5 : bought / all);
        }
        r.out(r.each("value", 1, (in, out) -> out[0] = 100 * (4 * in[0] + 2 * in[1] + in[2]) / 7, parts));
    }
}
