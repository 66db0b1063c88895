package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Simple moving average. sma = (v[0] + v[1] + ... + v[n-1]) / n. Missing until n values are there, and in every window
 * that holds a missing value. O(1) a bar, without drift.
 */
public final class Sma extends Declared {
    public Sma() {
        super(Family.AVERAGES, "sma", "Simple moving average");
        also("mean", "average", "moving average");
        length(50);
        source(Field.CLOSE);
        line();
        help(
                "The mean of the last n values: the price without its noise, late by half the period.",
                "sma = (v[0] + v[1] + ... + v[n-1]) / n. Missing until n values are there, and in every "
                        + "window that holds a missing value.",
                "Price above a rising average speaks for an advance, below a falling one for a decline.",
                "In a sideways market it is crossed often and says little; a value that drops out of the "
                        + "window moves it as much as a new one.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.mean(r.source(), r.length()));
    }
}
