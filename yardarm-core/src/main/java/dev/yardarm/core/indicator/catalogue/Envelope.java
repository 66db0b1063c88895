package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Envelopes. upper = average * (1 + percent / 100), lower = average * (1 - percent / 100). O(1) a bar. */
public final class Envelope extends Declared {
    public Envelope() {
        super(Family.BANDS, "envelope", "Envelopes");
        also("percent bands", "moving average envelope");
        choice("average", "Kind", "simple", "exponential", "weighted", "wilder");
        length(20);
        number("percent", "Distance in per cent", 2.5, 0.01, 100);
        source(Field.CLOSE);
        line("middle", "Average");
        line("upper", "Upper envelope");
        line("lower", "Lower envelope");
        fill("upper", "lower");
        help(
                "An average with a line a fixed part above and below it.",
                "upper = average * (1 + percent / 100), lower = average * (1 - percent / 100).",
                "Price beyond a line is stretched from its average; in a range it tends to come back.",
                "The distance does not follow volatility: what fits one instrument or time does not fit " + "another.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        Node middle = r.average("average", r.source(), r.length());
        double part = r.number("percent") / 100;
        r.out(
                middle,
                r.map("upper", middle, value -> value * (1 + part)),
                r.map("lower", middle, value -> value * (1 - part)));
    }
}
