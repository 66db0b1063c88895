package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;

/** Bars at ratios of a distance. */
public final class TimeRatios extends Declared {
    public TimeRatios() {
        super(Family.RATIOS, "time_ratios", "Time ratios");
        also("fibonacci time zones");
        through("the first bar", "the second bar");
        ratios("0 0.5 1 1.618 2 2.618 4.236");
        help("Bars at ratios of the distance between two: 0 at the first, 1 at the second.");
    }

    @Override
    public void draw(Pen pen) {
        for (double ratio : pen.numbers("ratios")) {
            Ratio.upright(
                    pen,
                    ratio,
                    pen.at(0).towards(pen.at(1), ratio).u(),
                    pen.at(0).v());
        }
    }
}
