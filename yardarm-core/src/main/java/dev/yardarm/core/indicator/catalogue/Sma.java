package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Computation;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Lengths;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.indicator.WindowComputation;
import dev.yardarm.core.series.Field;
import java.util.List;

/** Simple moving average: the arithmetic mean of the last n values. O(1) a bar; no drift, see WindowFold. */
public final class Sma implements Indicator {
    @Override
    public String name() {
        return "sma";
    }

    @Override
    public String title() {
        return "Simple moving average";
    }

    @Override
    public List<Setting> settings() {
        return Lengths.lengthAndSource(50, 1, Field.CLOSE);
    }

    @Override
    public Place place() {
        return Place.PRICE;
    }

    @Override
    public int warmUp(Settings settings) {
        return settings.whole("length") - 1;
    }

    @Override
    public Computation start(Settings settings) {
        return WindowComputation.mean(settings.whole("length"));
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
