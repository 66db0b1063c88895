package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Coppock curve. value = wma(roc(long) + roc(short), smooth). O(1) a bar. */
public final class Coppock extends Declared {
    public Coppock() {
        super(Family.MOMENTUM, "coppock", "Coppock curve");
        also("long term momentum", "bottoms");
        length("smooth", "Smoothing", 10);
        length("long", "Long rate of change", 14);
        length("short", "Short rate of change", 11);
        source(Field.CLOSE);
        fitted(0.0);
        line();
        help(
                "Two rates of change added and smoothed, made to find major lows on monthly bars.",
                "value = wma(roc(long) + roc(short), smooth).",
                "On monthly bars of an index: a turn upward from below zero is the buy its author meant.",
                "It has no rule for selling, and very few signals.",
                "Edwin S. C. Coppock, A Realistic Guide to Long Term Market Direction (1962).");
    }

    @Override
    public void build(Recipe r) {
        Node one = r.zip(
                "long",
                r.source(),
                r.back(r.source(), r.whole("long")),
                (now, before) -> before == 0 ? Double.NaN : 100 * (now - before) / before);
        Node other = r.zip(
                "short",
                r.source(),
                r.back(r.source(), r.whole("short")),
                (now, before) -> before == 0 ? Double.NaN : 100 * (now - before) / before);
        r.out(r.weighted(r.plus(one, other), r.whole("smooth")));
    }
}
