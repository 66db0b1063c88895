package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Computation;
import dev.yardarm.core.indicator.OneLine;
import dev.yardarm.core.indicator.WindowComputation;
import dev.yardarm.core.series.Field;

/** Simple moving average: the arithmetic mean of the last n values. O(1) a bar; no drift, see WindowFold. */
public final class Sma extends OneLine {
    public Sma() {
        super("sma", "Simple moving average", 50, Field.CLOSE);
    }

    @Override
    protected Computation start(int length) {
        return WindowComputation.mean(length);
    }

    @Override
    public Help help() {
        return new Help("The mean of the last n values: the price without its noise, late by half the period.",
                "sma = (v[0] + v[1] + ... + v[n-1]) / n. Missing until n values are there, and in every window that "
                        + "holds a missing value.",
                "Price above a rising average speaks for an advance, below a falling one for a decline. In a sideways "
                        + "market it is crossed often and says little.",
                "In common use; no single author.");
    }
}
