package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Computation;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Lengths;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.indicator.WindowComputation;
import dev.yardarm.core.series.Field;
import java.util.List;

/** The largest of the last n values, the newest included. O(1) a bar. */
public final class Highest implements Indicator {
    @Override
    public String name() {
        return "highest";
    }

    @Override
    public String title() {
        return "Highest value";
    }

    @Override
    public List<Setting> settings() {
        return Lengths.lengthAndSource(20, 1, Field.HIGH);
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
        return WindowComputation.highest(settings.whole("length"));
    }

    @Override
    public Help help() {
        return new Help("The largest of the last n values, this bar included.",
                "The largest of v[0] ... v[n-1]. Missing until n values are there, and in every window that holds a "
                        + "missing value.",
                "A close above the highest high of the bars before is a break upward: write highest(...) back 1 for that.",
                "In common use; no single author.");
    }
}
