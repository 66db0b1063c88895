package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Up/down volume. up = sum of volume where close > close[1], down = where close < close[1], over n bars; value = up /
 * down, missing without any down volume. O(1) a bar.
 */
public final class UpDownVolume extends Declared {
    public UpDownVolume() {
        super(Family.VOLUME, "up_down_volume", "Up/down volume");
        also("accumulation", "volume ratio");
        length(50);
        fitted(1.0);
        line("value", "Up over down volume");
        output("up", "Volume of rising bars", Form.NONE);
        output("down", "Volume of falling bars", Form.NONE);
        help(
                "The volume of bars that closed higher over that of bars that closed lower.",
                "up = sum of volume where close > close[1], down = where close < close[1], over n bars; value "
                        + "= up / down, missing without any down volume.",
                "Above 1 there was more trade on the way up; above 1.5 someone accumulates.",
                "A single bar of extreme volume stays in it for n bars.",
                "William J. O'Neil, How to Make Money in Stocks (1988).");
    }

    @Override
    public void build(Recipe r) {
        Node[] parts = r.each(
                "parts",
                2,
                (in, out) -> {
                    double known = 0 * (in[0] + in[1] + in[2]);
                    out[0] = in[0] > in[1] ? in[2] : known;
                    out[1] = in[0] < in[1] ? in[2] : known;
                },
                r.close(),
                r.back(r.close(), 1),
                r.volume());
        Node up = r.sum(parts[0], r.length());
        Node down = r.sum(parts[1], r.length());
        r.out(r.over(up, down), up, down);
    }
}
