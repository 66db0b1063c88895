package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.indicator.Settings;

/**
 * Ichimoku. middle(n) = (highest high of n + lowest low of n) / 2; conversion line = middle(conversion), base line =
 * middle(base), leading line A = (conversion line + base line) / 2, leading line B = middle(span), both drawn the
 * displacement ahead; lagging line = close, drawn the displacement back. Cloud at a bar: the leading lines of that
 * many bars before. Thin: |A - B| below so many ATR(14). Flat: B unchanged for so many bars. The cues of the lagging
 * line test the close against high, low and cloud of the bar it is drawn at, and belong to the bar of that close, on
 * which they become known. The bars of a flat edge are counted with the bar itself. O(1) a bar.
 */
public final class Ichimoku extends Declared {
    public Ichimoku() {
        super(Family.TREND, "ichimoku", "Ichimoku");
        also("cloud", "equilibrium", "lagging line", "kumo");
        length("conversion", "Conversion period", 9);
        length("base", "Base period", 26);
        length("span", "Leading period", 52);
        whole("shift", "Displacement", 26, 1, 500);
        number("thin", "Thin below, in ATR", 0.5, 0.01, 10);
        whole("flat", "Flat after bars", 5, 2, 200);
        line("conversion_line", "Conversion line");
        line("base_line", "Base line");
        line("lead_a", "Leading span A");
        line("lead_b", "Leading span B");
        line("lagging", "Lagging span");
        output("cloud_top", "Top of the cloud at the bar", Form.NONE);
        output("cloud_bottom", "Bottom of the cloud at the bar", Form.NONE);
        output("thickness", "Thickness of the projected cloud", Form.NONE);
        cue("thin_cloud", "Thin spot of the projected cloud");
        cue("flat_edge", "Flat edge of the projected cloud");
        cue("above_cloud", "Close above the cloud");
        cue("below_cloud", "Close below the cloud");
        cue("lagging_above", "Lagging span above price and cloud of its place");
        cue("lagging_below", "Lagging span below price and cloud of its place");
        fill("lead_a", "lead_b");
        help(
                "Middles of the reach of three periods, two of them drawn ahead as a cloud, and the close "
                        + "drawn back: trend, support and momentum in one picture.",
                "middle(n) = (highest high of n + lowest low of n) / 2; conversion line = middle(conversion), "
                        + "base line = middle(base), leading line A = (conversion line + base line) / 2, leading "
                        + "line B = middle(span), both drawn the displacement ahead; lagging line = close, drawn "
                        + "the displacement back. Cloud at a bar: the leading lines of that many bars before. Thin: "
                        + "|A - B| below so many ATR(14). Flat: B unchanged for so many bars. The cues of the "
                        + "lagging line test the close against high, low and cloud of the bar it is drawn at, and "
                        + "belong to the bar of that close, on which they become known. "
                        + "The bars of a flat edge are counted with the bar itself.",
                "Above the cloud the trend is up, below it down, inside undecided; a thick cloud is strong "
                        + "support or resistance, a thin spot is where price gets through; a flat edge attracts "
                        + "price. The conversion line crossing the base line is the trigger.",
                "In a range price crosses everything. The standard periods come from a six-day week.",
                "Goichi Hosoda, Ichimoku Kinko Hyo (1969).");
    }

    @Override
    public void build(Recipe r) {
        int shift = r.whole("shift");
        Node conversion = middle(r, r.whole("conversion"));
        Node base = middle(r, r.whole("base"));
        Node leadA = r.zip("lead a", conversion, base, (one, other) -> (one + other) / 2);
        Node leadB = middle(r, r.whole("span"));
        Node top = r.zip("top", r.back(leadA, shift), r.back(leadB, shift), Math::max);
        Node bottom = r.zip("bottom", r.back(leadA, shift), r.back(leadB, shift), Math::min);
        Node thickness = r.zip("thickness", leadA, leadB, (one, other) -> Math.abs(one - other));
        double thin = r.number("thin");
        Node isThin = r.zip("thin", thickness, r.atr(14), (thick, range) -> yes(thick < thin * range, thick + range));
        int flat = r.whole("flat");
        Node isFlat = r.zip(
                "flat", r.highest(leadB, flat), r.lowest(leadB, flat), (high, low) -> yes(high == low, high + low));
        Node[] lagging = r.each(
                "lagging",
                2,
                (in, out) -> {
                    double all = in[0] + in[1] + in[2] + in[3] + in[4];
                    out[0] = yes(in[0] > Math.max(in[1], in[3]), all);
                    out[1] = yes(in[0] < Math.min(in[2], in[4]), all);
                },
                r.close(),
                r.back(r.high(), shift),
                r.back(r.low(), shift),
                r.back(top, shift),
                r.back(bottom, shift));
        r.out(
                conversion,
                base,
                leadA,
                leadB,
                r.close(),
                top,
                bottom,
                thickness,
                isThin,
                isFlat,
                r.zip("above", r.close(), top, (close, edge) -> yes(close > edge, close + edge)),
                r.zip("below", r.close(), bottom, (close, edge) -> yes(close < edge, close + edge)),
                lagging[0],
                lagging[1]);
    }

    @Override
    public int displacement(Settings settings, int output) {
        return output == 2 || output == 3 ? settings.whole("shift") : output == 4 ? -settings.whole("shift") : 0;
    }

    private static Node middle(Recipe r, int length) {
        return r.zip("middle", r.highest(r.high(), length), r.lowest(r.low(), length), (high, low) -> (high + low) / 2);
    }

    /** A yes or no that is unknown when what it rests on is missing. */
    private static double yes(boolean holds, double known) {
        return known != known ? Double.NaN : holds ? 1 : 0;
    }
}
